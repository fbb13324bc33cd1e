import * as fc from 'fast-check';
import { applyEdits, JobSpecSchema } from './door';
import { LINDMOOR, SHELF } from './line-1.fixture';
import { cartonSpec } from './line-4.fixture';
import { rectangles } from './findings/carton-cases.fixture';
import { plan, planned } from './plan';
import { ticketPages } from './readings/ticket';
import { comparedWith, propose } from './what-if/propose';
import { searchLayout } from './what-if/search-layout';
import type { Plant } from '../plant/plant';
import type { Plan } from './plan-types';
import type { JobSpec } from '../product/job-spec';
import { edgeTiers, standingMm } from '../finishing/edge-tiers';
import { BEAD_MM, GLUE_KG, GLUER_GROSS, GLUER_NET } from '../finishing/folder-gluer';
import { leastRun } from '../flow/counts';
import { channelMm, creaseRuleHeightMm, dieForceKn, newDieFrom, nicksOf } from '../form/cutting-die';
import { anyLayout } from '../layout/any-layout';
import { blankNest, latticeNest } from '../layout/blank-nest';
import { measureDieLine } from '../product/die-line/die-line';
import { pathArea, type Point } from '../product/die-line/points';
import { cartonDieLine } from '../product/die-line/carton';
import type { CartonAsk } from '../product/die-line/carton-ask';
import { tubeSizes } from '../product/die-line/tube';

/*
 * Line 4 worked by hand before anything else of it comes: a tea carton, reverse tuck, inside 72 × 48 × 126 of board 0.44 mm and 275 g/m², 60,000 of them in
 * five inks and water coat, embossed. Every number below follows from these and from the practice values of the trade; source: common practice, no source,
 * worked with a pencil, unless a test says otherwise.
 */
const TEA: CartonAsk = { style: 'reverse', lengthMm: 72, widthMm: 48, heightMm: 126, caliperMm: 0.44 };
const WANTED = 60_000;
const GSM = 275;
const GAP_MM = 3;
const SHEET_MM = [1_060, 670] as const;
const USABLE_MM = [1_048, 642] as const;

describe('the blank', () => {
  const of = tubeSizes(TEA);
  const die = measureDieLine(cartonDieLine(TEA));
  it('has panels of the inside and the caliper, and flaps that follow', () => {
    expect(of.panelsMm.map((p) => Math.round(p * 100) / 100)).toEqual([72.44, 48.44, 72.44, 47.94]);
    expect(of.girthMm).toBeCloseTo(256.26, 9);
    expect([of.lidMm, of.dustMm]).toEqual([47.5, 31]);
    expect(of.blankHeightMm).toBeCloseTo(252.32, 9);
  });
  it('is cut and creased so far', () => {
    expect(die.outlineMm).toBeCloseTo(1_258.21, 2);
    expect(die.areaMm2).toBeCloseTo(46_752.82, 2);
    expect(die.cutMm).toBeCloseTo(1_278.21, 2);
    expect(die.creaseMm).toBeCloseTo(946.28, 2);
    expect(die.creaseByClass).toMatchObject({
      body: expect.closeTo(505.76, 6),
      lid: expect.closeTo(142.88, 6),
      dust: expect.closeTo(174.76, 6),
      tuck: expect.closeTo(122.88, 6),
    });
    expect([die.widthMm, die.heightMm]).toEqual([expect.closeTo(of.girthMm, 9), expect.closeTo(of.blankHeightMm, 9)]);
  });
  it('as a straight tuck has both lids on the back, and the same cut, crease and area', () => {
    const straight = measureDieLine(cartonDieLine({ ...TEA, style: 'straight' }));
    for (const what of ['outlineMm', 'areaMm2', 'cutMm', 'creaseMm'] as const) expect(straight[what]).toBeCloseTo(die[what], 9);
  });
  it('never crosses itself, and is as large as its panels, whatever its sizes', () => {
    const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom('straight' as const, 'reverse' as const),
        mm(20, 200),
        mm(12, 150),
        mm(30, 300),
        mm(0.2, 0.9),
        (style, lengthMm, widthMm, heightMm, caliperMm) => {
          const ask = { style, lengthMm, widthMm, heightMm, caliperMm };
          const s = tubeSizes(ask);
          const [p1, p2, , p4] = s.panelsMm;
          const lids = 2 * (p1 * caliperMm + (p1 - 1) * (s.lidMm + s.tuckMm));
          const dust = 2 * s.dustMm * (p2 + p4 - 2 * (0.5 + s.reliefMm));
          const flap = s.flapMm * (2 * s.halfMm - 4);
          const body = 2 * s.halfMm * (s.girthMm - s.flapMm);
          // The surveyor's formula and the sum of the panels agree only where the outline crosses nothing.
          expect(pathArea(cartonDieLine(ask).outline)).toBeCloseTo(body + lids + dust + flap, 4);
        },
      ),
    );
  });
});

