import * as fc from 'fast-check';
import { ENGRAVING_WAYS } from '../product/roller';
import { cardSpec, LINDMOOR, MONDAY_S, SHELF } from './line-1.fixture';
import { drawerCylinders, shopJob } from './line-15.fixture';
import { plan, planned, sceneOf } from './plan';
import { cylinderRows } from '../exchange/cylinder-rows';
import { readingRows } from '../exchange/reading-rows';
import { rollersMade } from './readings/rollers-made';
import { ticketPages } from './readings/ticket';
import type { Plant, Shelf } from '../plant/plant';
import type { CylinderSetWish } from '../families/cylinder-set-wish';

/** Open round the clock, 0.8 min a micrometre: what the example assumes. */
const ALWAYS: Shelf = { ...SHELF, open: { any: [[MONDAY_S, MONDAY_S + 40 * 86_400]] } };
const of = (wish: CylinderSetWish = {}, shelf: Shelf = ALWAYS, plant: Plant = LINDMOOR) => planned(drawerCylinders(wish), plant, shelf);
const made = of();
const value = (id: string): number => made.plan.figures[id]?.value ?? NaN;
const codes = (p: ReturnType<typeof of>): string[] => p.plan.findings.filter((f) => f.level !== 'know').map((f) => f.code);

describe('the set of the example, planned', () => {
  it('has its diameters, copper and cells', () => {
    expect(['r1', 'r5'].map((r) => value(`cylinders.${r}.diameterMm`).toFixed(4))).toEqual(['159.1549', '159.2349']);
    expect(['r1', 'r2', 'r3', 'r4', 'r5'].map((r) => value(`cylinders.${r}.copperUm`).toFixed(1))).toEqual([
      ...['249.5', '259.5', '269.5', '279.5', '289.5'],
    ]);
    expect(value('cylinders.r5.cells')).toBeCloseTo(34_562_364, -1);
    expect(value('cylinders.r1.cellsATurn')).toBe(1_909);
  });
  it('is compared 1,918.9 minutes after it began, held up by the copper bath', () => {
    const end = value('cylinders.r1.release.endAt');
    expect(Math.abs((end - MONDAY_S) / 60 - 1_918.9)).toBeLessThan(0.2);
    const proof = made.contexts.find((c) => c.cx.id === 'cylinders.r1.proof')!;
    const rows = proof.stone.process.panel(proof.cx);
    expect(rows.find((r) => r.label === 'setHeldBy')?.text).toBe('Nickel and copper');
    // What the planner weighs is no matter of the proof press.
    const [page] = ticketPages(made).filter((p) => p.stone.key === 'proof');
    expect(page?.rows.map((r) => r.label)).toEqual(['provedOn', 'provedWith', 'stageTime']);
  });
  it('is weighed against a set bought: 5 × 620, after 11.5 working days', () => {
    expect(value('cylinders.r1.proof.boughtCost')).toBe(3_100);
    expect((value('cylinders.r1.proof.boughtAt') - MONDAY_S) / 86_400).toBeCloseTo(16.1, 9);
  });
  it('takes 3,016.5 machine minutes, proof and comparing apart', () => {
    const before = Object.keys(made.plan.steps).filter((id) => !/\.(proof|release|store)$/.test(id));
    expect(before).toHaveLength(35);
    const minutes = before.reduce((sum, id) => sum + value(`${id}.runS`) / 60, 0);
    expect(Math.abs(minutes - 3_016.5)).toBeLessThan(0.1);
  });
  it('is made again in one of 18.5 of 100; blue from the microscope in 397.8 min', () => {
    expect(value('cylinders.r1.proof.againChance') / 10_000).toBeCloseTo(18.5, 1);
    expect(value('cylinders.r4.againS') / 60).toBeCloseTo(397.8, 1);
  });
  it('finds nothing of itself, and no figure refers to nothing', () => {
    expect(codes(made)).toEqual([]);
    expect(made.ledger.missing).toEqual([]);
  });
  it('has a page a place, with a line a cylinder in the order of the stations', () => {
    const pages = ticketPages(made);
    expect(pages.map((p) => p.stone.key)).toEqual([
      ...['base', 'copper', 'grind', 'stylus', 'inspect', 'chrome', 'polish', 'proof', 'release', 'store'],
    ]);
    const engraving = pages.find((p) => p.stone.key === 'stylus');
    expect(engraving?.lists[0]?.rows.map((r) => r[1])).toEqual(['gold', 'yellow', 'red', 'blue', 'black']);
    for (const p of pages)
      for (const l of p.lists) for (const row of l.rows) expect([p.stone.key, row.length]).toEqual([p.stone.key, l.head.length]);
    // What is alike is said once, what is each body's own stands in the table above; a blank under each.
    const asked = pages.find((p) => p.stone.key === 'grind')?.lists.find((l) => l.title === 'readingsAsked');
    expect(asked?.head).toEqual(['reading', 'aim, allowed', 'gold', 'yellow', 'red', 'blue', 'black']);
    expect(asked?.rows.map((r) => r.slice(0, 2))).toEqual([
      ['diameter', 'as above, each its own'],
      ['taper', '10 µm or less'],
      ['roughness Rz', ''],
    ]);
    // Nine do not find room beside one another: a line each.
    const nine = of({ rows: Object.fromEntries(Array.from({ length: 9 }, (_, i) => [`r${i + 1}`, { ink: `ink ${i + 1}` }])) });
    const lines = ticketPages(nine)
      .find((p) => p.stone.key === 'polish')
      ?.lists.find((l) => l.title === 'readingsAsked');
    expect(lines?.rows.map((r) => r[0])).toEqual(Array.from({ length: 9 }, (_, i) => `ink ${i + 1}`));
    expect(sceneOf(made, 'cylinders.r1.proof')?.says).toContain('black 80 micrometres');
  });
  it('goes by the base as it was measured, once somebody has', () => {
    const measured = { 'cylinders.r1.base.r1': { diameter: { value: 158.6, by: 'Anselm' } } };
    const then = of({}, { ...ALWAYS, measured });
    expect(then.plan.figures['cylinders.r1.copper.r1.copperUm']?.value).toBeCloseTo(269.5, 1);
    expect(then.plan.figures['cylinders.r1.copper.r2.toPlateUm']?.value).toBeCloseTo(299.5, 1);
    expect(then.plan.figures['cylinders.r1.copper.r1.toPlateUm']?.value).toBeCloseTo(309.5, 1);
  });
});

