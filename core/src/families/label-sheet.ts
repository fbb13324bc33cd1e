import type { Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import type { Plant } from '../plant/plant';
import { practiceValue } from '../plant/practice';
import type { Part } from '../product/part';
import { ARTWORK_FIELDS, ARTWORK_WORDS } from './artwork-fields';
import { printedOf } from './printed';
import type { Family, RouteStone } from './family';
import { labelSheetPicture } from './label-sheet-picture';
import { gapOf, LabelSheetWish } from './label-sheet-wish';

const rollGrades = (plant: Plant): string[] =>
  Object.entries(plant.stocks)
    .filter(([, s]) => s.form === 'roll' && s.laminate !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, s]) => s.grade);
/** The grade of rolls when nothing else is said: the first on the stock cards. */
const usualRollGrade = (plant: Plant): string => rollGrades(plant)[0] ?? 'Label paper';

/** Line 2: self-adhesive labels from the roll, as sheets in stacks or wound on rolls; lamp-dried, inspected, faulty ones destroyed. */
export const labelSheet: Family<'label-sheet'> = {
  id: 'label-sheet',
  product: 'label',
  words: {
    name: 'Labels from the roll',
    hint: 'self-adhesive labels, as sheets or on rolls; perforated, slit, inspected',
    pieces: 'labels',
    stones: {
      stock: 'Rolls',
      plates: 'Plates',
      print: 'Print',
      camera: 'Camera',
      sheet: 'Perforate and sheet',
      reject: 'Reject',
      die: 'Die-cut, matrix off',
      stack: 'Stack',
      wind: 'Rewind',
      pack: 'Pack',
    },
    fields: {
      widthMm: 'Label width',
      heightMm: 'Label height',
      across: 'Labels across',
      along: 'Labels along',
      gapMm: 'Gap between labels',
      edgeMm: 'Edge round the sheet',
      inks: 'Inks',
      coveragePercent: 'Coverage',
      totalInkPercent: 'Total ink',
      bleedMm: 'Bleed',
      smallestDistanceMm: 'Smallest distance to an edge',
      ...ARTWORK_WORDS,
      grade: 'Laminate',
      food: 'Touches food',
      perforated: 'Perforated',
      backSlitMm: 'Liner slit every',
      delivered: 'Delivered as',
      sheetsAStack: 'Sheets a stack',
      piecesARoll: 'Labels a roll',
      wrapped: 'Stacks in film',
      rejects: 'Faulty sheets',
      perCarton: 'Labels a carton',
    },
  },
  wish: LabelSheetWish,
  fields: [
    { key: 'widthMm', kind: 'length', onPicture: 'width' },
    { key: 'heightMm', kind: 'length', onPicture: 'height' },
    { key: 'across', kind: 'count', onPicture: 'width', most: 200 },
    { key: 'along', kind: 'count', onPicture: 'height', most: 200 },
    {
      key: 'grade',
      kind: 'choice',
      options: (plant) => [...new Set([usualRollGrade(plant), ...rollGrades(plant).sort()])].map((g) => ({ value: g, says: g })),
    },
    { key: 'inks', kind: 'inks' },
    { key: 'food', kind: 'flag' },
    {
      key: 'delivered',
      kind: 'choice',
      options: () => [
        { value: 'sheets', says: 'sheets in stacks' },
        { value: 'rolls', says: 'rolls' },
      ],
    },
    { key: 'perforated', kind: 'flag' },
    { key: 'backSlitMm', kind: 'length' },
    { key: 'sheetsAStack', kind: 'count' },
    { key: 'wrapped', kind: 'flag' },
    { key: 'piecesARoll', kind: 'count' },
    {
      key: 'rejects',
      kind: 'choice',
      options: () => [
        { value: 'destroy', says: 'destroyed under witness' },
        { value: 'recycle', says: 'recycled' },
      ],
    },
    { key: 'gapMm', kind: 'length' },
    { key: 'edgeMm', kind: 'length' },
    { key: 'bleedMm', kind: 'length' },
    { key: 'smallestDistanceMm', kind: 'length' },
    { key: 'totalInkPercent', kind: 'percent' },
    ...ARTWORK_FIELDS,
    { key: 'perCarton', kind: 'count' },
  ],
  starts: {
    widthMm: 60,
    heightMm: 40,
    across: 4,
    along: 6,
    inks: ['K', 'C', 'M', 'Y'],
    perforated: true,
    delivered: 'sheets',
    sheetsAStack: 400,
    wrapped: true,
    rejects: 'destroy',
  },

  picture: labelSheetPicture,

  parts({ product, item }, wish, plant) {
    const id: Id<'part'> = idOf(product, 'web');
    const widthMm = wish.widthMm ?? 60;
    const bleedMm = wish.bleedMm ?? practiceValue(plant, 'layout.labelBleedMm');
    const part: Part = {
      id,
      product,
      item,
      role: 'web',
      layouter: 'web',
      widthMm,
      heightMm: wish.heightMm ?? 40,
      bleedMm,
      leaves: 1,
      grainAlong: null,
      colours: [wish.inks ?? ['K', 'C', 'M', 'Y'], []],
      ...printedOf(wish),
      grade: wish.grade ?? usualRollGrade(plant),
      food: wish.food ?? false,
      traits: {
        web: {
          across: wish.across ?? 4,
          along: wish.along ?? 6,
          gapMm: gapOf(wish, bleedMm),
          edgeMm: wish.edgeMm ?? practiceValue(plant, 'layout.labelEdgeMm'),
          delivered: wish.delivered ?? 'sheets',
          perforated: wish.perforated ?? true,
          backSlitMm: wish.backSlitMm ?? null,
          sheetsAStack: wish.sheetsAStack ?? 400,
          piecesARoll: wish.piecesARoll ?? 1_000,
          wrapped: wish.wrapped ?? true,
          rejects: wish.rejects ?? 'destroy',
        },
        ...(wish.perCarton !== undefined && { packed: { perCarton: wish.perCarton } }),
      },
    };
    return { [id]: part };
  },

  route(_wish, parts): RouteStone[] {
    const part = Object.values(parts)[0];
    if (!part?.traits?.web) return [];
    const stone = (key: string, process: Id<'process'>, when = true): RouteStone[] =>
      when ? [{ key, process, of: [part.id], settings: {} }] : [];
    const sheets = part.traits.web.delivered === 'sheets';
    const printed = part.colours[0].length > 0;
    return [
      ...stone('stock', 'pullRoll'),
      ...stone('plates', 'platemaking', printed),
      // Unprinted labels still run through the press line: it carries the web.
      ...stone('print', 'webPress'),
      ...stone('camera', 'camera', printed),
      ...stone('sheet', 'sheeter', sheets),
      ...stone('die', 'rollDie', !sheets),
      ...stone('reject', 'reject'),
      ...stone('stack', 'stack', sheets),
      ...stone('wind', 'rewind', !sheets),
      ...stone('pack', 'pack'),
    ];
  },
};
