import { byNumbers } from '../quantity/by-numbers';
import type { CylindersMade } from '../plant/plant';
import type { JobSpec } from '../product/job-spec';
import type { Part } from '../product/part';
import { DRIVES, ENGRAVING_WAYS, type Engraved, type EngravingWay, PRINTED_ON, READINGS, type RollerSet } from '../product/roller';
import { bodyPart, bodyStones, USUAL_BODY } from './cylinder-parts';
import { cylinderSetPicture } from './cylinder-set-picture';
import { CylinderSetWish } from './cylinder-set-wish';
import type { Family, ListOf, RouteStone, Way } from './family';

type Row = NonNullable<CylinderSetWish['rows']>[string];
/** A cylinder where its row says nothing. */
const USUAL_ROW = { way: 'stylus', linesPerCm: 60, angleDeg: 45, stylusDeg: 130, cellUm: 180 } as const;
const ONE_ROW: NonNullable<CylinderSetWish['rows']> = { r1: { ink: 'black' } };

/** The cylinders of a set in the order of their stations. */
function rowsOf({ rows = ONE_ROW }: CylinderSetWish): { key: string; station: number; row: Row }[] {
  const keys = Object.keys(rows).sort(byNumbers);
  return keys.map((key, i) => ({ key, station: rows[key]?.station ?? i + 1, row: rows[key] ?? {} })).sort((a, b) => a.station - b.station);
}
const engravedOf = (row: Row, wish: CylinderSetWish): Engraved => ({
  version: row.version ?? '',
  way: row.way ?? USUAL_ROW.way,
  linesPerCm: row.linesPerCm ?? USUAL_ROW.linesPerCm,
  angleDeg: row.angleDeg ?? USUAL_ROW.angleDeg,
  stylusDeg: row.stylusDeg ?? USUAL_ROW.stylusDeg,
  cellUm: row.cellUm ?? USUAL_ROW.cellUm,
  filmUm: row.filmUm ?? 0,
  finestUm: row.finestUm ?? 0,
  typePt: row.typePt ?? 0,
  reading: wish.reading ?? 'mirrored',
  drive: wish.drive ?? 'shaft',
});
const setOf = (wish: CylinderSetWish): RollerSet => ({
  owner: wish.owner ?? '',
  keeper: wish.keeper ?? '',
  place: wish.place ?? '',
  stock: wish.stock ?? '',
  ink: wish.ink ?? '',
  proofStock: wish.proofStock ?? '',
  proofInk: wish.proofInk ?? '',
  printedOn: wish.printedOn ?? 'surface',
  runTurns: wish.runTurns ?? 0,
});

const rowList: ListOf = {
  of: [
    { key: 'ink', kind: 'text' },
    { key: 'station', kind: 'count' },
    { key: 'version', kind: 'text' },
    { key: 'way', kind: 'choice', options: ENGRAVING_WAYS },
    { key: 'linesPerCm', kind: 'count', usual: String(USUAL_ROW.linesPerCm) },
    { key: 'angleDeg', kind: 'count', usual: String(USUAL_ROW.angleDeg) },
    { key: 'stylusDeg', kind: 'count', usual: String(USUAL_ROW.stylusDeg) },
    { key: 'cellUm', kind: 'count', usual: String(USUAL_ROW.cellUm) },
    { key: 'filmUm', kind: 'count' },
    { key: 'finestUm', kind: 'count' },
    { key: 'typePt', kind: 'count' },
    { key: 'base', kind: 'text' },
    { key: 'baseMm', kind: 'length' },
  ],
  labelled: true,
  prefix: 'r',
  fresh: (n) => ({ ink: `ink ${n}` }),
};
const says = (words: Record<string, string>, values: readonly string[]) => () =>
  values.map((value) => ({ value, says: words[value] ?? value }));

/**
 * The web that a set of cylinders is made for; nothing where a job makes none.
 * @example cylindersMade({ products: {} }) // undefined
 */
export function cylindersMade({ products }: Pick<JobSpec, 'products'>): CylindersMade | undefined {
  for (const product of Object.values(products))
    if (product.kind === 'made' && product.family === 'cylinder-set') {
      const { firstTurnMm, bandMm } = { ...USUAL_BODY, ...product.wish };
      return { turnMm: firstTurnMm, bandMm, inks: rowsOf(product.wish).map(({ key, row }) => row.ink ?? key) };
    }
  return undefined;
}

