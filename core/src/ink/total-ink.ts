import type { PlacedCopy } from './zone-coverage';
import { OutOfRange } from '../quantity/errors';

/** A separation in blocks, row after row from the top: 0 no ink, 255 full. `across`: blocks in a row. */
export interface InkRaster {
  across: number;
  values: Readonly<ArrayLike<number>>;
}
/** The spot that carries most ink, all inks together; where it lies as a share of the width and of the height, from the upper left. */
export interface HeaviestSpot {
  percent: number;
  x: number;
  y: number;
}

/**
 * Total ink of a pass: the block in which the separations together lay most.
 *
 * Formula: max over blocks of Σ over inks of 100 · value ÷ 255, percent; a block is the mean of its pixels, so a single speck does not count.
 * `null`: no separation, or separations of different sizes, which do not lie over each other block by block.
 * Source: the definition of total area coverage. @throws OutOfRange a raster whose rows are not whole
 */
export function heaviestSpot(inks: readonly InkRaster[]): HeaviestSpot | null {
  const first = inks[0];
  if (!first) return null;
  const { across } = first;
  const { length } = first.values;
  if (!(across > 0) || length % across !== 0 || length === 0) throw new OutOfRange('raster', length, 'whole rows of blocks');
  if (inks.some((i) => i.across !== across || i.values.length !== length)) return null;
  let [most, at] = [-1, 0];
  for (let b = 0; b < length; b++) {
    const sum = inks.reduce((n, i) => n + (i.values[b] as number), 0);
    if (sum > most) [most, at] = [sum, b];
  }
  return { percent: (100 * most) / 255, x: ((at % across) + 0.5) / across, y: (Math.floor(at / across) + 0.5) / (length / across) };
}

/**
 * Where a spot of an upright copy lies on the sheet, in mm, on a copy that is turned to the right; y counts as the copy's does, from below. Source: geometry.
 * @example spotOn({ x: 100, y: 50, w: 90, h: 60, turn: 0 }, { x: 10, y: 5 }) // { x: 1000, y: -190 }
 */
export function spotOn({ x, y, w, h, turn }: PlacedCopy, spot: Pick<HeaviestSpot, 'x' | 'y'>): { x: number; y: number } {
  const [right, down] = {
    0: [spot.x, spot.y],
    90: [1 - spot.y, spot.x],
    180: [1 - spot.x, 1 - spot.y],
    270: [spot.y, 1 - spot.x],
  }[turn] as [number, number];
  return { x: x + right * w, y: y + (1 - down) * h };
}
