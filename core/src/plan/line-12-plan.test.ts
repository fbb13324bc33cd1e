import * as fc from 'fast-check';
import { JobSpecSchema } from './door';
import { cardSpec, LINDMOOR, MONDAY_S, SHELF } from './line-1.fixture';
import { drawerPaper, ROPE_AND_COMPASS } from './line-12.fixture';
import { planned, sceneOf } from './plan';
import { anyRolls } from './rolls-arbitrary.fixture';
import { toolJob } from './what-if/tool-job';
import { floorSteps } from './readings/floor-steps';
import { editSays } from './readings/edit-says';
import { ticketPages } from './readings/ticket';
import { formatNumber as n } from '../words/format';
import type { Shelf } from '../plant/plant';
import type { JobSpec } from '../product/job-spec';

const of = (spec: JobSpec = drawerPaper(), shelf: Shelf = SHELF) => planned(JobSpecSchema.parse(spec), LINDMOOR, shelf);
const made = of();
const figure = (from: typeof made, id: string): number => from.plan.figures[id]?.value ?? NaN;
const value = (id: string): number => figure(made, id);
const inTurn = of(drawerPaper({}, { settings: { 'rolls.web.print': { reelMetres: 6_400, designs: 'inTurn' } } }));
const [PRINT, WIND] = ['rolls.web.print', 'rolls.web.wind'];

describe('drawer paper in two designs, planned', () => {
  it('fills 1,000 boxes from 6,041 sleeved of each, 6,138 lengths, 26,368 repeats: 13,184 m, 1,131.2 kg', () => {
    expect(value('rolls.web.assort.run')).toBe(1_000);
    expect(['v1', 'v2'].map((v) => value(`rolls.web.sleeve.${v}.run`))).toEqual([6_041, 6_041]);
    expect(value(`${WIND}.run`)).toBe(6_138);
    expect(value(`${PRINT}.need`)).toBe(24_552);
    expect(value(`${PRINT}.run`)).toBe(26_368);
    expect(value('rolls.web.stock.in.demand')).toBe(13_184);
    expect(value('rolls.web.stock.mass')).toBeCloseTo(1_131.2, 1);
    expect(value('rolls.web.stock.rolls')).toBe(2);
  });
  it('brings all rolls of both designs to the boxes, also as counted', () => {
    const boxes = made.plan.stones.find((s) => s.key === 'assort');
    expect(value(boxes?.in ?? '')).toBe(12_000);
    const counted = { 'rolls.web.assort': { run: 500, good: 500, done: false } };
    const begun = of(drawerPaper(), { ...SHELF, counted }).plan.stones.find((s) => s.key === 'assort');
    expect(begun?.real?.copiesIn).toBe(12);
  });
  it('lies in two lanes, a design each, and begins 1.0 mm further on with every roll', () => {
    expect(value('rolls.web.lanes')).toBe(2);
    expect(made.plan.forms['rolls.web']?.layout?.web?.designs).toEqual([
      { version: 'v1', name: 'Rope', lanes: 1 },
      { version: 'v2', name: 'Compass', lanes: 1 },
    ]);
    expect(value('rolls.web.relaxedMm')).toBeCloseTo(499.75, 2);
    expect(value('rolls.web.driftMm')).toBeCloseTo(1, 2);
    expect(value('rolls.web.bandMm')).toBe(1_410);
    expect(value('rolls.web.rollDiameterMm')).toBeCloseTo(34.86, 2);
  });
  it('takes the press 214.2 min, the winder 156.3 at 3,600 an hour, two mother reels of 6,400', () => {
    expect((value(`${PRINT}.setupS`) + value(`${PRINT}.runS`)) / 60).toBeCloseTo(214.2, 1);
    expect(value(`${WIND}.anHour`)).toBeCloseTo(3_600, 6);
    expect((value(`${WIND}.setupS`) + value(`${WIND}.runS`)) / 60).toBeCloseTo(156.3, 1);
    expect(value(`${WIND}.reels`)).toBe(2);
    expect(value('rolls.web.reelByDiameter')).toBeCloseTo(6_460, 0);
  });
  it('wants 145.17 kg ready for press, 97.99 bought; 4,471 m of film for each design, 60.2 laid flat', () => {
    expect(value(`${PRINT}.readyKg`)).toBeCloseTo(145.17, 2);
    expect(value(`${PRINT}.boughtKg`)).toBeCloseTo(97.99, 2);
    expect(value(`${PRINT}.ink.gold.onSheets`)).toBeCloseTo(71.06, 2);
    // 20 kg stand in pan and pipes, of which 17 come back.
    expect(value(`${PRINT}.ink.gold.kg`)).toBeCloseTo(91.06, 2);
    expect(value(`${PRINT}.ink.gold.returns`)).toBe(17);
    expect(value('rolls.web.sleeve.v1.film.demand')).toBe(4_471);
    expect(value('rolls.web.sleeve.v1.layflatMm')).toBeCloseTo(60.2, 1);
  });
  it('in turn runs 13,767 and 13,547 repeats, 3,077 lengths each, changing four cylinders of five: gold stays in', () => {
    expect(['v1', 'v2'].map((v) => figure(inTurn, `${WIND}.${v}.run`))).toEqual([3_077, 3_077]);
    expect(['v1', 'v2'].map((v) => figure(inTurn, `${PRINT}.${v}.run`))).toEqual([13_767, 13_547]);
    // 13,657 m; the store brings whole metres for each.
    expect(figure(inTurn, 'rolls.web.stock.in.demand') - value('rolls.web.stock.in.demand')).toBe(474);
    expect(Object.values(inTurn.plan.tools).map((t) => t.spec.split(',').length)).toEqual([5 + 2, 4 + 2]);
    expect(figure(inTurn, `${PRINT}.v2.ink.gold.returns`)).toBe(0);
  });
  it('finds nothing of gravure in ordinary work, and no figure refers to nothing', () => {
    for (const plan of [made, inTurn]) {
      expect(plan.plan.findings.map((f) => f.code).filter((c) => /^(gravure|assort|bleed|ink\.fill|roll)/.test(c))).toEqual([]);
      expect(plan.ledger.missing).toEqual([]);
    }
  });
});