describe('ways and bodies', () => {
  it('engraves by laser into zinc and by resist and etch beside the stylus, each with its stones', () => {
    const mixed = of({ rows: { r1: { ink: 'gold' }, r2: { ink: 'red', way: 'laser' }, r3: { ink: 'black', way: 'etch' } } });
    expect(mixed.plan.stones.map((s) => s.key)).toEqual([
      ...[
        'base',
        'copper',
        'grind',
        'zinc',
        'resist',
        'stylus',
        'laser',
        'expose',
        'etch',
        'inspect',
        'chrome',
        'polish',
        'proof',
        'release',
        'store',
      ],
    ]);
    expect(mixed.ledger.missing).toEqual([]);
    // 25.4 million cells at 50,000 a second.
    expect(mixed.plan.figures['cylinders.r2.laser.runS']?.value).toBeCloseTo(1_500 + (1_410 * 500.063 * 36) / 50_000, 0);
  });
  it('is one run where it has one row', () => {
    const one = of({ rows: { r1: { ink: 'gold' } } });
    expect(Object.keys(one.plan.steps)).toHaveLength(10);
    expect(one.plan.figures['cylinders.r1.proof.strain']).toBeUndefined();
    expect(one.ledger.missing).toEqual([]);
  });
  it('makes a pair: a male of 0.80 and a female of 1.40, as deep as 0.25 wants, tried on the stock', () => {
    const pair = planned(
      shopJob('Pair', 'pair', {
        kind: 'made',
        family: 'embossing-pair',
        wish: { motifs: 1, motifWidthMm: 100, motifHeightMm: 100, motifPercent: 50 },
      }),
      LINDMOOR,
      ALWAYS,
    );
    expect(pair.plan.stones.map((s) => s.key)).toEqual(['base', 'grind', 'mill', 'inspect', 'chrome', 'polish', 'try', 'release', 'store']);
    expect(pair.plan.figures['pair.female.widthMm']?.value).toBeCloseTo(1.4, 9);
    expect(pair.plan.figures['pair.male.depthMm']?.value).toBeCloseTo(0.357, 3);
    // Made again: no copper is laid on steel, but it is milled again. 30 + 75 + 45 + 66.7 + 30.
    expect(pair.plan.figures['pair.male.againS']?.value).toBeCloseTo(60 * (30 + 75 + 45 + 30) + 4_000, 6);
    const mill = ticketPages(pair).find((p) => p.stone.key === 'mill')?.lists[0]?.rows[0];
    expect(mill).toEqual(expect.arrayContaining(['1 of 100 × 100 mm', '1', '100']));
    // Half of each pad is milled, in half of 133.3 min.
    expect(pair.plan.figures['pair.male.mill.male.millingS']?.value).toBeCloseTo(4_000, 6);
    expect(codes(pair)).toEqual([]);
    expect(pair.ledger.missing).toEqual([]);
  });
});

