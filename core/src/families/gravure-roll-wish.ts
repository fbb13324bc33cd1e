import * as z from 'zod';
import { artworkFields } from '../product/artwork';
import { coverageByInk, inkNames } from '../product/ink-names';
import { PRINT_WAYS, PRINTED_SIDES, ROLL_CUTS } from '../product/wound-roll';

/** What an order of rolls printed by gravure may say; its designs are the versions of the order. All of it may be left out. */
export const GravureRollWish = z
  .strictObject({
    lengthM: z.number().min(0.5, 'is at least 0.5 m').max(200, 'is at most 200 m'),
    overPercent: z.number().min(0).max(20, 'is more than anybody gives away'),
    widthMm: z.number().min(100, 'is at least 100 mm').max(1_600, 'is wider than a web (1,600 mm at most)'),
    turnMm: z.number().min(200, 'is at least 200 mm').max(2_000, 'is at most 2,000 mm'),
    coreMm: z.number().min(20, 'is at least 20 mm').max(80, 'is at most 80 mm'),
    printedSide: z.enum(PRINTED_SIDES),
    alike: z.boolean(),
    cut: z.enum(ROLL_CUTS),
    printed: z.enum(PRINT_WAYS),
    inks: inkNames,
    coveragePercent: coverageByInk,
    totalInkPercent: z.number().min(0).max(400),
    smallestDistanceMm: z.number().min(0).max(500),
    ...artworkFields,
    trapMm: z.number().min(0).max(2, 'is wider than a gap'),
    grade: z.string().max(80),
    child: z.boolean(),
    food: z.boolean(),
    sleeveUm: z.number().min(12, 'is at least 12 µm').max(30, 'is at most 30 µm'),
    label: z.boolean(),
    aBox: z.number().int().min(2, 'is at least 2').max(1_000, 'is more than a box holds'),
    perCarton: z.number().int().min(1).max(100_000),
  })
  .partial();
export type GravureRollWish = z.infer<typeof GravureRollWish>;

/** An order of rolls with what counts where it says nothing. */
export const wishedRoll = (wish: GravureRollWish) => ({
  lengthM: wish.lengthM ?? 2,
  overPercent: wish.overPercent ?? 1,
  widthMm: wish.widthMm ?? 700,
  turnMm: wish.turnMm ?? 500,
  coreMm: wish.coreMm ?? 0,
  printedSide: wish.printedSide ?? 'out',
  alike: wish.alike ?? false,
  cut: wish.cut ?? 'length',
  printed: wish.printed ?? 'surface',
  sleeveUm: wish.sleeveUm ?? 0,
  label: wish.label ?? false,
  aBox: wish.aBox ?? 0,
  inks: wish.inks ?? ['gold', 'yellow', 'red', 'blue', 'black'],
});

declare module '../product/job-spec' {
  interface Wishes {
    'gravure-roll': GravureRollWish;
  }
}
