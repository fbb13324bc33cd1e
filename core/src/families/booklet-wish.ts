import * as z from 'zod';
import { artworkFields } from '../product/artwork';
import { CREEP_CURES, CREEP_SCHOOLS } from '../product/bound';
import { coverageByInk, inkNames } from '../product/ink-names';

const pageMm = (least: number, most: number): z.ZodNumber =>
  z.number().min(least, `must be at least ${least} mm`).max(most, `is larger than a booklet gets (${most} mm at most)`);
const clearMm = z.number().min(0, 'must not be below 0').max(200, 'is wider than a page');

/** Its own cover of another paper, or the outer pages of the text. */
export const BOOKLET_COVERS = ['own', 'self'] as const;
/** The text on sheets, cut and folded; or on a web that is folded behind the press. */
export const PRINTED_ON = ['sheets', 'web'] as const;
export const SPINES = ['left', 'right'] as const;

/** What a stitched booklet's order may say; all of it may be left out. */
export const BookletWish = z
  .strictObject({
    widthMm: pageMm(70, 320),
    heightMm: pageMm(70, 480),
    pages: z
      .number()
      .int('is a whole number')
      .min(1, 'must be at least 1')
      .max(256, 'is more than wire holds (256 at most): bind it with adhesive'),
    cover: z.enum(BOOKLET_COVERS),
    printedOn: z.enum(PRINTED_ON),
    spine: z.enum(SPINES),
    front: inkNames,
    back: inkNames,
    coverFront: inkNames,
    coverBack: inkNames,
    grade: z.string().max(80),
    coverGrade: z.string().max(80),
    coveragePercent: coverageByInk,
    totalInkPercent: z.number().min(0).max(400),
    ...artworkFields,
    bleedMm: z.number().min(0).max(50),
    smallestDistanceMm: z.number().min(0).max(500),
    stitches: z.number().int().min(1, 'must be at least 1').max(4, 'is four at most'),
    loops: z.boolean(),
    stitchFromHeadMm: clearMm,
    outerMm: clearMm,
    spreads: z
      .string()
      .max(200)
      .regex(/^[0-9,\s]*$/, 'lists left pages, such as 12, 24'),
    creep: z.enum(CREEP_SCHOOLS),
    dummyMm: z.number().min(0, 'must not be below 0').max(50, 'is more than any booklet creeps'),
    cure: z.enum(CREEP_CURES),
    perCarton: z.number().int().min(1).max(100_000),
  })
  .partial();
export type BookletWish = z.infer<typeof BookletWish>;

declare module '../product/job-spec' {
  interface Wishes {
    booklet: BookletWish;
  }
}
