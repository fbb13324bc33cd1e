import type { Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { typed } from '../quantity/ledger';
import { practiceValue } from '../plant/practice';
import { FOLDED_WIDTH } from '../finishing/folding';
import { foldsOf } from '../product/folds';
import { type FoilArea, foilPlace, foilPlacesScene, SIDES } from '../product/foil-area';
import type { Part } from '../product/part';
import { ARTWORK_FIELDS, ARTWORK_WORDS } from './artwork-fields';
import { printedOf } from './printed';
import type { Family, RouteStone } from './family';
import { FOIL_FIELD_WORDS, foilList } from './placed-fields';
import { foldedCardPicture } from './folded-card-picture';
import { FoldedCardWish } from './folded-card-wish';

/** The foil areas of a card; struck on the front where nothing else is said. */
const foilsOf = ({ foils = {} }: FoldedCardWish): FoilArea[] =>
  Object.entries(foils).map(([id, { side = 'front', ...area }]) => ({ id, side, ...area }));

/** Line 1: flat and folded cards, leaflets, posters: offset, hot foil, guillotine, fold, hands, envelope, bands, cartons. */
export const foldedCard: Family<'folded-card'> = {
  id: 'folded-card',
  product: 'card',
  words: {
    name: 'Card or leaflet',
    hint: 'cards, leaflets, invitations; with foil, pieces put on by hand, envelope and band',
    pieces: 'pieces',
    stones: {
      stock: 'Stock',
      plates: 'Plates',
      print: 'Print',
      foil: 'Foil',
      cut: 'Cut',
      fold: 'Score and fold',
      hands: 'Pieces by hand',
      envelope: 'Envelope',
      band: 'Band',
      pack: 'Pack',
    },
    fields: {
      openWidthMm: 'Open width',
      openHeightMm: 'Height',
      folds: 'Folds',
      foldedWidthMm: 'Folded width',
      front: 'Inks, front',
      back: 'Inks, back',
      coveragePercent: 'Coverage',
      totalInkPercent: 'Total ink',
      bleedMm: 'Bleed',
      smallestDistanceMm: 'Smallest distance to an edge',
      ...ARTWORK_WORDS,
      grain: 'Grain',
      ...FOIL_FIELD_WORDS,
      applied: 'Pieces put on by hand',
      'applied.name': 'Name of the piece',
      'applied.secondsEach': 'Seconds each',
      'applied.each': 'On each card',
      'applied.add': 'Add a piece',
      envelope: 'Envelope',
      sealed: 'Sealed',
      food: 'Touches food',
      perBand: 'Pieces a band',
      perCarton: 'Pieces a carton',
      grade: 'Board',
    },
  },
  wish: FoldedCardWish,
  fields: [
    { key: 'openWidthMm', kind: 'length', onPicture: 'width' },
    { key: 'openHeightMm', kind: 'length', onPicture: 'height' },
    { key: 'folds', kind: 'count', onPicture: 'folded', most: 6 },
    {
      key: 'grade',
      kind: 'choice',
      options: (plant) =>
        [
          ...new Set([
            plant.usualGrade,
            ...Object.values(plant.stocks)
              .filter((s) => s.form === 'sheet')
              .map((s) => s.grade)
              .sort(),
          ]),
        ].map((g) => ({ value: g, says: g })),
    },
    { key: 'front', kind: 'inks' },
    { key: 'back', kind: 'inks' },
    { key: 'foils', kind: 'list', list: foilList(40, 30) },
    {
      key: 'applied',
      kind: 'list',
      list: {
        of: [
          { key: 'name', kind: 'text' },
          { key: 'secondsEach', kind: 'seconds', then: 's,' },
          { key: 'each', kind: 'count', then: 'on each' },
        ],
        prefix: 'p',
        fresh: (n) => ({ name: `piece ${n}`, secondsEach: 8, each: 1, supply: { from: 'buy', leadDays: 2 } }),
      },
    },
    { key: 'envelope', kind: 'text', mayBeOff: true },
    { key: 'sealed', kind: 'flag' },
    { key: 'food', kind: 'flag' },
    { key: 'perBand', kind: 'count', mayBeOff: true },
    { key: 'bleedMm', kind: 'length' },
    { key: 'smallestDistanceMm', kind: 'length' },
    { key: 'totalInkPercent', kind: 'percent' },
    ...ARTWORK_FIELDS,
    { key: 'foilToPrintMm', kind: 'length' },
    {
      key: 'grain',
      kind: 'choice',
      options: () => [
        { value: 'fold', says: 'along the fold' },
        { value: 'free', says: 'free' },
      ],
    },
  ],
  starts: { openWidthMm: 296, openHeightMm: 148, folds: 1, front: ['K', 'C', 'M', 'Y'], back: ['K'], perBand: 6 },

  picture: foldedCardPicture,
  placing: (wish) => {
    const areas = foilsOf(wish);
    if (areas.length === 0) return null;
    const piece = {
      widthMm: wish.openWidthMm ?? 296,
      heightMm: wish.openHeightMm ?? 148,
      traits: { folds: { folds: wish.folds ?? 1, foldedWidthMm: 0 } },
    };
    return {
      list: 'foils',
      views: SIDES.map((side) => ({ side, scene: foilPlacesScene(piece, areas, side) })),
      things: areas.map((a) => ({
        ...a,
        ...foilPlace(a, piece),
        ref: `foil ${a.id}`,
        mostXMm: piece.widthMm - a.widthMm,
        mostYMm: piece.heightMm - a.heightMm,
      })),
    };
  },

  parts({ product, item }, wish, plant, ledger) {
    const id: Id<'part'> = idOf(product, 'card');
    const widthMm = wish.openWidthMm ?? 296;
    const folds = wish.folds ?? 1;
    const equal = ledger.figure(idOf(id, 'foldedMm'), FOLDED_WIDTH, {
      openMm: typed(widthMm, 'mm', 'openWidthMm'),
      panels: typed(folds + 1, '1', 'folds'),
    });
    const foils = foilsOf(wish);
    const applied = Object.entries(wish.applied ?? {}).map(([pieceId, p]) => ({ id: pieceId, ...p }));
    const part: Part = {
      id,
      product,
      item,
      role: 'card',
      layouter: 'rectangle',
      widthMm,
      heightMm: wish.openHeightMm ?? 148,
      bleedMm: wish.bleedMm ?? practiceValue(plant, 'layout.bleedMm'),
      leaves: 1,
      grainAlong: folds > 0 && wish.grain !== 'free' ? 'height' : null,
      colours: [wish.front ?? ['K', 'C', 'M', 'Y'], wish.back ?? []],
      ...printedOf(wish),
      grade: wish.grade ?? plant.usualGrade,
      ...(wish.food !== undefined && { food: wish.food }),
      ...(foils.length > 0 && { oneSided: true as const }),
      traits: {
        folds: { folds, foldedWidthMm: wish.foldedWidthMm ?? equal },
        ...(foils.length > 0 && { foil: { areas: foils, ...(wish.foilToPrintMm !== undefined && { toPrintMm: wish.foilToPrintMm }) } }),
        ...(applied.length > 0 && { applied }),
        ...(wish.envelope && {
          envelope: { name: wish.envelope, sealed: wish.sealed ?? false, supply: { from: 'buy' as const, leadDays: 2 } },
        }),
        packed: { perBand: wish.perBand ?? 1, ...(wish.perCarton !== undefined && { perCarton: wish.perCarton }) },
      },
    };
    return { [id]: part };
  },

  route(_wish, parts): RouteStone[] {
    const part = Object.values(parts)[0];
    if (!part) return [];
    const stone = (key: string, process: Id<'process'>, when = true): RouteStone[] =>
      when ? [{ key, process, of: [part.id], settings: {} }] : [];
    const { traits = {} } = part;
    const printed = part.colours[0].length + part.colours[1].length > 0;
    return [
      ...stone('stock', 'pull'),
      ...stone('plates', 'platemaking', printed),
      ...stone('print', 'offset', printed),
      ...stone('foil', 'foil', traits.foil !== undefined),
      ...stone('cut', 'guillotine'),
      ...stone('fold', 'fold', foldsOf(part) > 0),
      ...stone('hands', 'apply', traits.applied !== undefined),
      ...stone('envelope', 'envelope', traits.envelope !== undefined),
      ...stone('band', 'band', (traits.packed?.perBand ?? 1) > 1),
      ...stone('pack', 'pack'),
    ];
  },
};
