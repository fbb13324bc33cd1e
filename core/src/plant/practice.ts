import type { Term } from '../quantity/figure';
import type { Plant, Practice } from './plant';
import { BOOK, PRACTICE, fixed, hours, range } from './practice-value';
import { OFFSET_PRACTICE } from '../processes/offset/practice';
import { DIGITAL_PRACTICE } from '../processes/digital/practice';
import { WEB_PRESS_PRACTICE } from '../processes/web-press/practice';
import { GRAVURE_PRACTICE } from '../processes/gravure/practice';
import { WIND_PRACTICE } from '../processes/wind/practice';
import { SLEEVE_PRACTICE } from '../processes/sleeve/practice';
import { ASSORT_PRACTICE } from '../processes/assort/practice';
import { CAMERA_PRACTICE } from '../processes/camera/practice';
import { FOIL_PRACTICE } from '../processes/foil/practice';
import { GUILLOTINE_PRACTICE } from '../processes/guillotine/practice';
import { SHEETER_PRACTICE } from '../processes/sheeter/practice';
import { ROLL_DIE_PRACTICE } from '../processes/roll-die/practice';
import { REWIND_PRACTICE } from '../processes/rewind/practice';
import { REJECT_PRACTICE } from '../processes/reject/practice';
import { FOLD_PRACTICE } from '../processes/fold/practice';
import { HANDS_PRACTICE } from '../processes/hands/practice';
import { STACK_PRACTICE } from '../processes/stack/practice';
import { PACK_PRACTICE } from '../processes/pack/practice';
import { EMBOSS_PRACTICE } from '../processes/emboss/practice';
import { COAT_PRACTICE } from '../processes/coat/practice';
import { INSERT_PRACTICE } from '../processes/insert/practice';
import { DIE_CUT_PRACTICE } from '../processes/die-cut/practice';
import { DIE_SHOP_PRACTICE } from '../processes/die-shop/practice';
import { CYLINDERS_PRACTICE } from '../processes/cylinders/practice';
import { BREAK_OUT_PRACTICE } from '../processes/break-out/practice';
import { GLUE_PRACTICE } from '../processes/glue/practice';
import { FOLD_SECTIONS_PRACTICE } from '../processes/fold-sections/practice';
import { FOLD_WEB_PRACTICE } from '../processes/fold-web/practice';
import { STITCH_PRACTICE } from '../processes/stitch/practice';
import { LAMINATE_PRACTICE } from '../processes/laminate/practice';
import { CASE_PRACTICE } from '../processes/case/practice';
import { SEWING_PRACTICE } from '../processes/sewing/practice';
import { ADHESIVE_BIND_PRACTICE } from '../processes/adhesive-bind/practice';
import { SAW_APART_PRACTICE } from '../processes/saw-apart/practice';
import { THREE_KNIFE_PRACTICE } from '../processes/three-knife/practice';