describe('the sheet', () => {
  const of = tubeSizes(TEA);
  const area = measureDieLine(cartonDieLine(TEA)).areaMm2;
  it('holds twelve in rows that reach into one another, eight as rectangles', () => {
    const { outline } = cartonDieLine(TEA);
    const nest = blankNest(outline, GAP_MM, USABLE_MM);
    expect(nest.places).toHaveLength(12);
    expect([nest.dxMm, nest.dyMm[0]]).toEqual([expect.closeTo(259.26, 6), expect.closeTo(192.38, 6)]);
    expect(nest.usedMm).toEqual([expect.closeTo(1_034.04, 6), expect.closeTo(637.08, 6)]);
    const [w, h] = [of.girthMm, of.blankHeightMm];
    const box: Point[] = [
      [0, 0],
      [w, 0],
      [w, h],
      [0, h],
    ];
    expect(latticeNest(box, GAP_MM, USABLE_MM).places).toHaveLength(8);
  });
  it('would hold fourteen by area, and is used to 79.0 per cent', () => {
    expect(Math.floor((USABLE_MM[0] * USABLE_MM[1]) / area)).toBe(14);
    expect((12 * area) / (SHEET_MM[0] * SHEET_MM[1])).toBeCloseTo(0.79, 3);
  });
});

describe('the die', () => {
  const { cutMm, creaseMm, outlineMm } = measureDieLine(cartonDieLine(TEA));
  it('wants so much force, rules, channels and nicks', () => {
    expect([(12 * cutMm) / 1000, (12 * creaseMm) / 1000]).toEqual([expect.closeTo(15.339, 3), expect.closeTo(11.355, 3)]);
    const kn = dieForceKn({ cutMm: 12 * cutMm, creaseMm: 12 * creaseMm });
    expect(kn).toBeCloseTo(1_184, 0);
    expect(Math.round((100 * kn) / 2_600)).toBe(46);
    // The grain runs across the body's creases.
    expect([channelMm({ caliperMm: 0.44, acrossGrain: false }), channelMm({ caliperMm: 0.44, acrossGrain: true })]).toEqual([1.4, 1.5]);
    expect(creaseRuleHeightMm(0.44)).toBeCloseTo(23.35, 9);
    expect(nicksOf(outlineMm)).toBe(7);
  });
  it('of twelve in place of eight is earned from 96,958 cartons on', () => {
    const metres = (12 * (cutMm + creaseMm)) / 1000;
    expect(newDieFrom({ dieCost: metres * 38 + 440, perSheet: 0.36, placesNow: 8, placesNew: 12 })).toBeCloseTo(96_958, -1);
    expect(newDieFrom({ dieCost: 1_000, perSheet: 0.36, placesNow: 12, placesNew: 8 })).toBeNull();
  });
});