describe('its cylinders', () => {
  const child = { number: 2428, name: 'Cylinders', readyAt: MONDAY_S + 5 * 86_400, delivered: false, money: 2_480 };
  const supply = { [`${PRINT}.cylinders`]: { from: 'job' as const, job: 'c1', item: 'i1' } };
  it('are one job of the cylinder shop: a set of five for this turn and band, on the stations, for the turns of the run', () => {
    const job = toolJob({ spec: drawerPaper(), plan: made.plan, tool: `${PRINT}.cylinders`, by: '2026-03-06T06:00' });
    const product = job?.products['cylinders'];
    if (product?.kind !== 'made' || product.family !== 'cylinder-set') throw new Error('no cylinders');
    expect(job?.items['i1']?.versions['only']?.quantity).toBe(1);
    expect(product.wish).toMatchObject({ firstTurnMm: 500, bandMm: 1_410, faceMm: 1_450, printedOn: 'surface', runTurns: 26_368 });
    expect(Object.values(product.wish.rows ?? {}).map((r) => [r.ink, r.station])).toEqual([
      ['gold', 1],
      ['yellow', 2],
      ['red', 3],
      ['blue', 4],
      ['black', 5],
    ]);
    expect(planned(JobSpecSchema.parse(job), LINDMOOR, SHELF).plan.findings.filter((f) => f.level === 'release')).toEqual([]);
  });
  it('hold the press until they are delivered, and cost what their job costs; bought they are five at a price', () => {
    const waits = of(drawerPaper({}, { supply }), { ...SHELF, jobs: { c1: child } });
    expect(figure(waits, `${PRINT}.startAt`)).toBeGreaterThanOrEqual(child.readyAt);
    expect(figure(waits, `${PRINT}.cylinders.cost`)).toBe(2_480);
    expect(value(`${PRINT}.cylinders.cost`)).toBe(5 * 620);
    const stored = of(drawerPaper({}, { supply: { [`${PRINT}.cylinders`]: { from: 'store', tool: 't1' } } }), {
      ...SHELF,
      tools: { t1: { name: 'gold', lifeLeft: 20_000 } as never },
    });
    expect(stored.plan.figures[`${PRINT}.cylinders.cost`]).toBeUndefined();
    // 26,368 turns and a twentieth to spare.
    expect(stored.plan.findings.find((f) => f.code === 'die.strokesLeft')).toMatchObject({ args: { left: 20_000, need: 27_687 } });
  });
});

