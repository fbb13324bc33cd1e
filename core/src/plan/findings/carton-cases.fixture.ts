import type { Plant } from '../../plant/plant';
import type { FoldingCartonWish } from '../../families/folding-carton-wish';
import { JobSpecSchema } from '../door';
import { LINDMOOR, SHELF } from '../line-1.fixture';
import { cartonSpec } from '../line-4.fixture';
import { plan } from '../plan';
import type { JobSpec } from '../../product/job-spec';

/* Cartons that fire a finding of line 4, and such as do not. */

const carton = (wish: Partial<FoldingCartonWish>): { spec: JobSpec } => ({ spec: JobSpecSchema.parse(cartonSpec(60_000, wish)) });
const practice = (key: string, value: number, unit: '1' | 'mm'): Plant => ({
  ...LINDMOOR,
  practice: { [key]: { value, pm: 0, unit, tag: 'own', source: 'test' } },
});
/** A works to which a new die comes after so many days. */
const days = (value: number): Plant => ({
  ...LINDMOOR,
  practice: { 'dieCut.leadDays': { value, pm: 0, unit: '1', tag: 'own', source: 'test' } },
});
const diePress = (more: object): Plant => ({
  ...LINDMOOR,
  machines: { ...LINDMOOR.machines, diepress2: { ...LINDMOOR.machines['diepress2']!, ...more } },
});
const tea = carton({});

/** The tea carton on an old die with two rows of four, one beside the other as rectangles. */
export function rectangles(quantity: number): { spec: JobSpec } {
  const spec = cartonSpec(quantity);
  const form = plan(spec, LINDMOOR, SHELF).forms['carton.blank']!;
  const first = form.layout!.cells[0]!;
  const rows = [0, 1].map((row) => ({ x: first.x, y: first.y + row * 255.32, nx: 4, ny: 1, dx: first.dx, dy: 0, turn: first.turn }));
  const layout = { 'carton.blank': { value: { cells: rows }, by: 'planner' as const, question: form.question } };
  return { spec: JobSpecSchema.parse({ ...spec, choices: { ...spec.choices, layout } }) };
}

export const CARTON_CASES = {
  'die.force': { level: 'release', fires: { ...tea, plant: diePress({ limits: { forceKn: 1_000 } }) }, silent: tea },
  'die.offCentre': {
    // A high carton with its lids on one side only is cut more at one end: on a small bed that is more than a twentieth of it.
    level: 'decide',
    fires: { ...carton({ style: 'autoBottom', lengthMm: 220, widthMm: 60, heightMm: 30 }), plant: diePress({ maxSheetMm: [1_080, 140] }) },
    silent: tea,
  },
  'die.late': {
    level: 'decide',
    // Due in twelve days, the die there in thirty.
    fires: { ...tea, plant: days(30), shelf: { ...SHELF, due: { i1: SHELF.asOf + 12 * 86_400 } } },
    // As late, and nobody waits for it.
    silent: { ...tea, plant: days(30) },
  },
  'die.newPays': { level: 'decide', fires: rectangles(200_000), silent: tea },
  'gripper.costsBlanks': {
    level: 'know',
    // 20 instead of 12 leave 634 mm; three rows want 637.08.
    fires: { ...tea, plant: diePress({ limits: { gripperMm: 20, tailMm: 10, forceKn: 2_600 } }) },
    silent: tea,
  },
  'blank.gapNarrow': {
    level: 'decide',
    fires: { ...cartonWithHammer(), plant: practice('breakOut.gapMm', 2, 'mm') },
    silent: tea,
  },
  'blank.bleed': { level: 'decide', fires: { ...tea, plant: practice('layout.blankGapMm', 2, 'mm') }, silent: tea },
  'carton.tuckLong': { level: 'release', fires: carton({ heightMm: 18 }), silent: carton({ heightMm: 20 }) },
  'carton.flapWide': { level: 'release', fires: carton({ flapMm: 24 }), silent: carton({ flapMm: 23 }) },
  'carton.autoBottomShort': {
    level: 'release',
    fires: carton({ style: 'autoBottom', lengthMm: 49 }),
    silent: carton({ style: 'autoBottom', lengthMm: 50 }),
  },
  'carton.rowsApart': { level: 'decide', fires: carton({ reliefMm: 2 }), silent: carton({ reliefMm: 2.5 }) },
  'emboss.nearLine': {
    level: 'decide',
    fires: carton({ reliefs: { r1: { name: 'leaf', widthMm: 30, heightMm: 24, xMm: 17, yMm: 110 } } }),
    silent: tea,
  },
  'glue.tooSmall': { level: 'release', fires: carton({ widthMm: 20 }), silent: tea },
  'glue.coldOnCoat': { level: 'decide', fires: carton({ coatOnGlue: true }), silent: carton({ coatOnGlue: true, coat: 'none' }) },
} as const;

function cartonWithHammer(): { spec: JobSpec } {
  const spec = cartonSpec();
  return { spec: JobSpecSchema.parse({ ...spec, choices: { ...spec.choices, settings: { 'carton.blank.die': { separate: 'hammer' } } } }) };
}
