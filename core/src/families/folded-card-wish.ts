import * as z from 'zod';
import { idText } from '../plant/plant-schema';
import { artworkFields } from '../product/artwork';
import { SIDES } from '../product/foil-area';
import { coverageByInk, inkNames } from '../product/ink-names';
import { LENGTH_MM, supplySchema } from '../product/job-spec';

const foilMm = z.number().min(1, 'must be at least 1 mm').max(2_000, 'is longer than any sheet here');
const sizeMm = z.number().min(LENGTH_MM.min, 'must be at least 10 mm').max(LENGTH_MM.max, 'is longer than any sheet here (5 m at most)');
const edgeMm = z.number().min(0, 'must not be below 0').max(LENGTH_MM.max, 'is longer than any sheet here (5 m at most)');
const foilArea = z.strictObject({
  name: z.string().max(60),
  widthMm: foilMm,
  heightMm: foilMm,
  side: z.enum(SIDES).optional(),
  colour: z.string().trim().max(60).optional(),
  xMm: edgeMm.optional(),
  yMm: edgeMm.optional(),
  tool: idText.optional(),
});
const applied = z.strictObject({
  name: z.string().trim().min(1).max(60),
  secondsEach: z.number().min(0).max(3600),
  each: z.number().int().min(1).max(100),
  supply: supplySchema,
});

/** What a folded card's order may say; all of it may be left out. */
export const FoldedCardWish = z
  .strictObject({
    openWidthMm: sizeMm,
    openHeightMm: sizeMm,
    folds: z.number().int().min(0).max(6),
    foldedWidthMm: sizeMm,
    front: inkNames,
    back: inkNames,
    coveragePercent: coverageByInk,
    totalInkPercent: z.number().min(0).max(400),
    ...artworkFields,
    bleedMm: z.number().min(0).max(50),
    smallestDistanceMm: z.number().min(0).max(500),
    grain: z.enum(['fold', 'free']),
    foils: z.record(idText, foilArea),
    foilToPrintMm: z.number().min(0).max(10),
    applied: z.record(idText, applied),
    envelope: z.string().max(80),
    sealed: z.boolean(),
    perBand: z.number().int().min(1).max(1000),
    food: z.boolean(),
    perCarton: z.number().int().min(1).max(100_000),
    grade: z.string().max(80),
  })
  .partial();
export type FoldedCardWish = z.infer<typeof FoldedCardWish>;

declare module '../product/job-spec' {
  interface Wishes {
    'folded-card': FoldedCardWish;
  }
}
