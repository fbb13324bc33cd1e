import { CUTTING_TIME, LIFTS } from './cutting-program';
import { BELT_RATE, FOLDED_THICKNESS, FOLDED_WIDTH, HANDS_TIME, PACKS, PANELS, PIECE_MASS, SLOWEST } from './folding';
import { LAYERS, PALLET_HEIGHT, PALLET_KG, PER_CARTON, PER_PALLET } from './packing';

describe('guillotine', () => {
  // Trade check value, common practice, no source: 10 cuts of 35 s and 6 min handling a lift are about 12 min; 40 lifts about 8 h.
  it('takes about 12 minutes a lift and 8 hours for 40', () => {
    expect(CUTTING_TIME.of({ lifts: 1, cuts: 10, perCut: 35, loading: 360 })).toBe(710);
    expect(CUTTING_TIME.of({ lifts: 40, cuts: 10, perCut: 35, loading: 360 }) / 3600).toBeCloseTo(7.89, 2);
  });
  it('counts a short last lift as a lift', () => {
    expect(LIFTS.of({ sheets: 10_000, perLift: 250 })).toBe(40);
    expect(LIFTS.of({ sheets: 10_001, perLift: 250 })).toBe(41);
  });
});

describe('folding', () => {
  it('runs as fast as the belt brings sheets, or the machine, the slower', () => {
    // 1,400 mm/s over 210 mm and a gap of 90 mm: 4.667 a second, by hand
    expect(BELT_RATE.of({ beltMmPerS: 1400, lengthMm: 210, gapMm: 90 })).toBeCloseTo(16_800, 6);
    expect(SLOWEST.of({ belt: 16_800, machine: 7_500 })).toBe(7_500);
  });
  it('gives one panel more than folds, equal in width', () => {
    expect(PANELS.of({ folds: 2 })).toBe(3);
    expect(FOLDED_WIDTH.of({ openMm: 297, panels: 3 })).toBe(99);
    expect(FOLDED_THICKNESS.of({ panels: 3, caliperUm: 120, extraUm: 0 })).toBe(360);
  });
});

describe('hands', () => {
  it('adds the rest to the work', () => {
    expect(HANDS_TIME.of({ pieces: 1000, secondsEach: 8, rest: 0.125 })).toBe(9000);
  });
});

describe('packing', () => {
  const carton = { set: 0, limitKg: 12, emptyKg: 0, pieceKg: 0.02, perBand: 6, stacks: 4, heightMm: 200, thicknessMm: 1.2 };
  test.each([
    ['by mass, whole bands', { ...carton, thicknessMm: 0.5 }, 600, '12 kg / 0.12 kg a band = 100 bands'],
    ['by mass with the empty carton', { ...carton, thicknessMm: 0.5, emptyKg: 0.6 }, 570, '11.4 kg / 0.12 kg a band = 95 bands'],
    ['by room, where it is thick', { ...carton, thicknessMm: 2 }, 384, '200 mm / 12 mm a band = 16 whole bands in each of 4 stacks'],
    ['as set by hand', { ...carton, set: 250 }, 250, 'set'],
    ['never less than a band', { ...carton, limitKg: 0.01 }, 6, 'one band'],
    ['a band where nothing is known of it', { ...carton, pieceKg: 0, thicknessMm: 0 }, 6, 'one band'],
  ])('fills a carton %s', (_name, terms, pieces, _why) => {
    expect(PER_CARTON.of(terms)).toBe(pieces);
  });
  test.each([
    ['by height', 1_000, 8, '(1800 − 144) / 200 = 8.28'],
    ['by mass', 400, 4, '400 / (8 × 12) = 4.17'],
    ['one at least', 10, 1, 'less than a layer'],
  ])('stacks layers %s', (_name, limitKg, layers, _why) => {
    expect(LAYERS.of({ set: 0, heightMm: 1800, palletMm: 144, cartonMm: 200, limitKg, perLayer: 8, cartonKg: 12 })).toBe(layers);
  });
  it('adds up a pallet', () => {
    expect(PER_PALLET.of({ perLayer: 8, layers: 8 })).toBe(64);
    expect(PALLET_KG.of({ cartons: 64, cartonKg: 12, emptyKg: 22 })).toBe(790);
    expect(PALLET_HEIGHT.of({ layers: 8, cartonMm: 200, palletMm: 144 })).toBe(1744);
  });
  it('counts packs with the last one short', () => {
    expect(PACKS.of({ pieces: 10_000, perPack: 6 })).toBe(1667);
    expect(PACKS.of({ pieces: 0, perPack: 6 })).toBe(0);
  });
  it('weighs a piece by its area', () => {
    expect(PIECE_MASS.of({ widthMm: 210, heightMm: 297, gsm: 80, extraKg: 0.001 })).toBeCloseTo(0.0059896, 9); // 4.9896 g + 1 g, by hand
  });
});
