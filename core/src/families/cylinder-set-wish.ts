import * as z from 'zod';
import { DRIVES, ENGRAVING_WAYS, PRINTED_ON, READINGS } from '../product/roller';

const said = z.string().max(80);
/** Bounds of what is asked of a body, mm and µm. */
const bodyFields = {
  name: z.string().max(120),
  firstTurnMm: z.number().min(200, 'is at least 200 mm').max(2_000, 'is at most 2,000 mm'),
  faceMm: z.number().min(300, 'is at least 300 mm').max(3_000, 'is at most 3,000 mm'),
  bandMm: z.number().min(10, 'is at least 10 mm').max(3_000, 'is at most 3,000 mm'),
  hollow: z.boolean(),
  baseMm: z.number().min(50, 'is at least 50 mm').max(700, 'is at most 700 mm'),
  bodyKg: z.number().min(0).max(5_000, 'is more than a hoist lifts'),
  chromeUm: z.number().min(5, 'is at least 5 µm').max(12, 'is at most 12 µm'),
  owner: said,
  keeper: said,
  place: said,
  stock: said,
};
const row = z
  .strictObject({
    ink: said,
    station: z.number().int().min(1).max(20, 'is one of twenty stations'),
    version: said,
    way: z.enum(ENGRAVING_WAYS),
    linesPerCm: z.number().min(20, 'is at least 20 lines a centimetre').max(120, 'is at most 120 lines a centimetre'),
    angleDeg: z.number().min(30, 'is at least 30°').max(60, 'is at most 60°'),
    stylusDeg: z.number().min(110, 'is at least 110°').max(140, 'is at most 140°'),
    cellUm: z.number().min(20, 'is at least 20 µm').max(500, 'is at most 500 µm'),
    filmUm: z.number().min(0).max(60, 'is more than cells hold'),
    finestUm: z.number().min(0).max(5_000),
    typePt: z.number().min(0).max(72),
    base: said,
    baseMm: bodyFields.baseMm,
  })
  .partial();

/** What an order of printing cylinders may say: the set, and of each cylinder its ink, its screen and its base. All of it may be left out. */
export const CylinderSetWish = z
  .strictObject({
    ...bodyFields,
    stepUm: z.number().min(0, 'does not fall from station to station').max(40, 'is at most 40 µm'),
    rows: z.record(z.string().max(20), row).refine((rows) => Object.keys(rows).length <= 20, 'holds at most twenty cylinders'),
    reading: z.enum(READINGS),
    printedOn: z.enum(PRINTED_ON),
    drive: z.enum(DRIVES),
    ink: said,
    proofStock: said,
    proofInk: said,
    runTurns: z.number().int().min(0).max(100_000_000),
  })
  .partial();
export type CylinderSetWish = z.infer<typeof CylinderSetWish>;

const motifMm = z.number().min(1).max(3_000, 'is longer than a face');
/** What an order of a pair of embossing rollers may say. All of it may be left out. */
export const EmbossingPairWish = z
  .strictObject({
    ...bodyFields,
    plated: z.boolean(),
    teeth: z.number().int().min(10, 'has at least 10').max(500),
    motifs: z.number().int().min(1).max(10_000),
    motifWidthMm: motifMm,
    motifHeightMm: motifMm,
    motifPercent: z.number().min(1).max(99, 'leaves ground around the motif'),
    maleMm: z.number().min(0.05, 'is at least 0.05 mm').max(50),
    reliefMm: z.number().min(0.01, 'is at least 0.01 mm').max(3, 'is more than stock stretches'),
    caliperMm: z.number().min(0.03, 'is at least 0.03 mm').max(3, 'is thicker than a nip takes'),
  })
  .partial();
export type EmbossingPairWish = z.infer<typeof EmbossingPairWish>;

declare module '../product/job-spec' {
  interface Wishes {
    'cylinder-set': CylinderSetWish;
    'embossing-pair': EmbossingPairWish;
  }
}
