import { JobSpecSchema } from '../door';
import { SHELF } from '../line-1.fixture';
import { drawerCylinders } from '../line-15.fixture';
import type { CylinderSetWish } from '../../families/cylinder-set-wish';
import type { Shelf } from '../../plant/plant';
import type { JobSpec } from '../../product/job-spec';

/* Sets of cylinders that fire a finding of line 15, and such as do not. */

type Case = { spec: JobSpec; shelf?: Shelf };
const set = (wish: CylinderSetWish = {}, shelf?: Partial<Shelf>): Case => ({
  spec: JobSpecSchema.parse(drawerCylinders(wish)),
  ...(shelf && { shelf: { ...SHELF, ...shelf } }),
});
/** One cylinder on a new base. */
const one = (row: NonNullable<CylinderSetWish['rows']>[string]): Case => set({ baseMm: 159 - 0.6, rows: { r1: { ink: 'red', ...row } } });
const drawer = set();
const ground = (diameter: number): Partial<Shelf> => ({
  measured: { 'cylinders.r1.grind.r1': { diameter: { value: diameter, by: 'Ida' } } },
});
const signed = (release: string): Partial<Shelf> => ({
  signed: { 'cylinders.r1.stylus.r4': ['Ida'], 'cylinders.r1.release': [release] },
});
/** So many cylinders that one of them is likely made again. */
const many: CylinderSetWish = { rows: Object.fromEntries(Array.from({ length: 9 }, (_, i) => [`r${i + 1}`, { ink: `ink ${i + 1}` }])) };

export const CYLINDER_CASES = {
  'cylinders.bodyOver': { level: 'release', fires: set({ faceMm: 2_100 }), silent: set({ faceMm: 1_800 }) },
  'cylinders.baseUnfit': { level: 'release', fires: set({ firstTurnMm: 499 }), silent: drawer },
  'cylinders.bandWide': { level: 'release', fires: set({ bandMm: 1_420 }), silent: drawer },
  'cylinders.stepFalls': { level: 'release', fires: set({ stepUm: 0 }), silent: set({ stepUm: 0, drive: 'single' }) },
  'cylinders.stationTwice': {
    level: 'release',
    fires: set({ rows: { r1: { ink: 'gold', station: 2 }, r2: { ink: 'red', station: 2 } } }),
    silent: set({ rows: { r1: { ink: 'gold', station: 2 }, r2: { ink: 'red', station: 1 } } }),
  },
  'cylinders.artworkFine': {
    level: 'decide',
    fires: one({ typePt: 4, finestUm: 80 }),
    silent: one({ typePt: 3, finestUm: 30, way: 'etch' }),
  },
  'cylinders.readingWrong': {
    level: 'release',
    fires: set({ printedOn: 'filmBack' }),
    silent: set({ printedOn: 'filmBack', reading: 'right' }),
  },
  'cylinders.filmOff': { level: 'decide', fires: one({ filmUm: 6 }), silent: one({ filmUm: 4.5 }) },
  'cylinders.wallThin': { level: 'decide', fires: one({ linesPerCm: 70, cellUm: 198 }), silent: one({ linesPerCm: 70, cellUm: 190 }) },
  'cylinders.proofElse': {
    level: 'decide',
    fires: set({ stock: 'Matt 70', proofStock: 'Gloss 90', ink: 'series 4', proofInk: 'series 2' }),
    silent: set({ stock: 'Matt 70', proofStock: 'Matt 70' }),
  },
  'cylinders.remakeLikely': {
    level: 'know',
    fires: set(many, { due: { i1: SHELF.asOf + 54 * 3_600 } }),
    silent: set(many, { due: { i1: SHELF.asOf + 60 * 86_400 } }),
  },
  'cylinders.lifeShort': { level: 'decide', fires: set({ runTurns: 1_000_000 }), silent: set({ runTurns: 900_000 }) },
  // Ground to 159.1389, ±0.010.
  'measure.off': { level: 'start', fires: set({}, ground(159.15)), silent: set({}, ground(159.145)) },
  'release.own': { level: 'close', fires: set({}, signed('Ida')), silent: set({}, signed('Odo')) },
} as const satisfies Record<string, { level: string; fires: Case; silent: Case }>;