describe('other ways to run it', () => {
  it('cut at the mark is as long as four repeats of the slack web, and takes whole turns', () => {
    const marked = of(drawerPaper({ cut: 'mark', turnMm: 500.25 }));
    expect(figure(marked, 'rolls.web.lengthMm')).toBeCloseTo(2_000, 2);
    expect(figure(marked, 'rolls.web.turnsARoll')).toBe(4);
  });
  it('rests before it is wound where children come near, and asks for what is left of the solvent', () => {
    const child = of(drawerPaper({ child: true }));
    expect(child.plan.steps[WIND]?.waits).toMatchObject([{ after: PRINT, why: 'rest' }]);
    expect(figure(child, `${WIND}.startAt`) - figure(child, `${PRINT}.endAt`)).toBeGreaterThanOrEqual(15 * 3_600);
    const press = child.contexts.find((c) => c.cx.id === PRINT)!;
    expect(press.stone.process.measures?.(press.cx).map((m) => m.key)).toEqual([
      ...['viscosity.s1', 'viscosity.s2', 'viscosity.s3', 'viscosity.s4', 'viscosity.s5', 'solventLeft'],
    ]);
  });
  it('prints slower with water-based ink, without a zone of explosion, and buys no solvent', () => {
    const water = of(drawerPaper({}, { settings: { 'rolls.web.print': { water: 'yes' } } }));
    expect(figure(water, `${PRINT}.metresAMinute`)).toBeCloseTo(140, 9);
    expect(water.plan.steps[PRINT]?.cautions).toEqual(['nips', 'blades']);
    expect(water.plan.figures[`${PRINT}.solventCost`]).toBeUndefined();
  });
  it('has one design in all lanes and packs it in cartons; three designs on two lanes run in turn', () => {
    const one = of(drawerPaper({ aBox: undefined }, {}, { only: { name: '', quantity: 6_000, changes: [] } }));
    expect(one.plan.stones.map((s) => s.key)).toEqual(['stock', 'print', 'wind', 'sleeve', 'pack']);
    expect(figure(one, `${WIND}.need`)).toBe(Math.ceil(figure(one, 'rolls.web.sleeve.run') / 2));
    expect(one.ledger.missing).toEqual([]);
    const three = of(drawerPaper({}, {}, { ...ROPE_AND_COMPASS, v3: { name: 'Tide', quantity: 6_000, changes: [] } }));
    // A design that says nothing of its cylinders has all of its own.
    expect(figure(three, `${PRINT}.v3.setupCycles`)).toBe(1_100);
    expect(figure(three, 'rolls.web.assort.run')).toBe(1_500);
  });
  it('says in the history whose lanes were set', () => {
    const before = drawerPaper();
    const edit = { at: ['choices', 'settings', PRINT, 'lanes.v2'], now: 2 };
    expect(editSays(edit, before, LINDMOOR).place).toContain('lanes of Compass');
  });
  it('lays designs in the lanes that somebody set, as far as there are so many', () => {
    const lanes = (of4: number, set: Record<string, number>) =>
      of(drawerPaper({ widthMm: 1_400 / of4 }, { settings: { 'rolls.web.print': set } })).plan.forms[
        'rolls.web'
      ]?.layout?.web?.designs?.map((d) => d.lanes);
    expect(lanes(4, {})).toEqual([2, 2]);
    expect(lanes(4, { 'lanes.v1': 3, 'lanes.v2': 1 })).toEqual([3, 1]);
    expect(lanes(4, { 'lanes.v1': 4, 'lanes.v2': 1 })).toEqual([2, 2]);
  });
});

