import { cardSpec, LINDMOOR, SHELF } from './line-1.fixture';
import { plan } from './plan';

/*
 * Line 1 for 5,000 cards, worked on paper from the plant's card of every machine and stock and the middle of every handbook range. Nothing here calls
 * a formula of core: each row is the sum a planner would write down. Work runs backward from the pallet to the store, as the counts do.
 */
const figures = plan(cardSpec(5_000), LINDMOOR, SHELF).figures;
const up = (x: number): number => Math.ceil(x - 1e-9);

// Counts: run is the least that leaves the need after setup, samples and a whole number of spoilt cycles.
const ENVELOPE_RUN = 5_019; // 5,000 wanted; 3 to set up, 0.3 % of 5,016 is 15.05, so 16 spoilt
const HANDS_RUN = 5_038; // 5,019; 3 to set up, 0.3 % of 5,035 is 15.1, so 16
const FOLD_RUN = 5_099; // 5,038; 35 to set up, 0.5 % of 5,064 is 25.3, so 26
const CUT_RUN = 857; // 5,099 of six are 850 sheets; 5 to set up, 0.2 % of 852 is 1.7, so 2
const FOIL_RUN = 936; // 857; 65 to set up, 1.5 % of 871 is 13.1, so 14
const BACK_RUN = 1_079; // 936; 225/4 · … one unit: 225 − 3 · 37.5 = 112.5, so 113; 10 samples; 2 % of 966 is 19.3, so 20
const FRONT_RUN = 1_337; // 1,079; 225 to set up; 10 samples; 2 % of 1,112 is 22.2, so 23

// Sizes: open card 210 × 210, sheet 520 × 720, 300 g/m², 0.4 mm.
const SHEET_M2 = 0.52 * 0.72;
const CARD_M2 = 0.21 * 0.21;
const CARD_KG = CARD_M2 * 0.3;