describe('the counts', () => {
  const run = (need: number, setup: number, runningPpm: number, samples: number): number => leastRun({ need, setup, runningPpm, samples });
  const glued = run(WANTED, 100, 10_000, 20);
  const cut = run(Math.ceil(glued / 12), 95, 10_000, 5);
  const embossed = run(cut, 40, 5_000, 5);
  const printed = run(embossed, Math.ceil(225 + 37.5 * (5 - 4)), 20_000, 10);
  it('go back from 60,000 in whole blanks and sheets', () => {
    expect([glued, Math.ceil(glued / 12), cut, embossed, printed]).toEqual([60_727, 5_061, 5_213, 5_285, 5_667]);
  });
  it('weigh so much board, ink and coat', () => {
    const { areaMm2 } = measureDieLine(cartonDieLine(TEA));
    const sheetM2 = (SHEET_MM[0] * SHEET_MM[1]) / 1e6;
    expect((printed * sheetM2 * GSM) / 1000).toBeCloseTo(1_106.8, 1);
    expect((printed * sheetM2 * GSM) / WANTED).toBeCloseTo(18.4, 1);
    expect((areaMm2 / 1e6) * GSM).toBeCloseTo(12.86, 2);
    expect((printed * 0.3 * 12 * (areaMm2 / 1e6) * 1.15) / 1000).toBeCloseTo(1.097, 3);
    // No coat on the seam, save 3 mm over its crease: a trapezium 12 wide.
    const knockOut = measureDieLine(cartonDieLine(TEA)).knockOutMm2;
    expect(knockOut).toBeCloseTo(1_459.68, 2);
    const coatedM2 = (1_034.04 * 637.08 - 12 * knockOut) / 1e6;
    expect(coatedM2).toBeCloseTo(0.64125, 5);
    expect((printed * coatedM2 * 4.5) / 1000).toBeCloseTo(16.35, 2);
  });
  it('lie in three piles of 2,727 sheets', () => {
    const perPile = Math.floor(1_200 / 0.44);
    expect([perPile, Math.ceil(printed / perPile)]).toEqual([2_727, 3]);
  });
});

describe('gluing and packing', () => {
  const of = tubeSizes(TEA);
  it('runs 26,895 an hour with 5.27 kg of glue', () => {
    const gross = GLUER_GROSS.of({ metresAMinute: 200, extentMm: of.blankHeightMm, gapMm: 60, mostAnHour: 40_000 });
    const net = GLUER_NET.of({ gross, share: 0.7 });
    expect(Math.floor(gross)).toBe(38_422);
    expect(Math.floor(net)).toBe(26_895);
    expect(60_727 / net).toBeCloseTo(2.26, 2);
    const beadMm = BEAD_MM.of({ seam: 2 * (of.halfMm - 4) });
    expect(beadMm).toBeCloseTo(108.44, 9);
    expect(1000 * GLUE_KG.of({ beadMm, gPerM: 0.8, blanks: 1 })).toBeCloseTo(0.0868, 4);
    expect(GLUE_KG.of({ beadMm, gPerM: 0.8, blanks: 60_727 })).toBeCloseTo(5.27, 2);
  });
  it('runs slower the longer the blank, and never faster than the machine', () => {
    const rate = (extentMm: number): number => GLUER_GROSS.of({ metresAMinute: 200, extentMm, gapMm: 60, mostAnHour: 40_000 });
    fc.assert(fc.property(fc.double({ min: 40, max: 900, noNaN: true }), (mm) => rate(mm) >= rate(mm + 10)));
    expect(rate(40)).toBe(40_000);
  });
  it('packs 550 a case, 110 cases, 48 on a pallet', () => {
    const tiers = edgeTiers({
      caseMm: [392, 262, 252],
      thickMm: standingMm({ caliperMm: 0.44, springs: 1.5 }),
      pieceMm: [of.panelsMm[0] + of.panelsMm[1], of.blankHeightMm],
    });
    expect(tiers).toMatchObject({ thickMm: expect.closeTo(1.32, 9), aTier: 296, tiers: 2, most: 592, packed: 550 });
    const cases = Math.ceil(WANTED / tiers.packed);
    expect([cases, WANTED - (cases - 1) * tiers.packed]).toEqual([110, 50]);
    const caseKg = (tiers.packed * (measureDieLine(cartonDieLine(TEA)).areaMm2 / 1e6) * GSM) / 1000 + 0.5;
    expect(caseKg).toBeCloseTo(7.57, 2);
    const layer = anyLayout({ width: 1_200, height: 800, pieceWidth: 400, pieceHeight: 270, mayTurn: true, iterations: 60_000 });
    expect(layer.count).toBe(8);
    const layers = Math.floor((1_800 - 144) / 260);
    expect([layers, 144 + layers * 260]).toEqual([6, 1_704]);
    expect(Math.round(layer.count * layers * caseKg + 22)).toBe(385);
    expect([48, 48, cases - 96]).toEqual([48, 48, 14]);
  });
});

