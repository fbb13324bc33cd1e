import { type Artwork, artworkOf } from '../product/artwork';
import type { Part } from '../product/part';

/** What a printed wish says of its ink and its artwork. */
export interface PrintedWish extends Artwork {
  coveragePercent?: Record<string, number> | undefined;
  totalInkPercent?: number | undefined;
  smallestDistanceMm?: number | undefined;
}
/** The same as its part carries it: sparse, coverage aside. */
export function printedOf(wish: PrintedWish): Pick<Part, 'coveragePercent' | 'totalInkPercent' | 'smallestDistanceMm' | 'artwork'> {
  const artwork = artworkOf(wish);
  return {
    coveragePercent: wish.coveragePercent ?? {},
    ...(wish.totalInkPercent !== undefined && { totalInkPercent: wish.totalInkPercent }),
    ...(wish.smallestDistanceMm !== undefined && { smallestDistanceMm: wish.smallestDistanceMm }),
    ...(artwork && { artwork }),
  };
}
