import { idOf } from '../quantity/id-of';
import { machinesFor, type Plant } from '../plant/plant';
import { practiceValue } from '../plant/practice';
import { IN_TURN } from '../layout/rolls-on-web-layouter';
import { relaxedRepeatMm, repeatsInLength, TURNS_A_ROLL } from '../layout/web-repeat';
import type { Part } from '../product/part';
import { PRINT_WAYS, PRINTED_SIDES, ROLL_CUTS } from '../product/wound-roll';
import { ARTWORK_FIELDS, ARTWORK_WORDS } from './artwork-fields';
import { hasWorks, type Family, type RouteStone, type Way } from './family';
import { gravureRollPicture } from './gravure-roll-picture';
import { GravureRollWish, wishedRoll } from './gravure-roll-wish';
import { printedOf } from './printed';

/** Papers for it are 40 to 120 g/m², on rolls that a gravure press takes. */
const isPaperForIt = (gsm: number): boolean => gsm >= 40 && gsm <= 120;
function gradesFor(plant: Pick<Plant, 'stocks' | 'machines'>): string[] {
  const presses = machinesFor(plant, 'gravure').map(([, m]) => m.limits);
  const grades = Object.entries(plant.stocks)
    .filter(([, s]) => s.form === 'roll' && !s.laminate && isPaperForIt(s.gsm))
    .filter(([, s]) => presses.some(({ minWebMm = 0, maxWebMm = Infinity }) => s.widthMm >= minWebMm && s.widthMm <= maxWebMm))
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, s]) => s.grade);
  return [...new Set(grades)];
}
const usualGrade = (plant: Pick<Plant, 'stocks' | 'machines'>): string => gradesFor(plant)[0] ?? 'Gravure paper 60';
/** Caliper of the paper a picture is drawn with where nobody knows it yet. */
const USUAL_CALIPER_UM = 75;

/** Turns of cylinders that a works keeps bases for: four, five and three to two metres. */
const TURNS = [
  { says: 'way.turn400', turnMm: 400 },
  { says: 'way.turn500', turnMm: 500 },
  { says: 'way.turn667', turnMm: 2_000 / 3 },
] as const;

const says = (words: Record<string, string>, values: readonly string[]) => () =>
  values.map((value) => ({ value, says: words[value] ?? value }));