describe('the plan', () => {
  const made = planned(JobSpecSchema.parse(cartonSpec()), LINDMOOR, SHELF);
  const value = (id: string): number => made.plan.figures[`carton.blank.${id}`]?.value ?? NaN;
  it('has the panels, the sheet and the nest as worked by hand', () => {
    expect(['frontPanel', 'firstSide', 'backPanel', 'lastSide', 'bodyHeight', 'lidPanel'].map(value)).toEqual([
      72.44, 48.44, 72.44, 47.94, 126.44, 47.5,
    ]);
    expect([value('usableWidth'), value('usableDepth')]).toEqual([1_048, 642]);
    expect([value('copiesUp'), value('bound'), value('boxesUp')]).toEqual([12, 14, 8]);
    expect([value('pitchAcross'), value('pitchAlong')]).toEqual([expect.closeTo(259.26, 6), expect.closeTo(192.38, 6)]);
    expect(value('sheetUse')).toBeCloseTo(79.0, 1);
  });
  it('counts back as worked by hand, and makes five plates and a form for the coat', () => {
    expect(['glue.run', 'die.need', 'die.run', 'emboss.run', 'print.run', 'stock.in.demand'].map(value)).toEqual([
      60_727, 5_061, 5_213, 5_285, 5_667, 5_667,
    ]);
    expect([value('print.setupCycles'), value('plates.plates'), value('stock.piles'), value('print.piles')]).toEqual([263, 6, 3, 3]);
  });
  it('weighs board, ink, coat, glue and skeleton', () => {
    expect(value('stock.mass')).toBeCloseTo(1_106.8, 1);
    expect(value('print.ink.tea green.onSheets')).toBeCloseTo(1.097, 3);
    expect(value('print.ink.water-based coat.onSheets')).toBeCloseTo(16.35, 2);
    expect(value('glue.glueKg')).toBeCloseTo(5.27, 2);
    expect(value('die.skeletonKg') + value('die.blanksKg')).toBeCloseTo(value('die.sheetKg'), 9);
  });
  it('loads the die press with 1,184 kN, 46 per cent, and glues 26,895 an hour', () => {
    expect([Math.round(value('die.forceKn')), Math.round(value('die.load')), value('die.nicks')]).toEqual([1_184, 46, 84]);
    expect(Math.floor(value('glue.rate'))).toBe(26_895);
    expect(value('glue.runS') / 3600).toBeCloseTo(2.26, 2);
  });
  it('packs 550 a case, 110 cases, the last of 50, three pallets of 48, 48 and 14', () => {
    expect(['perCarton', 'cartons', 'lastCarton', 'perPallet', 'pallets', 'palletHeight'].map((what) => value(`pack.${what}`))).toEqual([
      550, 110, 50, 48, 3, 1_704,
    ]);
    expect(value('pack.cartonKg')).toBeCloseTo(7.57, 2);
    expect(Math.round(value('pack.palletKg'))).toBe(385);
  });
  it('waits for the board in its wrapping and for the coat, on the clock', () => {
    expect(value('print.startAt') - value('stock.endAt')).toBeGreaterThanOrEqual(24 * 3_600);
    expect(value('emboss.startAt') - value('print.endAt')).toBeGreaterThanOrEqual(2.5 * 3_600);
  });
  it('costs the die once, none where it lies in the store, and breaks out by hand where that is set', () => {
    expect(value('die.die.cost')).toBeCloseTo(1_454.37, 2);
    const spec = JobSpecSchema.parse({ ...cartonSpec(60_000, { die: 'D-7' }) });
    const kept = planned(spec, LINDMOOR, { ...SHELF, tools: { 'D-7': { spec: 'tea', lifeLeft: 500_000, state: 'store' } } }).plan;
    expect(kept.tools['carton.blank.die.die']?.supply).toEqual({ from: 'store', tool: 'D-7' });
    const money = ({ figures, totals }: typeof kept): number => figures[totals.money ?? '']?.value ?? NaN;
    expect(money(made.plan) - money(kept)).toBeCloseTo(1_454.37, 2);
    const byHand = planned(
      JobSpecSchema.parse({
        ...cartonSpec(),
        choices: { ...cartonSpec().choices, settings: { 'carton.blank.die': { separate: 'hammer' } } },
      }),
      LINDMOOR,
      SHELF,
    ).plan;
    expect(byHand.stones.map((s) => s.key)).toEqual(['stock', 'plates', 'print', 'emboss', 'die', 'breakOut', 'glue', 'pack']);
    // ⌊120 / 0.44⌋ = 272 sheets a lift.
    expect(byHand.figures['carton.blank.breakOut.perLift']?.value).toBe(272);
    expect(byHand.figures['carton.blank.blankGap']?.value).toBe(5);
  });
  it('prints every page, and finds nothing of the carton itself', () => {
    expect(made.ledger.missing).toEqual([]);
    expect(ticketPages(made).map((p) => p.department)).toEqual([
      'store',
      'prepress',
      'ink',
      'press',
      'foil',
      'dieCutting',
      'gluing',
      'packing',
    ]);
    expect(made.plan.findings.map((f) => f.code).filter((code) => /^(die|blank|carton|glue|emboss|bleed|gap|layout)\./.test(code))).toEqual(
      [],
    );
  });
  it('says by how much a carton is larger than its sheet, and which stock would do', () => {
    const large = planned(
      JobSpecSchema.parse(cartonSpec(1_000, { lengthMm: 210, widthMm: 200, heightMm: 240, reliefs: {} })),
      LINDMOOR,
      SHELF,
    ).plan;
    const found = large.findings.find((f) => f.code === 'layout.nothingFits');
    // By hand: height 240.44 + 2 · (0.44 + 199.5 + 15) = 670.32, usable 642: 28.3 over; the larger sheet has 692.
    expect(found?.args).toMatchObject({ byMm: 28.3 });
    expect(found?.remedies[0]).toMatchObject({ says: 'remedy.otherStock', args: { stock: 'Folding board 275 g/m², 108 × 72 cm' } });
  });
  it('takes the nest that a search found, and refuses one in which blanks come too near', () => {
    const tray = JobSpecSchema.parse(cartonSpec(60_000, { style: 'tray', heightMm: 30, reliefs: {} }));
    const found = searchLayout(tray, LINDMOOR, SHELF, 'carton.blank', 8_000);
    expect(found!.found).toBeGreaterThan(found!.now);
    const chosen = applyEdits(tray, found!.edits);
    expect(chosen.ok).toBe(true);
    const spec = (chosen as { made: JobSpec }).made;
    expect(planned(spec, LINDMOOR, SHELF).plan.figures['carton.blank.copiesUp']?.value).toBe(found!.found);
    const layout = spec.choices.layout['carton.blank']!;
    const [first, ...others] = layout.value.cells;
    const nearer = { ...layout, value: { cells: [{ ...first!, x: first!.x + 4 }, ...others] } };
    const refused = planned({ ...spec, choices: { ...spec.choices, layout: { 'carton.blank': nearer } } }, LINDMOOR, SHELF).plan;
    expect(refused.findings.map((f) => f.code)).toContain('layout.refused');
    expect(refused.figures['carton.blank.copiesUp']?.value).toBe(found!.now);
  });
});