describe('what lies in the store then', () => {
  it('is a card a cylinder: ink, screen, size, base, owner, turns on its chrome', () => {
    const set = of({ owner: 'Marlock Papers', place: 'rack C' });
    expect(rollersMade({ ...set, plant: LINDMOOR })).toHaveLength(5);
    expect(rollersMade({ ...set, plant: LINDMOOR })[0]).toMatchObject({
      ink: 'gold',
      version: 'v2',
      spec: 'gold, station 1, 54/cm 45°, turn 500.000 mm, face 1450 mm, base B-201',
      sizeMm: [1_450, 500],
      owner: 'Marlock Papers',
      place: 'rack C',
      life: 1_000_000,
    });
    expect(rollersMade({ ...set, plant: LINDMOOR })[1]?.life).toBe(2_000_000);
    // Two sets are ten cylinders, each with a card of its own.
    const spec = drawerCylinders();
    spec.items['i1']!.versions['only']!.quantity = 2;
    const two = rollersMade({ ...planned(spec, LINDMOOR, ALWAYS), plant: LINDMOOR });
    expect(two).toHaveLength(10);
    expect(new Set(two.map((r) => r.part)).size).toBe(10);
    expect(two[1]?.spec).toContain('2 of 2');
  });
});

describe('what goes out', () => {
  it('is an order sheet, a line a body, and every reading with what is allowed', () => {
    const measured = { 'cylinders.r1.grind.r1': { diameter: { value: 159.16, by: 'Ida' } } };
    const set = of({}, { ...ALWAYS, measured });
    const sheet = cylinderRows(set.plan);
    expect(sheet).toHaveLength(5);
    expect(sheet[4]).toMatchObject({
      station: 5,
      of: 'black',
      'diameter over chrome mm': 159.2349,
      'copper µm': 289.5,
      'cells a turn': 2_476,
    });
    const rows = readingRows(set, { measured });
    expect(rows.find((r) => r['step'] === 'Grind, polish, gold' && r['reading'] === 'diameter')).toEqual({
      ...{ step: 'Grind, polish, gold', reading: 'diameter', unit: 'mm', allowed: 'aim 159.139 mm; 159.129 to 159.149 mm' },
      ...{ measured: 159.16, within: 'no', by: 'Ida' },
    });
    expect(cylinderRows(plan(cardSpec(), LINDMOOR, SHELF))).toEqual([]);
  });
});

describe('any set', () => {
  const row = fc.record({
    way: fc.constantFrom(...ENGRAVING_WAYS),
    linesPerCm: fc.integer({ min: 20, max: 120 }),
    angleDeg: fc.integer({ min: 30, max: 60 }),
    cellUm: fc.integer({ min: 20, max: 300 }),
  });
  const wish = fc.record({
    firstTurnMm: fc.integer({ min: 200, max: 1_200 }),
    stepUm: fc.integer({ min: 0, max: 40 }),
    bandMm: fc.integer({ min: 50, max: 1_400 }),
    chromeUm: fc.integer({ min: 5, max: 12 }),
    rows: fc
      .array(row, { minLength: 1, maxLength: 4 })
      .map((rows) => Object.fromEntries(rows.map((r, i) => [`r${i + 1}`, { ink: `i${i}`, ...r }]))),
  });
  it('closes from base over copper and chrome to its diameter, refers to nothing that is not there, and has every cell of every page', () => {
    fc.assert(
      fc.property(wish, (asked) => {
        const set = of({ baseMm: undefined, ...asked });
        const at = (id: string): number => set.plan.figures[id]?.value ?? NaN;
        expect(set.ledger.missing).toEqual([]);
        for (const key of Object.keys(asked.rows)) {
          const [part, n] = [`cylinders.${key}`, Number(key.slice(1))];
          const layers = (2 * (at(`${part}.copperUm`) + asked.chromeUm)) / 1_000;
          expect(at(`${part}.baseMm`) + layers).toBeCloseTo(at(`${part}.diameterMm`), 9);
          expect(at(`${part}.turnMm`) - asked.firstTurnMm).toBeCloseTo((Math.PI * (n - 1) * asked.stepUm) / 1_000, 9);
        }
        for (const { lists } of ticketPages(set))
          for (const { head, rows } of lists)
            expect(rows.filter((r) => r.length !== head.length || r.some((c) => /NaN|undefined/.test(c)))).toEqual([]);
      }),
      { numRuns: 40 },
    );
  });
  it('is engraved in half the time by two heads, but for mounting; other stages take as long', () => {
    const two = planned(drawerCylinders({}, { settings: { 'cylinders.r1.stylus': { heads: 2 } } }), LINDMOOR, ALWAYS).plan.figures;
    for (const r of ['r1', 'r5']) {
      const id = `cylinders.r1.stylus.${r}.runS`;
      expect((two[id]!.value - 1_500) * 2).toBeCloseTo(value(id) - 1_500, 6);
    }
    expect(two['cylinders.r1.chrome.r1.runS']?.value).toBe(value('cylinders.r1.chrome.r1.runS'));
  });
});
