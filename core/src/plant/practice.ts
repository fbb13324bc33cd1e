import type { Term } from '../quantity/figure';
import type { Plant, Practice } from './plant';

/** A range [a to b]: default = its middle, half-width of the guess = half the range (trade rule for defaults). */
const range = (a: number, b: number, unit: Practice['unit'], tag: Practice['tag'], source: string): Practice => ({
  value: (a + b) / 2,
  pm: (b - a) / 2,
  unit,
  tag,
  source,
});
const fixed = (value: number, unit: Practice['unit'], tag: Practice['tag'], source: string): Practice => ({
  value,
  pm: 0,
  unit,
  tag,
  source,
});
const BOOK = 'handbook range, from memory';
const PRACTICE = 'common practice, no source';
const hours = (h: number): number => h * 3600;

/** What the trade assumes until the plant says otherwise. Keys read room.what. */
export const PRACTICE_DEFAULTS = {
  // layout
  'layout.gripperMm': range(10, 12, 'mm', 'practice', PRACTICE),
  'layout.tailMm': fixed(8, 'mm', 'practice', PRACTICE),
  'layout.sideMm': fixed(5, 'mm', 'practice', PRACTICE),
  'layout.colourBarMm': fixed(6, 'mm', 'practice', PRACTICE),
  'layout.bleedMm': fixed(3, 'mm', 'practice', PRACTICE),
  'layout.labelBleedMm': fixed(1.5, 'mm', 'practice', 'labels 1.5 mm; common practice, no source'),
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
  'foil.gapMm': fixed(3, 'mm', 'practice', PRACTICE),
  'foil.marginMm': fixed(5, 'mm', 'practice', PRACTICE),
  'foil.pricePerM2': fixed(0.9, 'money', 'invented', 'invented for the demo: put in your own price'),
  'foil.toPrintMm': range(0.2, 0.3, 'mm', 'practice', PRACTICE),
  // losses: setup in cycles, running in parts per million, samples in cycles
  'offset.setupFourSheets': range(150, 300, 'cycle', 'book', 'four-colour form; handbook range, from memory'),
  'offset.setupUnitSheets': range(25, 50, 'cycle', 'book', 'each further unit; handbook range, from memory'),
  'offset.setupSamePlates': fixed(
    0,
    '1',
    'practice',
    'second pass from the same form: it stands, inked and in register; common practice, no source',
  ),
  'offset.runningPpm': range(10_000, 30_000, 'ppm', 'book', BOOK),
  'offset.samples': fixed(10, 'cycle', 'practice', PRACTICE),
  'digital.setupSheets': fixed(5, 'cycle', 'practice', PRACTICE),
  'digital.runningPpm': { value: 5_000, pm: 3_000, unit: 'ppm', tag: 'practice', source: PRACTICE },
  'digital.perSide': fixed(0.09, 'money', 'invented', 'invented for the demo: put in your own price'),
  'foil.setupSheets': range(30, 100, 'cycle', 'book', BOOK),
  'foil.runningPpm': range(10_000, 20_000, 'ppm', 'book', BOOK),
  'guillotine.setupSheets': fixed(5, 'cycle', 'practice', PRACTICE),
  'guillotine.runningPpm': { value: 2_000, pm: 2_000, unit: 'ppm', tag: 'practice', source: PRACTICE },
  'fold.setupSheets': range(20, 50, 'cycle', 'book', BOOK),
  'fold.runningPpm': { value: 5_000, pm: 2_500, unit: 'ppm', tag: 'book', source: BOOK },
  'hands.setupPieces': fixed(3, 'cycle', 'practice', PRACTICE),
  'hands.runningPpm': { value: 3_000, pm: 2_000, unit: 'ppm', tag: 'practice', source: PRACTICE },
  'hands.pieceSpoilPpm': fixed(5_000, 'ppm', 'practice', PRACTICE),
  'pack.runningPpm': fixed(0, 'ppm', 'practice', PRACTICE),
  'web.setupMetres': range(50, 150, 'm', 'book', 'label presses 50 to 150 m a set; handbook range, from memory'),
  'web.spliceMetres': range(10, 30, 'm', 'practice', 'splice waste 10 to 30 m a roll; common practice, no source'),
  'web.coreWasteMetres': fixed(5, 'm', 'practice', PRACTICE),
  'web.runningPpm': range(10_000, 30_000, 'ppm', 'practice', 'as sheet-fed offset; common practice, no source'),
  'sheeter.setupMetres': range(10, 30, 'm', 'practice', PRACTICE),
  'sheeter.runningPpm': { value: 3_000, pm: 2_000, unit: 'ppm', tag: 'practice', source: PRACTICE },
  'rollDie.setupMetres': range(10, 30, 'm', 'practice', PRACTICE),
  'rollDie.runningPpm': { value: 3_000, pm: 2_000, unit: 'ppm', tag: 'practice', source: PRACTICE },
  'rollDie.faceShare': range(0.5, 0.65, '1', 'practice', 'face and adhesive in the mass of a laminate; common practice, no source'),
  'rollDie.diePrice': fixed(160, 'money', 'invented', 'invented for the demo: put in your own price'),
  'reject.runningPpm': { value: 10_000, pm: 6_000, unit: 'ppm', tag: 'practice', source: PRACTICE },
  'reject.samples': fixed(5, 'cycle', 'practice', PRACTICE),
  'setup.repeatFactor': fixed(0.6, '1', 'practice', 'repeat work has smaller setups; common practice, no source'),
  // risk
  'risk.variation': fixed(0.75, '1', 'book', 'losses spread from job to job by half to all of their mean; handbook, from memory'),
  'risk.allowanceShare': fixed(0.85, '1', 'practice', 'a handbook allowance suffices in 85 of 100 jobs; common practice, no source'),
  'risk.wish': fixed(0.85, '1', 'practice', 'of 100 jobs 85 are to come out without a reserve; common practice, no source'),
  // finishing
  'guillotine.liftMm': fixed(100, 'mm', 'practice', 'lifts of about 100 mm; common practice, no source'),
  'guillotine.softLiftMm': fixed(60, 'mm', 'practice', 'soft or laminated; common practice, no source'),
  'guillotine.cutS': fixed(35, 's', 'practice', 'handling per cut; common practice, no source'),
  'guillotine.loadS': fixed(360, 's', 'practice', 'loading per lift; common practice, no source'),
  'fold.scoreAboveGsm': range(170, 200, 'g/m²', 'practice', PRACTICE),
  'fold.gapMm': range(60, 120, 'mm', 'practice', PRACTICE),
  'hands.restShare': range(0.1, 0.15, '1', 'practice', PRACTICE),
  'hands.insertS': { value: 6, pm: 2, unit: 's', tag: 'practice', source: PRACTICE },
  'hands.sealS': { value: 3, pm: 1, unit: 's', tag: 'practice', source: PRACTICE },
  'versions.clearanceS': range(300, 900, 's', 'practice', PRACTICE),
  'pack.bandS': { value: 4, pm: 1, unit: 's', tag: 'practice', source: PRACTICE },
  'pack.cartonS': { value: 40, pm: 10, unit: 's', tag: 'practice', source: PRACTICE },
  'pack.palletS': { value: 600, pm: 120, unit: 's', tag: 'practice', source: PRACTICE },
  'pack.cartonKg': fixed(12, 'kg', 'practice', 'a carton one person lifts often; common practice, no source'),
  'pack.cartonPrice': fixed(0.85, 'money', 'invented', 'invented for the demo: put in your own price'),
  'pack.palletPrice': fixed(11, 'money', 'invented', 'invented for the demo: put in your own price'),
  'pack.palletKg': fixed(1_000, 'kg', 'practice', PRACTICE),
  'pack.palletHeightMm': fixed(1_800, 'mm', 'practice', PRACTICE),
  'camera.toleranceMm': range(0.1, 0.15, 'mm', 'practice', 'labels 0.1 to 0.15 mm; common practice, no source'),
  'reject.secondsEach': { value: 4, pm: 2, unit: 's', tag: 'practice', source: PRACTICE },
  'stack.wrapS': { value: 12, pm: 4, unit: 's', tag: 'practice', source: PRACTICE },
  'stack.filmPrice': fixed(0.06, 'money', 'invented', 'invented for the demo: put in your own price'),
  'rewind.secondsEach': { value: 25, pm: 8, unit: 's', tag: 'practice', source: PRACTICE },
  'rewind.corePrice': fixed(0.12, 'money', 'invented', 'invented for the demo: put in your own price'),
  // waits on the clock
  'wait.turnS': range(hours(2), hours(6), 's', 'practice', 'oil-based ink on coated: turn after 2 to 6 h; common practice, no source'),
  'wait.foilS': range(hours(24), hours(48), 's', 'practice', 'foil over oil ink 24 to 48 h; common practice, no source'),
  'wait.cutS': range(hours(12), hours(24), 's', 'practice', 'cut or fold after 12 to 24 h; common practice, no source'),
  'wait.cutHeavyS': range(hours(24), hours(48), 's', 'practice', 'matt or heavy solids 24 to 48 h; common practice, no source'),
  'wait.cutCoatedS': range(hours(1), hours(4), 's', 'practice', 'under a water-based coat 1 to 4 h; common practice, no source'),
  // money
  'envelope.price': fixed(0.09, 'money', 'invented', 'invented for the demo: put in your own price'),
  'piece.price': fixed(0.05, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;

export type PracticeKey = keyof typeof PRACTICE_DEFAULTS;

/** The plant's own value where it has one, else the trade's default. */
export function practiceOf(plant: Plant, key: PracticeKey): Practice {
  return (Object.hasOwn(plant.practice, key) ? plant.practice[key] : undefined) ?? PRACTICE_DEFAULTS[key];
}

/** A practice value as a term of a figure: a guess when it has a width, a standard or the plant's own otherwise. */
export function practiceTerm(plant: Plant, key: PracticeKey): Term {
  const { value, pm, unit, tag } = practiceOf(plant, key);
  return { value, unit, from: pm > 0 ? 'guess' : tag === 'std' ? 'standard' : 'plant', at: `practice:${key}`, ...(pm > 0 && { pm }) };
}

/** A practice value alone. */
export const practiceValue = (plant: Plant, key: PracticeKey): number => practiceOf(plant, key).value;