/** What the trade assumes until the plant says otherwise. Keys read room.what. */
export const PRACTICE_DEFAULTS = {
  // layout
  'layout.gripperMm': range(10, 12, 'mm', 'practice', PRACTICE),
  'layout.tailMm': fixed(8, 'mm', 'practice', PRACTICE),
  'layout.sideMm': fixed(5, 'mm', 'practice', PRACTICE),
  'layout.colourBarMm': fixed(6, 'mm', 'practice', PRACTICE),
  'layout.bleedMm': fixed(3, 'mm', 'practice', PRACTICE),
  'layout.labelBleedMm': fixed(1.5, 'mm', 'practice', 'labels 1.5 mm; common practice, no source'),
  'gang.dueDays': fixed(3, '1', 'practice', 'orders wait so many days for one another, 0 to 10; common practice, no source'),
  'board.latePerHour': fixed(30, 'money', 'practice', 'an hour that a job is late; house rule, the works’ own'),
  'board.heldPerHour': fixed(0.5, 'money', 'practice', 'an hour that a job lies begun; house rule, the works’ own'),
  'board.movedShift': fixed(20, 'money', 'practice', 'a bar moved that was to begin this shift; house rule, the works’ own'),
  'board.movedDay': fixed(10, 'money', 'practice', 'a bar moved that was to begin within a day; house rule, the works’ own'),
  'board.movedLater': fixed(3, 'money', 'practice', 'a bar moved that was to begin later; house rule, the works’ own'),
  'board.frozenS': fixed(hours(2), 's', 'practice', 'what begins within so long stays; house rule, the works’ own'),
  'board.growthMoney': fixed(
    100,
    'money',
    'practice',
    'lateness grown by so much since the board was accepted asks for another order; house rule, the works’ own',
  ),
  'board.paperS': fixed(300, 's', 'practice', 'feeder and delivery set for another paper or size; common practice, no source'),
  'board.reserveS': fixed(hours(4), 's', 'practice', 'a job with less to spare is at risk; house rule, the works’ own'),
  'layout.blankGapMm': fixed(3, 'mm', 'practice', 'narrower waste breaks in the stripper; common practice, no source'),
  'layout.edgeTrimMm': fixed(10, 'mm', 'practice', PRACTICE),
  'layout.labelEdgeMm': fixed(5, 'mm', 'practice', PRACTICE),
  'layout.gearPitchMm': fixed(3.175, 'mm', 'practice', 'circular pitch 1/8 in, usual on label presses; common practice, no source'),
  'roll.lengthsDifferPpm': fixed(30_000, 'ppm', 'practice', 'mass and diameter should agree within 3 %; common practice, no source'),
  'film.surfaceMnPerM': fixed(38, '1', 'book', 'mN/m a lamp-dried or water-based ink asks of a film; handbook, from memory'),
  'layout.textDistanceMm': fixed(3, 'mm', 'practice', PRACTICE),
  // forms
  'plate.imagingS': range(90, 240, 's', 'practice', 'medium format 1.5 to 4 min; common practice, no source'),
  'plate.wedgeS': fixed(120, 's', 'practice', PRACTICE),
  'plate.lifeCycles': range(100_000, 300_000, 'cycle', 'book', BOOK),
  'plate.lampInkFactor': range(0.3, 0.5, '1', 'book', BOOK),
  'plate.price': fixed(9.5, 'money', 'invented', 'invented for the demo: put in your own price'),
  'foilDie.pricePerCm2': fixed(1.2, 'money', 'invented', 'invented for the demo: put in your own price'),
  'foilDie.priceEach': fixed(18, 'money', 'invented', 'invented for the demo: put in your own price'),
  'foilDie.lifeCycles': fixed(500_000, 'cycle', 'practice', PRACTICE),
  'foilDie.marginMm': fixed(5, 'mm', 'practice', 'metal left around the image to hold the die by; common practice, no source'),
  'foilDie.depthMm': range(0.8, 1.2, 'mm', 'practice', 'metal taken away around the image of a foil die; common practice, no source'),
  'foilDie.kerfMm': fixed(3, 'mm', 'practice', PRACTICE),
  'foilDie.engravePerCm2S': {
    value: 45,
    pm: 15,
    unit: 's',
    tag: 'practice',
    source: 'milling fine lines in brass; common practice, no source',
  },
  'foilDie.lookS': fixed(600, 's', 'practice', 'ten minutes a die under the loupe; common practice, no source'),
  // ink and foil
  'ink.filmGsm': range(0.8, 1.5, 'g/m²', 'book', 'wet film of an offset solid; handbook range, from memory'),
  'ink.coveragePercent': {
    value: 25,
    pm: 10,
    unit: '%',
    tag: 'practice',
    source: 'coverage before artwork is a guess of ±40 %; common practice, no source',
  },
  'ink.fillKg': range(0.4, 1, 'kg', 'book', 'fill of duct and rollers of one unit; handbook range, from memory'),
  'ink.washKg': fixed(0.1, 'kg', 'practice', PRACTICE),
  // losses: setup in cycles, running in parts per million, samples in cycles
  'setup.repeatFactor': fixed(0.6, '1', 'practice', 'repeat work has smaller setups; common practice, no source'),
  // risk
  'risk.variation': fixed(0.75, '1', 'book', 'losses spread from job to job by half to all of their mean; handbook, from memory'),
  'risk.allowanceShare': fixed(0.85, '1', 'practice', 'a handbook allowance suffices in 85 of 100 jobs; common practice, no source'),
  'risk.wish': fixed(0.85, '1', 'practice', 'of 100 jobs 85 are to come out without a reserve; common practice, no source'),
  // finishing
  'versions.clearanceS': range(300, 900, 's', 'practice', PRACTICE),
  // waits on the clock
  'wait.turnS': range(hours(2), hours(6), 's', 'practice', 'oil-based ink on coated: turn after 2 to 6 h; common practice, no source'),
  'wait.foilS': range(hours(24), hours(48), 's', 'practice', 'foil over oil ink 24 to 48 h; common practice, no source'),
  'wait.cutS': range(hours(12), hours(24), 's', 'practice', 'cut or fold after 12 to 24 h; common practice, no source'),
  'wait.cutHeavyS': range(hours(24), hours(48), 's', 'practice', 'matt or heavy solids 24 to 48 h; common practice, no source'),
  'wait.cutCoatedS': range(hours(1), hours(4), 's', 'practice', 'under a water-based coat 1 to 4 h; common practice, no source'),
  'wait.conditionS': fixed(
    hours(24),
    's',
    'practice',
    'board takes on the climate of the pressroom in its wrapping; common practice, no source',
  ),
  // money
  'envelope.price': fixed(0.09, 'money', 'invented', 'invented for the demo: put in your own price'),
  'piece.price': fixed(0.05, 'money', 'invented', 'invented for the demo: put in your own price'),
  // of a kind of work alone: beside it
  ...OFFSET_PRACTICE,
  ...DIGITAL_PRACTICE,
  ...WEB_PRESS_PRACTICE,
  ...GRAVURE_PRACTICE,
  ...WIND_PRACTICE,
  ...SLEEVE_PRACTICE,
  ...ASSORT_PRACTICE,
  ...CAMERA_PRACTICE,
  ...FOIL_PRACTICE,
  ...GUILLOTINE_PRACTICE,
  ...SEWING_PRACTICE,
  ...CASE_PRACTICE,
  ...SHEETER_PRACTICE,
  ...ROLL_DIE_PRACTICE,
  ...REWIND_PRACTICE,
  ...REJECT_PRACTICE,
  ...FOLD_PRACTICE,
  ...HANDS_PRACTICE,
  ...STACK_PRACTICE,
  ...PACK_PRACTICE,
  ...COAT_PRACTICE,
  ...EMBOSS_PRACTICE,
  ...DIE_CUT_PRACTICE,
  ...DIE_SHOP_PRACTICE,
  ...CYLINDERS_PRACTICE,
  ...BREAK_OUT_PRACTICE,
  ...GLUE_PRACTICE,
  ...INSERT_PRACTICE,
  ...FOLD_SECTIONS_PRACTICE,
  ...STITCH_PRACTICE,
  ...LAMINATE_PRACTICE,
  ...ADHESIVE_BIND_PRACTICE,
  ...SAW_APART_PRACTICE,
  ...THREE_KNIFE_PRACTICE,
  ...FOLD_WEB_PRACTICE,
} as const satisfies Record<string, Practice>;

export type PracticeKey = keyof typeof PRACTICE_DEFAULTS;

/** The plant's own value where it has one, else the trade's default. */
export function practiceOf(plant: Pick<Plant, 'practice'>, key: PracticeKey): Practice {
  return (Object.hasOwn(plant.practice, key) ? plant.practice[key] : undefined) ?? PRACTICE_DEFAULTS[key];
}

/** A practice value as a term of a figure: a guess when it has a width, a standard or the plant's own otherwise. */
export function practiceTerm(plant: Pick<Plant, 'practice'>, key: PracticeKey): Term {
  const { value, pm, unit, tag } = practiceOf(plant, key);
  return { value, unit, from: pm > 0 ? 'guess' : tag === 'std' ? 'standard' : 'plant', at: `practice:${key}`, ...(pm > 0 && { pm }) };
}

/** A practice value alone. */
export const practiceValue = (plant: Pick<Plant, 'practice'>, key: PracticeKey): number => practiceOf(plant, key).value;
