import * as z from 'zod';
import { cartonFlaps, idText } from '../plant/plant-schema';
import { artworkFields } from '../product/artwork';
import { CARTON_STYLES } from '../product/die-line/carton-ask';
import { HINGE_KINDS, MOST_LINES } from '../product/die-line/die-line';
import { SIDES } from '../product/foil-area';
import { coverageByInk, inkNames } from '../product/ink-names';
import { LENGTH_MM } from '../product/job-spec';

const insideMm = z.number().min(12, 'must be at least 12 mm').max(600, 'is longer than a folding carton gets (600 mm at most)');
const areaMm = z.number().min(1, 'must be at least 1 mm').max(600, 'is larger than a carton');
const edgeMm = z.number().min(0, 'must not be below 0').max(LENGTH_MM.max, 'is longer than any sheet here (5 m at most)');
const placed = {
  name: z.string().max(60),
  widthMm: areaMm,
  heightMm: areaMm,
  xMm: edgeMm.optional(),
  yMm: edgeMm.optional(),
  tool: idText.optional(),
};
const foilArea = z.strictObject({ ...placed, side: z.enum(SIDES).optional(), colour: z.string().trim().max(60).optional() });
const relief = z.strictObject(placed);

const pointMm = z.tuple([z.number().min(-10_000).max(10_000), z.number().min(-10_000).max(10_000)]);
/** A die line that came from a file: what is cut round, cut in, creased, glued. */
const ownLine = z.strictObject({
  name: z.string().trim().min(1, 'gives the line a name').max(60),
  outline: z.array(pointMm).min(3, 'needs at least three corners').max(MOST_LINES),
  slits: z.array(z.tuple([pointMm, pointMm])).max(MOST_LINES),
  creases: z.array(z.strictObject({ from: pointMm, to: pointMm, kind: z.enum(HINGE_KINDS).optional() })).max(MOST_LINES),
  glue: z.array(z.array(pointMm).min(3).max(200)).max(20),
});

/** What lies over the inks: nothing, a water-based coat, one that dries under lamps. */
export const CARTON_COATS = ['none', 'water', 'lamp'] as const;

/** What a folding carton's order may say; all of it may be left out. Sizes are those of the inside. */
export const FoldingCartonWish = z
  .strictObject({
    style: z.enum(CARTON_STYLES),
    houseStyle: idText,
    line: ownLine,
    lengthMm: insideMm,
    widthMm: insideMm,
    heightMm: insideMm,
    ...cartonFlaps,
    front: inkNames,
    back: inkNames,
    coat: z.enum(CARTON_COATS),
    coveragePercent: coverageByInk,
    totalInkPercent: z.number().min(0).max(400),
    ...artworkFields,
    smallestDistanceMm: z.number().min(0).max(500),
    reliefs: z.record(idText, relief),
    foils: z.record(idText, foilArea),
    foilToPrintMm: z.number().min(0).max(10),
    food: z.boolean(),
    code: z.string().trim().max(60),
    perCase: z.number().int().min(1).max(100_000),
    die: idText,
    grade: z.string().max(80),
  })
  .partial();
export type FoldingCartonWish = z.infer<typeof FoldingCartonWish>;

declare module '../product/job-spec' {
  interface Wishes {
    'folding-carton': FoldingCartonWish;
  }
}
