import * as z from 'zod';
import { idText } from '../plant/plant-schema';
import { artworkFields } from '../product/artwork';
import { coverageByInk, inkNames } from '../product/ink-names';
import { COVERINGS, TITLE_PLACES } from '../product/sewn';
import { LAMINATIONS } from './paperback-wish';

const mm = (least: number, most: number, what: string): z.ZodNumber =>
  z.number().min(least, `must be at least ${least} mm`).max(most, `is more than ${what} has (${most} mm at most)`);
const title = z.strictObject({
  name: z.string().trim().min(1, 'say what it reads').max(60),
  place: z.enum(TITLE_PLACES).optional(),
  widthMm: mm(1, 300, 'a case'),
  heightMm: mm(1, 420, 'a case'),
  tool: idText.optional(),
});
export const SPINE_FORMS = ['round', 'flat'] as const;

/** What a sewn hardcover's order may say; all of it may be left out. */
export const HardcoverWish = z
  .strictObject({
    widthMm: mm(80, 300, 'a sewn book'),
    heightMm: mm(110, 420, 'a sewn book'),
    pages: z.number().int('is a whole number').min(8, 'must be at least 8').max(2_000, 'is more than one volume holds (2,000 at most)'),
    front: inkNames,
    back: inkNames,
    grade: z.string().max(80),
    spine: z.enum(['left', 'right']),
    endGrade: z.string().max(80),
    spineForm: z.enum(SPINE_FORMS),
    angleDeg: z.number().min(30, 'must be at least 30 degrees').max(150, 'is rounder than a spine gets (150 degrees at most)'),
    boardGrade: z.string().max(80),
    stripGrade: z.string().max(80),
    squareMm: mm(0, 40, 'a square'),
    setBackMm: mm(0, 40, 'a set-back'),
    jointMm: mm(3, 40, 'a joint'),
    turnInMm: mm(8, 60, 'a turn-in'),
    covering: z.enum(COVERINGS),
    clothGrade: z.string().max(80),
    clothMm: mm(50, 1_500, 'a roll'),
    paperGrade: z.string().max(80),
    paperFront: inkNames,
    lamination: z.enum(LAMINATIONS),
    titles: z.record(idText, title),
    headband: z.boolean(),
    ribbon: z.boolean(),
    colouredEdges: z.boolean(),
    flapMm: mm(60, 150, 'a flap'),
    jacketGrade: z.string().max(80),
    jacketFront: inkNames,
    jacketBack: inkNames,
    jacketFilm: z.enum(LAMINATIONS),
    dummyMm: mm(0.5, 200, 'a block'),
    measuredMm: mm(0.5, 200, 'a block'),
    coveragePercent: coverageByInk,
    totalInkPercent: z.number().min(0).max(400),
    ...artworkFields,
    smallestDistanceMm: z.number().min(0).max(500),
    perCarton: z.number().int().min(1).max(100_000),
  })
  .partial();
export type HardcoverWish = z.infer<typeof HardcoverWish>;

declare module '../product/job-spec' {
  interface Wishes {
    hardcover: HardcoverWish;
  }
}