/** Line 15: printing cylinders for gravure, one a colour, made for a job of the house or for the store. */
export const cylinderSet: Family<'cylinder-set'> = {
  id: 'cylinder-set',
  makes: 'cylinder',
  product: 'cylinders',
  words: {
    name: 'Printing cylinders',
    hint: 'made here for a gravure job or for the store: bases plated, ground, engraved, chromed, proved as a set and released',
    pieces: 'sets',
    stones: {
      base: 'Bases',
      copper: 'Nickel, copper',
      grind: 'Grind, polish',
      zinc: 'Zinc',
      resist: 'Resist',
      stylus: 'Engrave, stylus',
      laser: 'Engrave, laser',
      expose: 'Expose',
      etch: 'Etch, strip',
      inspect: 'Microscope',
      chrome: 'Chrome',
      polish: 'Polish',
      proof: 'Proof',
      release: 'Compare, release',
      store: 'Wrap, store',
    },
    fields: {
      name: 'What they print',
      firstTurnMm: 'One turn, first',
      stepUm: 'Larger from station to station, µm',
      faceMm: 'Face',
      bandMm: 'Engraved band',
      hollow: 'Hollow, with cones',
      baseMm: 'Diameter of the bases',
      bodyKg: 'Mass of a base, kg',
      rows: 'Cylinders',
      'rows.ink': 'Ink',
      'rows.station': 'Station',
      'rows.version': 'File version',
      'rows.way': 'Engraved by',
      'rows.linesPerCm': 'Lines a cm',
      'rows.angleDeg': 'Angle, °',
      'rows.stylusDeg': 'Stylus, °',
      'rows.cellUm': 'Full cell, µm',
      'rows.filmUm': 'Film asked, µm',
      'rows.finestUm': 'Finest line, µm',
      'rows.typePt': 'Type, points',
      'rows.base': 'Base number',
      'rows.baseMm': 'Base, mm',
      'rows.add': 'Another cylinder',
      chromeUm: 'Chrome, µm',
      reading: 'Image stands',
      printedOn: 'Printed on',
      drive: 'Press driven by',
      stock: 'Stock printed',
      ink: 'Ink series printed',
      proofStock: 'Stock of the proof',
      proofInk: 'Ink of the proof',
      runTurns: 'Turns of the run',
      owner: 'Owner',
      keeper: 'Keeper',
      place: 'Place in the store',
    },
  },
  wish: CylinderSetWish,
  fields: [
    { key: 'name', kind: 'text' },
    { key: 'firstTurnMm', kind: 'length', onPicture: 'height' },
    { key: 'stepUm', kind: 'number' },
    { key: 'faceMm', kind: 'length', onPicture: 'width' },
    { key: 'bandMm', kind: 'length', onPicture: 'folded' },
    { key: 'hollow', kind: 'flag' },
    { key: 'baseMm', kind: 'length', mayBeOff: true },
    { key: 'bodyKg', kind: 'number' },
    { key: 'rows', kind: 'list', list: rowList },
    { key: 'chromeUm', kind: 'number' },
    { key: 'reading', kind: 'choice', options: says({ mirrored: 'mirrored', right: 'the right way round' }, READINGS) },
    { key: 'printedOn', kind: 'choice', options: says({ surface: 'the surface', filmBack: 'the back of clear film' }, PRINTED_ON) },
    { key: 'drive', kind: 'choice', options: says({ shaft: 'one shaft', single: 'a drive of each station' }, DRIVES) },
    { key: 'stock', kind: 'text' },
    { key: 'ink', kind: 'text' },
    { key: 'proofStock', kind: 'text' },
    { key: 'proofInk', kind: 'text' },
    { key: 'runTurns', kind: 'count' },
    { key: 'owner', kind: 'text' },
    { key: 'keeper', kind: 'text' },
    { key: 'place', kind: 'text' },
  ],
  starts: { ...USUAL_BODY, name: '', rows: ONE_ROW, reading: 'mirrored', printedOn: 'surface', drive: 'shaft' },
  picture: (wish) =>
    cylinderSetPicture(
      { ...USUAL_BODY, ...wish },
      rowsOf(wish).map(({ row }) => row.ink ?? ''),
    ),

  ways(wish, { settings }): Way<CylinderSetWish>[] {
    const rows = rowsOf(wish);
    const all = (way: EngravingWay): Way<CylinderSetWish>[] =>
      rows.every(({ row }) => (row.way ?? USUAL_ROW.way) === way)
        ? []
        : [{ says: `way.${way}`, wish: { rows: Object.fromEntries(rows.map(({ key, row }) => [key, { ...row, way }])) } }];
    const isStylus = rows.some(({ row }) => (row.way ?? USUAL_ROW.way) === 'stylus');
    const hasHeads = Object.values(settings).some((s) => Object.hasOwn(s, 'heads'));
    return [
      ...ENGRAVING_WAYS.flatMap(all),
      ...(isStylus && !hasHeads ? [{ says: 'way.twoHeads', settings: { stylus: { heads: 2 } } }] : []),
    ];
  },

  parts(ids, wish, plant, ledger) {
    const set = setOf(wish);
    const parts = rowsOf(wish).map(({ key, station, row }) =>
      bodyPart(
        {
          key,
          name: row.ink ?? key,
          station,
          stepUm: wish.stepUm ?? USUAL_BODY.stepUm,
          base: row.base ?? '',
          baseMm: row.baseMm ?? wish.baseMm,
          plated: true,
          traits: { engraved: engravedOf(row, wish) },
        },
        wish,
        set,
        { ids, plant, ledger },
      ),
    );
    return Object.fromEntries(parts.map((p) => [p.id, p]));
  },

  route(_wish, parts): RouteStone[] {
    const all = Object.values(parts);
    const by = (way: EngravingWay): Part[] => all.filter((p) => p.traits?.engraved?.way === way);
    return bodyStones(
      [
        ['base', 'cylinderBase', all],
        ['copper', 'copperPlate', all],
        ['grind', 'bodyGrind', all],
        ['zinc', 'zincPlate', by('laser')],
        ['resist', 'resistCoat', by('etch')],
        ['stylus', 'stylusEngrave', by('stylus')],
        ['laser', 'laserEngrave', by('laser')],
        ['expose', 'resistExpose', by('etch')],
        ['etch', 'cylinderEtch', by('etch')],
        ['inspect', 'cylinderInspect', all],
        ['chrome', 'chromePlate', all],
        ['polish', 'cylinderPolish', all],
      ],
      all,
      [
        ['proof', 'cylinderProof'],
        ['release', 'cylinderRelease'],
        ['store', 'cylinderStore'],
      ],
    );
  },
};