/** Line 12: rolls of drawer paper or gift wrap, printed by gravure, wound off mother reels, sleeved; designs side by side or in turn, and brought together in boxes. */
export const gravureRoll: Family<'gravure-roll'> = {
  id: 'gravure-roll',
  product: 'rolls',
  words: {
    name: 'Printed rolls by gravure',
    hint: 'drawer paper or gift wrap: printed from cylinders, wound off mother reels, sleeved, designs mixed in boxes',
    pieces: 'rolls',
    stones: {
      stock: 'Paper rolls',
      print: 'Print by gravure',
      wind: 'Wind',
      sleeve: 'Sleeve',
      assort: 'Assort',
      pack: 'Pack',
    },
    fields: {
      lengthM: 'Length of a roll, m',
      overPercent: 'May be longer by',
      widthMm: 'Roll width',
      turnMm: 'One turn of the first cylinder',
      coreMm: 'Tube, outside',
      printedSide: 'Printed side',
      alike: 'Pattern begins alike on every roll',
      cut: 'Cut',
      printed: 'Print',
      inks: 'Inks in printing order',
      coveragePercent: 'Coverage',
      totalInkPercent: 'Total ink',
      smallestDistanceMm: 'Smallest distance to an edge',
      ...ARTWORK_WORDS,
      trapMm: 'Trap',
      grade: 'Paper',
      child: 'For children',
      food: 'Touches food',
      sleeveUm: 'Shrink film, µm',
      label: 'Label on it',
      aBox: 'Rolls of all designs in a mixed box',
      perCarton: 'Rolls a carton',
    },
  },
  wish: GravureRollWish,
  fields: [
    { key: 'lengthM', kind: 'number', onPicture: 'height' },
    { key: 'overPercent', kind: 'percent' },
    { key: 'widthMm', kind: 'length', onPicture: 'width' },
    { key: 'turnMm', kind: 'length', onPicture: 'height' },
    { key: 'coreMm', kind: 'length', mayBeOff: true },
    { key: 'printedSide', kind: 'choice', options: says({ out: 'out', in: 'in' }, PRINTED_SIDES) },
    { key: 'alike', kind: 'flag' },
    { key: 'cut', kind: 'choice', options: says({ length: 'by length', mark: 'at the mark' }, ROLL_CUTS) },
    { key: 'printed', kind: 'choice', options: says({ surface: 'on the surface', reverse: 'in reverse on clear film' }, PRINT_WAYS) },
    { key: 'inks', kind: 'inks' },
    {
      key: 'grade',
      kind: 'choice',
      options: (plant) => [...new Set([usualGrade(plant), ...gradesFor(plant)])].map((g) => ({ value: g, says: g })),
    },
    { key: 'child', kind: 'flag' },
    { key: 'food', kind: 'flag' },
    { key: 'sleeveUm', kind: 'number', mayBeOff: true },
    { key: 'label', kind: 'flag' },
    { key: 'aBox', kind: 'count', mayBeOff: true },
    { key: 'perCarton', kind: 'count', mayBeOff: true },
    { key: 'trapMm', kind: 'length' },
    { key: 'smallestDistanceMm', kind: 'length' },
    { key: 'totalInkPercent', kind: 'percent' },
    ...ARTWORK_FIELDS,
  ],
  starts: {
    lengthM: 2,
    overPercent: 1,
    widthMm: 700,
    turnMm: 500,
    coreMm: 32,
    printedSide: 'out',
    alike: false,
    cut: 'length',
    printed: 'surface',
    inks: ['gold', 'yellow', 'red', 'blue', 'black'],
    sleeveUm: 15,
    label: true,
  },

  picture(wish, drawn) {
    const paper = hasWorks(drawn) ? Object.values(drawn.stocks).find((s) => s.form === 'roll' && s.grade === wish.grade) : undefined;
    return gravureRollPicture(wish, paper?.caliperUm ?? USUAL_CALIPER_UM);
  },

  parts({ product, item }, wish, plant) {
    const id = idOf(product, 'web');
    const { lengthM, widthMm, inks, ...roll } = wishedRoll(wish);
    const strainPpm = practiceValue(plant, 'gravure.strainPpm');
    const repeatMm = relaxedRepeatMm({ firstTurnMm: roll.turnMm, strainPpm });
    const lengthMm = lengthM * 1_000;
    const part: Part = {
      id,
      product,
      item,
      role: 'web',
      layouter: 'rollsOnWeb',
      widthMm,
      heightMm: lengthMm,
      bleedMm: 0,
      leaves: 1,
      grainAlong: null,
      colours: [[...inks], []],
      ...printedOf(wish),
      grade: wish.grade ?? usualGrade(plant),
      food: wish.food ?? false,
      traits: {
        // Turns of the press on a roll: whole ones where it is cut at the mark.
        pieces: roll.cut === 'mark' ? repeatsInLength(lengthMm, repeatMm) : TURNS_A_ROLL.of({ lengthMm, turnMm: roll.turnMm }),
        wound: {
          ...roll,
          lengthMm,
          solventLimit: (wish.child ?? false) || (wish.food ?? false),
          trapMm: wish.trapMm ?? practiceValue(plant, 'gravure.trapMm'),
        },
        ...(wish.perCarton !== undefined && { packed: { perCarton: wish.perCarton } }),
      },
    };
    return { [id]: part };
  },

  route(_wish, parts): RouteStone[] {
    const [part] = Object.values(parts);
    const roll = part?.traits?.wound;
    if (!part || !roll) return [];
    const stone = (key: string, process: string, when = true): RouteStone[] =>
      when ? [{ key, process, of: [part.id], settings: {} }] : [];
    return [
      ...stone('stock', 'pullRoll'),
      ...stone('print', 'gravure'),
      ...stone('wind', 'wind'),
      ...stone('sleeve', 'sleeve', roll.sleeveUm > 0),
      ...stone('assort', 'assort', roll.aBox > 0),
      ...stone('pack', 'pack', roll.aBox === 0),
    ];
  },

  ways(wish, { settings }): Way<GravureRollWish>[] {
    const roll = wishedRoll(wish);
    const designs = Object.values(settings).flatMap((s) => ('designs' in s ? [s['designs']] : []))[0];
    const isWater = Object.values(settings).some((s) => s['water'] === 'yes');
    return [
      ...(designs === IN_TURN ? [] : [{ says: 'way.inTurn', settings: { print: { designs: IN_TURN } } }]),
      ...(designs === 'beside' ? [] : [{ says: 'way.beside', settings: { print: { designs: 'beside' } } }]),
      ...TURNS.filter(({ turnMm }) => Math.abs(turnMm - roll.turnMm) > 1).map(({ says, turnMm }) => ({ says, wish: { turnMm } })),
      ...(roll.coreMm > 0 ? [{ says: 'way.noCore', wish: { coreMm: undefined } }] : []),
      ...(isWater ? [] : [{ says: 'way.waterInk', settings: { print: { water: 'yes' } } }]),
    ];
  },
};
