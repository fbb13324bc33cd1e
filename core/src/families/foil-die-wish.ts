import * as z from 'zod';

const imageMm = z.number().min(1, 'must be at least 1 mm').max(2_000, 'is longer than any sheet here');

/** What an order of hot-foil dies may say: the image they strike. All of it may be left out. */
export const FoilDieWish = z
  .strictObject({
    face: z.string().max(60),
    widthMm: imageMm,
    heightMm: imageMm,
    grade: z.string().max(80),
  })
  .partial();
export type FoilDieWish = z.infer<typeof FoilDieWish>;

/** What dies are made of where nothing is said. */
export const DIE_METAL = 'Die metal';

declare module '../product/job-spec' {
  interface Wishes {
    'foil-die': FoilDieWish;
  }
}