const WORKED: [figure: string, value: number][] = [
  // counts
  ['envelope.run', ENVELOPE_RUN],
  ['hands.run', HANDS_RUN],
  ['fold.run', FOLD_RUN],
  ['cut.run', CUT_RUN],
  ['cut.over.card.card.cut.out', 850 * 6 - 5_099],
  ['foil.run', FOIL_RUN],
  ['print.back.run', BACK_RUN],
  ['print.front.run', FRONT_RUN],
  ['stock.in.demand', FRONT_RUN],
  ['envelope.envelopes.demand', up(ENVELOPE_RUN / 0.995)], // 0.5 % of what is put on by hand is spoilt
  ['hands.r1.demand', up(HANDS_RUN / 0.995)],
  ['band.run', up(5_000 / 6)],
  ['pack.carton.run', up(5_000 / 468)],
  ['pack.lastCarton', 5_000 - 10 * 468],
  // layout: platen asks 12 mm, press 10; six turned copies with bleed
  ['gripper', 12],
  ['usableWidth', 720 - 2 * 4],
  ['usableDepth', 520 - 12 - 6 - 6],
  ['copiesUp', 6],
  ['stock.sheetUse', (100 * 6 * CARD_M2) / SHEET_M2],
  // store
  ['stock.mass', FRONT_RUN * SHEET_M2 * 0.3],
  ['stock.perPile', 1_000 / 0.4],
  ['stock.piles', 1],
  ['stock.cost', (FRONT_RUN * 196) / 1_000],
  ['stock.runS', (FRONT_RUN * 3_600) / 6_000],
  ['stock.costRun', (FRONT_RUN / 6_000) * 32],
  // plates: 90 to 240 s each and a wedge of 120 s
  ['plates.plates', 4 + 1],
  ['plates.imagingS', 5 * 165 + 120],
  ['plates.cost', 5 * 9.5],
  ['plates.costRun', ((5 * 165 + 120) / 3_600) * 55],
  // press: 8,000 an hour, 180 s a plate, four hours before the turn
  ['print.front.setupS', 1_500 + 4 * 180],
  ['print.back.setupS', 1_500 + 180],
  ['print.front.runS', (FRONT_RUN * 3_600) / 8_000],
  ['print.back.runS', (BACK_RUN * 3_600) / 8_000],
  ['print.front.costSetup', ((1_500 + 4 * 180) / 3_600) * 165],
  ['print.front.costRun', (FRONT_RUN / 8_000) * 185],
  ['print.back.waitS', 4 * 3_600],
  ['print.front.ink.C.onSheets', (SHEET_M2 * 0.25 * 1.15 * FRONT_RUN) / 1_000], // a quarter covered at 1.15 g/m² wet
  ['print.front.ink.C.kg', (SHEET_M2 * 0.25 * 1.15 * FRONT_RUN) / 1_000 + 0.7 + 0.1], // duct and rollers, wash-up
  ['print.back.ink.K.cost', ((SHEET_M2 * 0.25 * 1.15 * BACK_RUN) / 1_000 + 0.8) * 14],
  ['print.front.remakes', 0],
  // foil: turned copies, 40 mm image, 3 mm gap, pitch 216, two dies a lane: four advances of 43, then a jump of 216 + 43
  ['foil.die.f1.dies', 6],
  ['foil.foil.f1.perStroke', (4 * 43 + 216 + 43) / 5],
  ['foil.foil.f1.metres', (86.2 * FOIL_RUN * 3) / 1_000],
  ['foil.foil.f1.widthMm', 30 + 5 + 5],
  ['foil.foil.f1.cost', (86.2 * FOIL_RUN * 3 * 0.04 * 0.9) / 1_000],
  ['foil.die.f1.cost', 6 * Math.max(4 * 3 * 1.2, 18)],
  ['foil.setupS', 2_400 + 6 * 300],
  ['foil.runS', (FOIL_RUN * 3_600) / 2_800],
  ['foil.waitS', 36 * 3_600],
  // guillotine: lifts of 100 mm, ten cuts of 35 s, loading 360 s
  ['cut.perLift', 250],
  ['cut.lifts', up(CUT_RUN / 250)],
  ['cut.cuts', 10],
  ['cut.cuttingS', 4 * (10 * 35 + 360)],
  ['cut.trimKg', CUT_RUN * SHEET_M2 * 0.3 - CUT_RUN * 6 * CARD_KG],
  // fold: the belt at 1,400 mm/s could give 16,800 an hour; the machine gives 7,500
  ['fold.panels', 2],
  ['fold.foldedMm', 105],
  ['fold.thickness', 2 * 400],
  ['fold.beltRate', (1_400 * 3_600) / (210 + 90)],
  ['fold.rate', 7_500],
  ['fold.runS', (FOLD_RUN * 3_600) / 7_500],
  // hands: ribbon 8 s; insert 6 s and seal 3 s; an eighth more to rest; six people
  ['hands.handsS', HANDS_RUN * 8 * 1.125],
  ['hands.clockS', (HANDS_RUN * 8 * 1.125) / 6],
  ['envelope.secondsEach', 6 + 3],
  ['envelope.clockS', (ENVELOPE_RUN * 9 * 1.125) / 6],
  ['envelope.envelopes.cost', up(ENVELOPE_RUN / 0.995) * 0.09],
  // packing: a band of six is 7.59 mm, so 26 whole bands stand in each of three stacks: 468 cards
  ['band.handsS', 834 * 4 * 1.125],
  ['band.clockS', (834 * 4 * 1.125) / 2],
  ['pack.pieceKg', CARD_KG + 0.006],
  ['pack.thickness', ((2 * 400 + 300) * 1.15) / 1_000],
  ['pack.cartonKg', 468 * (CARD_KG + 0.006) + 0.4],
  ['pack.carton.clockS', (11 * 40 * 1.125) / 2],
  ['pack.carton.cost', 11 * 0.85],
  ['pack.pallet.clockS', (600 * 1.125) / 2],
];

test.each(WORKED)('line 1 by hand: %s', (name, worked) => {
  expect(figures[`card.card.${name}`]?.value).toBeCloseTo(worked, 8);
});