describe('on the floor', () => {
  const steps = floorSteps(made, { currency: 'EUR', timeZone: 'UTC' }, false).map(({ step }) => step);
  const stepOf = (id: string) => steps.find((s) => s.step === id);
  it('has a pile of its own for each design at the winder, by its name', () => {
    expect(stepOf(WIND)?.parted?.map((p) => [p.name, p.per])).toEqual([
      ['Rope', 1],
      ['Compass', 1],
    ]);
  });
  it('tells the press what a break is reckoned by, and asks it for the viscosity of each station', () => {
    expect(stepOf(PRINT)?.breaks).toEqual({ turnMm: 500, pathM: 60, registerM: 45 });
    expect(stepOf(PRINT)?.measures?.map((m) => [m.of, m.least, m.aim, m.most])[0]).toEqual(['gold', 16, 19, 22]);
    expect(stepOf(WIND)?.breaks).toBeUndefined();
    expect(stepOf(WIND)?.cutsOut).toEqual({ lengthM: 2 });
  });
});

describe('its pages', () => {
  const pages = ticketPages(made);
  const list = (key: string, title: string) => pages.flatMap((p) => (p.stone.key === key ? p.lists : [])).find((l) => l.title === title);
  it('tell each department its own, every row as long as its head', () => {
    expect([...new Set(pages.map((p) => p.stone.key))]).toEqual(['stock', 'print', 'wind', 'sleeve', 'assort']);
    for (const p of pages.filter((q) => q.stone.key !== 'stock'))
      for (const l of p.lists)
        for (const row of l.rows) expect([p.stone.key, l.title, row.length]).toEqual([p.stone.key, l.title, l.head.length]);
  });
  it('tell the press its stations and lanes, and the winder its reels from the outside', () => {
    expect(list('print', 'stations')?.rows.map((r) => [r[0], r[2], r[3]])).toEqual([
      ['1', '500.000 mm', 'gold'],
      ['2', '500.063 mm', 'yellow'],
      ['3', '500.126 mm', 'red'],
      ['4', '500.188 mm', 'blue'],
      ['5', '500.251 mm', 'black'],
    ]);
    expect(list('print', 'lanesFromOperator')?.rows).toEqual([
      ['1', 'Rope'],
      ['2', 'Compass'],
    ]);
    // The paper roll ends after 8,990 m of the run, on the second reel: 12,276 − 8,990 from its outside.
    expect(list('wind', 'reelsToWind')?.rows.map((r) => r.slice(0, 4))).toEqual([
      ['1', `0 – ${n(6_400)}`, `${n(6_400)} m`, 'none planned'],
      ['2', `${n(6_400)} – ${n(12_276)}`, `${n(5_876)} m`, `${n(3_286)} m`],
    ]);
    expect(list('assort', 'designsInBox')?.rows.map((r) => r.slice(0, 3))).toEqual([
      ['Rope', '6', n(6_000)],
      ['Compass', '6', n(6_000)],
    ]);
  });
  it('draw web, reels, sleeve and box', () => {
    for (const key of ['stock', 'print', 'wind', 'sleeve.v1', 'assort'])
      expect([key, (sceneOf(made, `rolls.web.${key}`)?.shapes.length ?? 0) > 3]).toEqual([key, true]);
    expect(sceneOf(made, WIND)?.says).toContain('2 mother reels');
  });
});

