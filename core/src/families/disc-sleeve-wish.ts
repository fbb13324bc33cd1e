import * as z from 'zod';
import { idText } from '../plant/plant-schema';
import { artworkFields } from '../product/artwork';
import { LININGS, SLEEVE_STYLES, USUAL_SLEEVE } from '../product/die-line/sleeve-ask';
import { coverageByInk, inkNames } from '../product/ink-names';

/** What lies over the inks, dried under lamps. */
export const SLEEVE_COATS = ['none', 'gloss', 'matt'] as const;
/** Whose the discs are. */
export const DISCS_FROM = ['customer', 'buy'] as const;

const outsideMm = (least: number, most: number): z.ZodNumber =>
  z.number().min(least, `must be at least ${least} mm`).max(most, `is larger than a tray gets (${most} mm at most)`);

/** What the order of a disc sleeve may say; all of it may be left out. Sizes are the outside of the tray, as its supplier's drawing has them. */
export const DiscSleeveWish = z
  .strictObject({
    style: z.enum(SLEEVE_STYLES),
    widthMm: outsideMm(60, 320),
    heightMm: outsideMm(60, 320),
    depthMm: outsideMm(1, 20),
    tray1: z.boolean(),
    tray2: z.boolean(),
    tray3: z.boolean(),
    lining: z.enum(LININGS),
    bookletMm: z.number().min(0).max(USUAL_SLEEVE.bookletMm, `is thicker than a pocket takes (${USUAL_SLEEVE.bookletMm} mm at most)`),
    discs: z.number().int().min(0).max(2, 'a sleeve holds two discs at most'),
    discsFrom: z.enum(DISCS_FROM),
    discCode: z.string().trim().max(60),
    shrink: z.boolean(),
    front: inkNames,
    coat: z.enum(SLEEVE_COATS),
    coveragePercent: coverageByInk,
    totalInkPercent: z.number().min(0).max(400),
    ...artworkFields,
    smallestDistanceMm: z.number().min(0).max(500),
    code: z.string().trim().max(60),
    lookAlike: z.string().trim().max(60),
    perCase: z.number().int().min(1).max(100_000),
    die: idText,
    grade: z.string().max(80),
  })
  .partial();
export type DiscSleeveWish = z.infer<typeof DiscSleeveWish>;

declare module '../product/job-spec' {
  interface Wishes {
    'disc-sleeve': DiscSleeveWish;
  }
}