describe('line 1 by hand: totals', () => {
  const total = (name: string): number => figures[`total.${name}`]?.value ?? NaN;
  const steps = [
    'stock',
    'plates',
    'print.front',
    'print.back',
    'foil',
    'cut',
    'fold',
    'hands',
    'envelope',
    'band',
    'pack.carton',
    'pack.pallet',
  ];
  const each = (what: string): number[] => steps.map((s) => figures[`card.card.${s}.${what}`]?.value ?? 0);
  const sum = (list: number[]): number => list.reduce((a, b) => a + b, 0);

  it('time on machines is every setup and every run, once', () => {
    expect(total('machineS')).toBeCloseTo(sum(each('setupS')) + sum(each('runS')), 6);
  });
  it('money is machines, paper, plates, inks, foil, dies, ribbons, envelopes and cartons, each once', () => {
    const goods = [
      'stock.cost',
      'plates.cost',
      'foil.foil.f1.cost',
      'foil.die.f1.cost',
      'hands.r1.cost',
      'envelope.envelopes.cost',
      'pack.carton.cost',
      'pack.pallet.cost',
    ];
    const inks = ['print.front.ink.K', 'print.front.ink.C', 'print.front.ink.M', 'print.front.ink.Y', 'print.back.ink.K'].map(
      (i) => `${i}.cost`,
    );
    const bought = [...goods, ...inks].map((f) => figures[`card.card.${f}`]?.value ?? NaN);
    expect(total('money')).toBeCloseTo(sum(each('costSetup')) + sum(each('costRun')) + sum(bought), 6);
    expect(total('perThousand')).toBeCloseTo(total('money') / 5, 9);
  });
  it('a thousand more cost no setup, plate or die', () => {
    const fills = ['front.ink.K', 'front.ink.C', 'front.ink.M', 'front.ink.Y', 'back.ink.K'].map(
      (i) => figures[`card.card.print.${i}.costFill`]?.value ?? NaN,
    );
    expect(total('fixed')).toBeCloseTo(sum(each('costSetup')) + 47.5 + 108 + sum(fills), 6);
    // A thousand more, back through the running losses alone: no setup sheet, no sample, no fill.
    const more = (n: number, ppm: number): number => n / (1 - ppm / 1e6);
    const envelope = more(1_000, 3_000);
    const hands = more(envelope, 3_000);
    const fold = more(hands, 5_000);
    const cut = more(fold / 6, 2_000);
    const foil = more(cut, 15_000);
    const back = more(foil, 20_000);
    const front = more(back, 20_000);
    expect(figures['card.card.print.front.more']?.value).toBeCloseTo(front, 9);
    const of = (figure: string, count: number, n: number): number => ((figures[`card.card.${figure}`]?.value ?? NaN) / count) * n;
    const inks = ['C', 'M', 'Y', 'K'].map((i) => of(`print.front.ink.${i}.costOnSheets`, FRONT_RUN, front));
    const bench = [
      of('stock.cost', FRONT_RUN, front),
      of('stock.costRun', FRONT_RUN, front),
      of('print.front.costRun', FRONT_RUN, front),
      of('print.back.costRun', BACK_RUN, back),
      of('print.back.ink.K.costOnSheets', BACK_RUN, back),
      of('foil.costRun', FOIL_RUN, foil),
      of('foil.foil.f1.cost', FOIL_RUN, foil),
      of('cut.costRun', CUT_RUN, cut),
      of('fold.costRun', FOLD_RUN, fold),
      of('hands.costRun', HANDS_RUN, hands),
      of('hands.r1.cost', up(HANDS_RUN / 0.995), hands / 0.995),
      of('envelope.costRun', ENVELOPE_RUN, envelope),
      of('envelope.envelopes.cost', up(ENVELOPE_RUN / 0.995), envelope / 0.995),
      of('band.costRun', up(5_000 / 6), 1_000 / 6),
      of('pack.carton.costRun', up(5_000 / 468), 1_000 / 468),
      of('pack.carton.cost', up(5_000 / 468), 1_000 / 468),
    ];
    const pallets = figures['card.card.pack.pallet.more']?.value ?? NaN;
    bench.push(of('pack.pallet.costRun', 1, pallets), of('pack.pallet.cost', 1, pallets));
    expect(total('runOn')).toBeCloseTo(
      [...inks, ...bench].reduce((sum, n) => sum + n, 0),
      6,
    );
    expect(total('runOn')).toBeLessThan((total('money') - total('fixed')) / 5);
  });
  it('paper bought is cards delivered, trim and waste: nothing is lost on the way', () => {
    const lost: Record<string, number> = { sheets: 1_337 - 857, cut: 7 * 6, fold: 61, hands: 19, envelope: 19, over: 1 };
    const cards = 5_000 + (lost['fold'] ?? 0) + (lost['hands'] ?? 0) + (lost['envelope'] ?? 0) + (lost['over'] ?? 0) + (lost['cut'] ?? 0);
    expect(cards).toBe(857 * 6);
    const trimKg = figures['card.card.cut.trimKg']?.value ?? NaN;
    expect((lost['sheets'] ?? 0) * SHEET_M2 * 0.3 + cards * CARD_KG + trimKg).toBeCloseTo(figures['card.card.stock.mass']?.value ?? NaN, 8);
  });
  it('no step starts before the one it waits for has ended', () => {
    const at = (step: string, what: 'startAt' | 'endAt'): number => figures[`card.card.${step}.${what}`]?.value ?? NaN;
    const order: [before: string, after: string, waitS: number][] = [
      ['stock', 'print.front', 0],
      ['plates', 'print.front', 0],
      ['print.front', 'print.back', 4 * 3_600],
      ['print.back', 'foil', 36 * 3_600],
      ['foil', 'cut', 0],
      ['print.back', 'cut', 18 * 3_600],
      ['cut', 'fold', 0],
      ['fold', 'hands', 0],
      ['hands', 'envelope', 0],
      ['envelope', 'band', 0],
      ['band', 'pack.carton', 0],
      ['pack.carton', 'pack.pallet', 0],
    ];
    for (const [before, after, wait] of order) expect(at(after, 'startAt')).toBeGreaterThanOrEqual(at(before, 'endAt') + wait);
    expect(total('readyAt')).toBe(at('pack.pallet', 'endAt'));
  });
});