it('adds up whatever is ordered: lanes hold what is wanted, boxes take what is wound, nothing refers to nothing', () => {
  const orders = fc.record({
    rope: fc.integer({ min: 1, max: 40_000 }),
    compass: fc.integer({ min: 1, max: 40_000 }),
    lengthM: fc.integer({ min: 1, max: 100 }).map((n) => n / 2),
    widthMm: fc.integer({ min: 120, max: 690 }),
    turnMm: fc.integer({ min: 380, max: 900 }),
    turn: fc.boolean(),
    mark: fc.boolean(),
    aBox: fc.option(fc.integer({ min: 2, max: 40 }), { nil: undefined }),
    coreMm: fc.option(fc.integer({ min: 20, max: 80 }), { nil: undefined }),
  });
  fc.assert(
    fc.property(orders, ({ rope, compass, turn, mark, ...wish }) => {
      const versions = { v1: { ...ROPE_AND_COMPASS['v1']!, quantity: rope }, v2: { ...ROPE_AND_COMPASS['v2']!, quantity: compass } };
      const settings: JobSpec['choices']['settings'] = turn ? { [PRINT]: { designs: 'inTurn' } } : {};
      const { plan, ledger } = of(drawerPaper({ ...wish, cut: mark ? 'mark' : 'length' }, { settings }, versions));
      expect(ledger.missing).toEqual([]);
      const at = (id: string): number => plan.figures[id]?.value ?? NaN;
      const wound = Object.entries(plan.steps).filter(([, s]) => s.process === 'wind');
      for (const [id, step] of wound)
        for (const { flow, per } of step.gives) expect(at(`${id}.good`) * per).toBeGreaterThanOrEqual(at(`${flow}.demand`) - 1e-6);
      const turns = at('rolls.web.turnsARoll');
      const printed = Object.entries(plan.steps).filter(([, s]) => s.process === 'gravure');
      const [good, taken] = [printed, wound].map((steps, i) =>
        steps.reduce((sum, [id]) => sum + (i === 0 ? at(`${id}.good`) : at(`${id}.run`) * turns), 0),
      );
      expect(good).toBeGreaterThanOrEqual((taken ?? 0) - 1e-6);
      if (wish.aBox === undefined) {
        const goods = Object.entries(plan.items).map(([id, { goods: flow }]) => [id, at(`${flow}.demand`)]);
        expect(Object.fromEntries(goods)).toEqual({ 'i1.v1': rope, 'i1.v2': compass });
      }
    }),
    { numRuns: 40 },
  );
});

it('is planned, drawn and printed whatever the door lets in: every number finite, no page without an end, nothing that refers to nothing where there is a paper', () => {
  fc.assert(
    fc.property(anyRolls, (spec) => {
      const any = planned(spec, LINDMOOR, SHELF);
      const hasPaper = Object.values(any.plan.forms).every((f) => f.stock !== null);
      if (hasPaper && Object.keys(any.plan.steps).length > 0) expect(any.ledger.missing).toEqual([]);
      expect(Object.entries(any.plan.figures).filter(([, f]) => !Number.isFinite(f.value))).toEqual([]);
      for (const page of ticketPages(any))
        for (const { title, rows } of page.lists) expect([title, rows.length < 100]).toEqual([title, true]);
      for (const { id } of any.plan.stones) expect((sceneOf(any, id)?.shapes.length ?? 0) < 1_000).toBe(true);
      expect(floorSteps(any, { currency: 'EUR', timeZone: 'UTC' }, false)).toHaveLength(Object.keys(any.plan.steps).length);
    }),
    { numRuns: 120 },
  );
});

it('prints unprinted paper without cylinders, and lists a million reels in sixty lines and the rest', () => {
  const plain = of(drawerPaper({ inks: [] }));
  expect(plain.plan.tools).toEqual({});
  expect(plain.ledger.missing).toEqual([]);
  const slip = of(drawerPaper({}, {}, { v1: { name: 'Rope', quantity: 1_000_000_000, changes: [] } }));
  const reels = ticketPages(slip)
    .find((p) => p.stone.key === 'wind')
    ?.lists.find((l) => l.title === 'reelsToWind')?.rows;
  expect(reels?.length).toBe(61);
  expect(reels?.at(-1)?.[0]).toMatch(/^and .* more$/);
});

it('offers no thinned ink to a press that prints from ducts, and no other to gravure', () => {
  const food = { ...cardSpec(10_000) };
  const card = Object.values(food.products)[0];
  if (card?.kind !== 'made') throw new Error('no card');
  const of12 = of(drawerPaper({ food: true })).plan.findings.find((f) => f.code === 'food.migration');
  expect(of12?.remedies).toMatchObject([{ do: 'edit', edits: [{ now: 'thinWater' }] }]);
  const offset = planned(
    JobSpecSchema.parse({ ...food, products: { card: { ...card, wish: { ...card.wish, food: true } } } }),
    LINDMOOR,
    SHELF,
  );
  const remedies = offset.plan.findings.filter((f) => f.code === 'food.migration').flatMap((f) => f.remedies);
  expect(JSON.stringify(remedies)).not.toContain('thin');
});
