import * as z from 'zod';
import { FASTNESS, type Fastness } from '../plant/fastness';

/** What is known of the artwork, and what the print must stand. */
export interface Artwork {
  /** Smallest type in points, and out of how many inks it is reversed. */
  smallestTypePt?: number | undefined;
  typeInks?: number | undefined;
  finestLineMm?: number | undefined;
  finestOverprintMm?: number | undefined;
  screenPerCm?: number | undefined;
  coatOnGlue?: boolean | undefined;
  stands?: Fastness[] | undefined;
}

const detailMm = z.number().min(0.01, 'must be at least 0.01 mm').max(100, 'is no fine detail');
/** The fields of a wish that tell of the artwork: every printed family has them. */
export const artworkFields = {
  smallestTypePt: z.number().min(1, 'must be at least 1 point').max(200, 'is no small type'),
  typeInks: z.number().int().min(1, 'is one ink at least').max(10),
  finestLineMm: detailMm,
  finestOverprintMm: detailMm,
  screenPerCm: z.number().min(10, 'must be at least 10 lines a centimetre').max(300),
  coatOnGlue: z.boolean(),
  stands: z.array(z.enum(FASTNESS, { error: 'may name light, lye, fat and heat' })).max(FASTNESS.length),
} as const;

/** What a wish says of the artwork; null where it says nothing. */
export function artworkOf(wish: Artwork): Artwork | null {
  const { smallestTypePt, typeInks, finestLineMm, finestOverprintMm, screenPerCm, coatOnGlue, stands } = wish;
  const said = { smallestTypePt, typeInks, finestLineMm, finestOverprintMm, screenPerCm, coatOnGlue, stands };
  const known = Object.entries(said).filter(([, v]) => v !== undefined);
  return known.length === 0 ? null : Object.fromEntries(known);
}
