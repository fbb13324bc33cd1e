import type { Part } from '../product/part';
import { bodyPart, bodyStones } from './cylinder-parts';
import { EmbossingPairWish } from './cylinder-set-wish';
import { embossingPairPicture } from './cylinder-set-picture';
import type { Family, RouteStone } from './family';

/** A pair of embossing rollers where the order says nothing. */
export const USUAL_PAIR = {
  firstTurnMm: 500,
  faceMm: 800,
  bandMm: 700,
  chromeUm: 8,
  hollow: false,
  plated: false,
  teeth: 100,
  motifs: 20,
  motifWidthMm: 60,
  motifHeightMm: 40,
  motifPercent: 40,
  maleMm: 0.8,
  reliefMm: 0.25,
  caliperMm: 0.3,
} as const;

/** Line 15: pairs of embossing rollers, a male and the female that is cut for it, tried on the true stock. */
export const embossingPair: Family<'embossing-pair'> = {
  id: 'embossing-pair',
  makes: 'cylinder',
  product: 'pair',
  words: {
    name: 'Embossing rollers',
    hint: 'made here for a job of the house or for the store: a male and a female milled, chromed, tried on the true stock and released',
    pieces: 'pairs',
    stones: {
      base: 'Bases',
      copper: 'Nickel, copper',
      grind: 'Grind, polish',
      mill: 'Mill',
      inspect: 'Deburr, look at',
      chrome: 'Chrome',
      polish: 'Polish',
      try: 'Try on the stock',
      release: 'Compare, release',
      store: 'Wrap, store',
    },
    fields: {
      name: 'What they emboss',
      firstTurnMm: 'One turn',
      faceMm: 'Face',
      bandMm: 'Band with motifs',
      hollow: 'Hollow, with cones',
      baseMm: 'Diameter of the bases',
      bodyKg: 'Mass of a base, kg',
      plated: 'Cut into copper',
      teeth: 'Teeth of the gears',
      motifs: 'Motifs',
      motifWidthMm: 'Motif, across',
      motifHeightMm: 'Motif, along the turn',
      motifPercent: 'Motif’s share of its field',
      maleMm: 'Finest line of the male, mm',
      reliefMm: 'Height wanted, mm',
      caliperMm: 'Caliper of the stock, mm',
      stock: 'Stock embossed',
      chromeUm: 'Chrome, µm',
      owner: 'Owner',
      keeper: 'Keeper',
      place: 'Place in the store',
    },
  },
  wish: EmbossingPairWish,
  fields: [
    { key: 'name', kind: 'text' },
    { key: 'firstTurnMm', kind: 'length' },
    { key: 'faceMm', kind: 'length' },
    { key: 'bandMm', kind: 'length' },
    { key: 'hollow', kind: 'flag' },
    { key: 'baseMm', kind: 'length', mayBeOff: true },
    { key: 'bodyKg', kind: 'number' },
    { key: 'plated', kind: 'flag' },
    { key: 'teeth', kind: 'count' },
    { key: 'motifs', kind: 'count' },
    { key: 'motifWidthMm', kind: 'length' },
    { key: 'motifHeightMm', kind: 'length' },
    { key: 'motifPercent', kind: 'percent' },
    { key: 'maleMm', kind: 'number' },
    { key: 'reliefMm', kind: 'number', onPicture: 'height' },
    { key: 'caliperMm', kind: 'number' },
    { key: 'stock', kind: 'text' },
    { key: 'chromeUm', kind: 'number' },
    { key: 'owner', kind: 'text' },
    { key: 'keeper', kind: 'text' },
    { key: 'place', kind: 'text' },
  ],
  starts: { ...USUAL_PAIR, name: '' },
  picture: (wish) => embossingPairPicture({ ...USUAL_PAIR, ...wish }),

  parts(ids, wish, plant, ledger) {
    const of = { ...USUAL_PAIR, ...wish };
    const set = {
      ...{ owner: of.owner ?? '', keeper: of.keeper ?? '', place: of.place ?? '', stock: of.stock ?? '' },
      ...{ ink: '', proofStock: '', proofInk: '', printedOn: 'surface' as const, runTurns: 0 },
    };
    const parts = (['male', 'female'] as const).map((is) =>
      bodyPart(
        {
          key: is,
          name: is,
          station: 1,
          stepUm: 0,
          base: '',
          baseMm: wish.baseMm,
          plated: of.plated,
          traits: {
            embossing: {
              ...{ is, motifs: of.motifs, widthMm: of.motifWidthMm, heightMm: of.motifHeightMm, motifShare: of.motifPercent / 100 },
              ...{ maleMm: of.maleMm, reliefMm: of.reliefMm, caliperMm: of.caliperMm, teeth: of.teeth },
            },
          },
        },
        of,
        set,
        { ids, plant, ledger },
      ),
    );
    return Object.fromEntries(parts.map((p) => [p.id, p]));
  },

  route(wish, parts): RouteStone[] {
    const all: Part[] = Object.values(parts);
    const plated = (wish.plated ?? USUAL_PAIR.plated) ? all : [];
    return bodyStones(
      [
        ['base', 'cylinderBase', all],
        ['copper', 'copperPlate', plated],
        ['grind', 'bodyGrind', all],
        ['mill', 'rollerMill', all],
        ['inspect', 'cylinderInspect', all],
        ['chrome', 'chromePlate', all],
        ['polish', 'cylinderPolish', all],
      ],
      all,
      [
        ['try', 'rollerTry'],
        ['release', 'cylinderRelease'],
        ['store', 'cylinderStore'],
      ],
    );
  },
};