describe('the tea carton on an old die of eight places', () => {
  const made = plan(rectangles(60_000).spec, LINDMOOR, SHELF);
  const said = made.findings.find((f) => f.code === 'die.newPays')!;
  it('is told from how many pieces a new die of twelve pays, by what it costs and a sheet all in', () => {
    expect(said).toMatchObject({ level: 'know', args: { placesNow: 8, placesNew: 12, ordered: 60_000 }, remedies: [] });
    // Worked by hand: 26.69 m × 38 + 440; a sheet all in is the works' own, not the 0.36 of the example.
    const { dieCost, perSheet, from } = said.args as Record<string, number>;
    expect(dieCost).toBeCloseTo(1_454.37, 1);
    expect(from).toBe(Math.ceil(dieCost! / (perSheet! / 8 - perSheet! / 12)));
  });
  it('is told to take it once the order is that large, by one click', () => {
    const large = rectangles(1_000_000).spec;
    const { remedies } = plan(large, LINDMOOR, SHELF).findings.find((f) => f.code === 'die.newPays')!;
    const applied = applyEdits(
      large,
      remedies.flatMap((r) => (r.do === 'edit' ? r.edits : [])),
    );
    if (!applied.ok) throw new Error('refused');
    expect(plan(applied.made, LINDMOOR, SHELF).findings.some((f) => f.code === 'die.newPays')).toBe(false);
  });
});

