import * as z from 'zod';
import { artworkFields } from '../product/artwork';
import { coverageByInk, inkNames } from '../product/ink-names';
import { LENGTH_MM } from '../product/job-spec';

const labelMm = z.number().min(3, 'must be at least 3 mm').max(LENGTH_MM.max, 'is longer than any sheet here (5 m at most)');
const few = z.number().int().min(1, 'must be 1 or more').max(200, 'is more than a sheet holds (200 at most)');

/** What an order of labels may say; all of it may be left out. */
export const LabelSheetWish = z
  .strictObject({
    widthMm: labelMm,
    heightMm: labelMm,
    across: few,
    along: few,
    gapMm: z.number().min(0).max(100),
    edgeMm: z.number().min(0).max(100),
    inks: inkNames,
    coveragePercent: coverageByInk,
    totalInkPercent: z.number().min(0).max(400),
    ...artworkFields,
    bleedMm: z.number().min(0).max(50),
    smallestDistanceMm: z.number().min(0).max(500),
    grade: z.string().max(80),
    food: z.boolean(),
    perforated: z.boolean(),
    backSlitMm: z.number().min(5, 'must be at least 5 mm').max(1_000, 'is wider than a sheet (1 m at most)'),
    delivered: z.enum(['sheets', 'rolls']),
    sheetsAStack: z.number().int().min(1).max(10_000),
    piecesARoll: z.number().int().min(1).max(10_000_000),
    wrapped: z.boolean(),
    rejects: z.enum(['destroy', 'recycle']),
    perCarton: z.number().int().min(1).max(10_000_000),
  })
  .partial();
export type LabelSheetWish = z.infer<typeof LabelSheetWish>;

/**
 * The gap between labels, mm: as typed; else 2, and where they are die-cut at least the bleed of both, so that the matrix carries it and no label
 * shows its neighbour's ink. Common practice, no source.
 * @example gapOf({ delivered: 'rolls' }, 1.5) // 3
 */
export const gapOf = (wish: LabelSheetWish, bleedMm: number): number =>
  wish.gapMm ?? (wish.delivered === 'rolls' ? Math.max(USUAL_GAP_MM, 2 * bleedMm) : USUAL_GAP_MM);
const USUAL_GAP_MM = 2;

declare module '../product/job-spec' {
  interface Wishes {
    'label-sheet': LabelSheetWish;
  }
}
