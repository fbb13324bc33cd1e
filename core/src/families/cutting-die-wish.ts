import * as z from 'zod';

const sheetMm = z.number().min(50, 'must be at least 50 mm').max(2_000, 'is longer than any sheet here');
const metres = z.number().min(0).max(2_000, 'is more rule than a die holds');

/** What an order of a cutting die may say: the sheet it cuts, how many places, how much rule. All of it may be left out. */
export const CuttingDieWish = z
  .strictObject({
    name: z.string().max(120),
    places: z.number().int().min(1).max(500),
    sheetWidthMm: sheetMm,
    sheetHeightMm: sheetMm,
    cutM: metres,
    creaseM: metres,
    /** Of the board it cuts: its rules are chosen by it. */
    boardUm: z.number().min(50).max(5_000),
    grade: z.string().max(80),
  })
  .partial();
export type CuttingDieWish = z.infer<typeof CuttingDieWish>;

/** What the rules stand in where nothing is said. */
export const DIE_BOARD = 'Die board';
export const USUAL_CUTTING_DIE = { places: 12, sheetWidthMm: 1_060, sheetHeightMm: 670, cutM: 15, creaseM: 11, boardUm: 440 } as const;

declare module '../product/job-spec' {
  interface Wishes {
    'cutting-die': CuttingDieWish;
  }
}