describe('the tea carton made another way', () => {
  const spec = JobSpecSchema.parse(cartonSpec(WANTED));
  const ways = [...propose(spec, LINDMOOR, SHELF)].flatMap((p) => comparedWith(p, spec, LINDMOOR, SHELF) ?? []);
  it('is weighed with straight tucks, and broken out with a hammer, each a whole plan', () => {
    expect(ways.filter((w) => w.what !== '').map((w) => w.what)).toEqual(['with straight tucks', 'broken out by hand']);
    const [straight, hammer] = ways.filter((w) => w.what !== '');
    // Straight tucks interlock by turned rows, which are wider than this sheet takes: fewer than twelve.
    expect(straight!.copiesUp).toBeLessThan(12);
    expect(hammer!.copiesUp).toBeLessThanOrEqual(12);
    const taken = applyEdits(spec, hammer!.edits);
    if (!taken.ok) throw new Error('refused');
    expect(plan(taken.made, LINDMOOR, SHELF).stones.map((s) => s.key)).toContain('breakOut');
  });
  it('is put on every stock of its grade and every press that takes it, with what lies on each', () => {
    const printed = ways.filter((w) => w.what === '');
    expect(new Set(printed.map((w) => w.stock)).size * new Set(printed.map((w) => w.machine)).size).toBeGreaterThan(1);
    expect(printed.filter((w) => w.chosen)).toHaveLength(1);
  });
});

describe('the stripping frame of the tea carton', () => {
  it('has two pins in each of six faces 73.7 mm long, between the glue flaps and the dust flaps of turned rows', () => {
    const { contexts } = planned(cartonSpec(WANTED), LINDMOOR, SHELF);
    const { stone, cx } = contexts.find((c) => c.stone.process.id === 'dieBlank')!;
    const list = stone.process.paper(cx)[0]!.lists.find((l) => l.title === 'stripPins')!;
    expect(list.rows).toHaveLength(6);
    expect(
      list.rows.every(([, size, x, y]) => size === '22.5 × 73.7 mm' && x!.split(', ').length === 2 && y!.split(', ').length === 2),
    ).toBe(true);
  });
});

describe('tea cartons whose neighbours share their cuts', () => {
  const spec = JobSpecSchema.parse({
    ...cartonSpec(WANTED),
    choices: { ...cartonSpec().choices, settings: { 'carton.blank.die': { commonCuts: 'shared' } } },
  });
  const shared = plan(spec, LINDMOOR, SHELF);
  const apart = plan(cartonSpec(WANTED), LINDMOOR, SHELF);
  const value = (of: Plan, figure: string): number => of.figures[`carton.blank${figure}`]!.value;
  it('lie 256.26 apart, and want nine rules of 118.44 less', () => {
    expect([value(shared, '.copiesUp'), value(shared, '.pitchAcross')]).toEqual([12, expect.closeTo(256.26, 6)]);
    // Three rows of four: three cuts a row are shared.
    expect(value(apart, '.die.cutM') - value(shared, '.die.cutM')).toBeCloseTo((9 * 118.44) / 1_000, 9);
    expect(shared.figures['carton.blank.die.cutM']!.formula).toBe('form.dieMetresShared');
    expect(value(apart, '.die.forceKn') - value(shared, '.die.forceKn')).toBeCloseTo((9 * 118.44 * 35 * 1.4 * 1.15) / 1_000, 6);
  });
  it('keep what they are where nobody said that the colour is the same', () => {
    expect(value(apart, '.pitchAcross')).toBeCloseTo(259.26, 6);
  });
});

describe('the other school of panels: what a table of the works adds for a board', () => {
  const works: Plant = {
    ...LINDMOOR,
    stocks: Object.fromEntries(
      Object.entries(LINDMOOR.stocks).map(([id, s]) => [id, s.grade === 'Folding board 275' ? { ...s, panelAddMm: 1 } : s]),
    ),
  };
  const made = plan(cartonSpec(WANTED), works, SHELF);
  it('makes every panel of the body so much longer, in place of the caliper, and says where it comes from', () => {
    const front = made.figures['carton.blank.frontPanel']!;
    expect(front.value).toBe(73);
    expect(Object.values(front.terms).flatMap((t) => ('at' in t ? [t.at] : []))).toContain('panel table');
    // 73 + 49 + 73 + 48.5 and the glue flap.
    expect(made.parts['carton.blank']!.widthMm).toBeCloseTo(258.5, 9);
    expect(made.parts['carton.blank']!.heightMm).toBeCloseTo(127 + 2 * (0.44 + 47.5 + 15), 9);
  });
  it('leaves a works without a table with the caliper', () => {
    expect(plan(cartonSpec(WANTED), LINDMOOR, SHELF).figures['carton.blank.frontPanel']!.value).toBeCloseTo(72.44, 9);
  });
});
