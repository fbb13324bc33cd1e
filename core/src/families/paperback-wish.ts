import * as z from 'zod';
import { ADHESIVES } from '../product/adhesive';
import { artworkFields } from '../product/artwork';
import { TWO_UP } from '../product/bound';
import { coverageByInk, inkNames } from '../product/ink-names';

const pageMm = (least: number, most: number): z.ZodNumber =>
  z.number().min(least, `must be at least ${least} mm`).max(most, `is larger than a book gets (${most} mm at most)`);
const pagesOf = (most: number): z.ZodNumber =>
  z.number().int('is a whole number').min(1, 'must be at least 1').max(most, `is more than one volume holds (${most} at most)`);

/** Whether the pages of the insert are among those the order names, or come beside them. */
export const INSERT_COUNTED = ['beside', 'in'] as const;
/** One book at a time, or two as one length. */
export const BOUND_AS = ['none', ...TWO_UP] as const;
/** Film over the cover's outside. */
export const LAMINATIONS = ['none', 'gloss', 'matt'] as const;
export const SPINE_FOLDS = ['milled', 'notched'] as const;

/** What a softcover book's order may say; all of it may be left out. */
export const PaperbackWish = z
  .strictObject({
    widthMm: pageMm(90, 300),
    heightMm: pageMm(120, 340),
    pages: pagesOf(2_000),
    front: inkNames,
    back: inkNames,
    grade: z.string().max(80),
    insertPages: pagesOf(64),
    insertAfter: z.number().int('is a whole number').min(0, 'must not be below 0').max(2_000, 'is behind the last page'),
    insertCounted: z.enum(INSERT_COUNTED),
    insertFront: inkNames,
    insertBack: inkNames,
    insertGrade: z.string().max(80),
    coverFront: inkNames,
    coverBack: inkNames,
    coverGrade: z.string().max(80),
    lamination: z.enum(LAMINATIONS),
    flapMm: z.number().min(60, 'must be at least 60 mm').max(110, 'is wider than a flap gets (110 mm at most)'),
    adhesive: z.enum(ADHESIVES),
    folds: z.enum(SPINE_FOLDS),
    twoUp: z.enum(BOUND_AS),
    spine: z.enum(['left', 'right']),
    dummyMm: z.number().min(0.5, 'must be at least 0.5 mm').max(200, 'is thicker than a book gets'),
    artSpineMm: z.number().min(0.5, 'must be at least 0.5 mm').max(200, 'is wider than a spine gets'),
    coveragePercent: coverageByInk,
    totalInkPercent: z.number().min(0).max(400),
    ...artworkFields,
    smallestDistanceMm: z.number().min(0).max(500),
    perCarton: z.number().int().min(1).max(100_000),
  })
  .partial();
export type PaperbackWish = z.infer<typeof PaperbackWish>;

declare module '../product/job-spec' {
  interface Wishes {
    paperback: PaperbackWish;
  }
}
