import { breakEvenQuantity } from '../layout/work-style';
import type { JobSpec } from '../product/job-spec';
import { JobSpecSchema } from '../plan/door';
import { cardSpec, LINDMOOR, SHELF } from '../plan/line-1.fixture';
import { plan, planned, sceneOf } from '../plan/plan';
import type { Plan } from '../plan/plan-types';
import { ticketPages } from '../plan/readings/ticket';

const value = (p: Plan, id: string): number => p.figures[id]?.value ?? NaN;
const withChoices = (more: object): JobSpec => JobSpecSchema.parse({ ...cardSpec(), choices: { ...cardSpec().choices, ...more } });
const withWish = (more: object): JobSpec => {
  const wish = (cardSpec().products['card'] as unknown as { wish: object }).wish;
  return JobSpecSchema.parse({ ...cardSpec(), products: { card: { kind: 'made', family: 'folded-card', wish: { ...wish, ...more } } } });
};
const set = (stone: string, settings: object): JobSpec => withChoices({ settings: { [`card.card.${stone}`]: settings } });
const base = plan(cardSpec(), LINDMOOR, SHELF);

describe('offset', () => {
  it('prints front and back as two passes, and waits between them for the ink', () => {
    expect(base.stones.find((s) => s.key === 'print')?.steps).toEqual(['card.card.print.front', 'card.card.print.back']);
    expect(value(base, 'card.card.print.back.startAt') - value(base, 'card.card.print.front.endAt')).toBeGreaterThanOrEqual(4 * 3600);
  });
  it('takes smaller setups for repeat work', () => {
    const repeat = plan(set('print', { repeat: 'repeat' }), LINDMOOR, SHELF);
    expect(value(repeat, 'card.card.print.front.setupCycles')).toBe(135); // 225 × 0.6, by hand
    expect(value(repeat, 'card.card.print.front.setupS')).toBeLessThan(value(base, 'card.card.print.front.setupS'));
  });
  it('prints both sides at once where the press perfects, with a gripper at both ends', () => {
    const spec = withChoices({ machine: { 'card.card.print': 'press5' }, workStyle: { 'card.card': 'perfect' } });
    const p = plan(spec, LINDMOOR, SHELF);
    expect(p.forms['card.card']?.style).toBe('perfect');
    expect(p.stones.find((s) => s.key === 'print')?.steps).toEqual(['card.card.print']);
    expect(p.figures['card.card.usableDepth']?.terms['tail']).toEqual({ fig: 'card.card.gripper' });
  });
  it('pays setup, fill and wash-up once in work and turn: the second pass runs from the form that stands', () => {
    // Without foil: with it half the dies would strike backs.
    const plain = withWish({ foils: {} });
    const turned = { ...plain, choices: { ...plain.choices, workStyle: { 'card.card': 'turn' } } };
    const p = plan(turned, LINDMOOR, SHELF);
    expect(p.steps['card.card.print.back']?.keepsFrom).toBe('card.card.print.front');
    expect(['setupCycles', 'setupS', 'lost.setup'].map((f) => value(p, `card.card.print.back.${f}`))).toEqual([0, 0, 0]);
    for (const ink of ['K', 'C', 'M', 'Y']) {
      const [first, second] = ['front', 'back'].map((side) => `card.card.print.${side}.ink.${ink}`);
      expect(value(p, `${first}.kg`) - value(p, `${first}.onSheets`)).toBeCloseTo(0.8, 9);
      expect(value(p, `${second}.kg`)).toBeCloseTo(value(p, `${second}.onSheets`), 12);
    }
  });
  it('prints each side of a perfected sheet from units of its own: ink, fill and order by side', () => {
    const four = ['K', 'C', 'M', 'Y'];
    const limits = { ...LINDMOOR.machines['press5']!.limits, units: 8, perfects: 1 };
    const eight = { ...LINDMOOR, machines: { ...LINDMOOR.machines, press5: { ...LINDMOOR.machines['press5']!, limits } } };
    const spec = withWish({ front: four, back: four });
    const choices = { ...spec.choices, machine: { 'card.card.print': 'press5' } };
    const both = plan({ ...spec, choices: { ...choices, workStyle: { 'card.card': 'perfect' } } }, eight, SHELF);
    const turned = plan({ ...spec, choices: { ...choices, workStyle: { 'card.card': 'sheetwise' } } }, eight, SHELF);
    expect(both.steps['card.card.print']?.inks).toEqual([...four, ...four]);
    expect(both.steps['card.card.print']?.prints).toEqual([
      { side: 'front', inks: four },
      { side: 'back', inks: four },
    ]);
    const kg = (p: Plan): number => value(p, 'total.inkKg');
    const fill = (p: Plan, at: string): number => value(p, `${at}.kg`) - value(p, `${at}.onSheets`);
    for (const side of ['front', 'back']) expect(fill(both, `card.card.print.${side}.ink.K`)).toBeCloseTo(0.8, 9);
    // Eight fills either way; the sheets differ only by the setup of a second pass.
    expect(kg(both) / kg(turned)).toBeGreaterThan(0.9);
  });
  it('breaks even between perfecting and turning where plates and impressions cost the same', () => {
    // By hand: 4 plates more at 15 are 60; two-up a copy is half a sheet, and turning takes one impression more a sheet at 0.03: 60 / 0.015 = 4,000 copies.
    expect(breakEvenQuantity({ fixedA: 4 * 15, eachA: (2 * 0.03) / 2, fixedB: 8 * 15, eachB: 0.03 / 2 })).toBeCloseTo(4_000, 9);
  });
  it('does not wait for ink that a lamp dries', () => {
    const p = plan(set('print', { series: 'lamp' }), LINDMOOR, SHELF);
    expect(value(p, 'card.card.print.back.waitS')).toBe(0);
  });
  it('reckons ink by the coverage typed, and by a guess of ±40 % where none was', () => {
    const typed = plan(withWish({ coveragePercent: { C: 50 } }), LINDMOOR, SHELF);
    const [half, quarter] = [typed, base].map((p) => value(p, 'card.card.print.front.ink.C.onSheets'));
    expect((half ?? 0) / (quarter ?? 1)).toBeCloseTo(2, 6);
    expect(base.figures['card.card.print.front.ink.C.onSheets']?.pm).toBeGreaterThan(0.4 * (quarter ?? 0));
  });
  it('adds the fill of duct and rollers to every ink, and a price', () => {
    for (const ink of ['K', 'C', 'M', 'Y']) {
      const at = `card.card.print.front.ink.${ink}`;
      expect(value(base, `${at}.kg`)).toBeCloseTo(value(base, `${at}.onSheets`) + 0.8, 9); // 0.7 fill + 0.1 wash-up, middle of the range
      expect(value(base, `${at}.cost`)).toBeCloseTo(value(base, `${at}.kg`) * 14, 9);
    }
  });
});

describe('stock', () => {
  it('costs nothing when it is the customer’s', () => {
    const p = plan(set('stock', { owner: 'customer' }), LINDMOOR, SHELF);
    expect(value(p, 'card.card.stock.cost')).toBe(0);
    expect(p.flows['card.card.stock.in']?.supply).toEqual({ from: 'customer' });
  });
  it('takes the price at the break its number reaches', () => {
    const few = plan(cardSpec(1_000), LINDMOOR, SHELF);
    const many = plan(cardSpec(100_000), LINDMOOR, SHELF);
    const perThousand = (p: Plan): number => (1000 * value(p, 'card.card.stock.cost')) / value(p, 'card.card.stock.in.demand');
    expect(perThousand(few)).toBeCloseTo(196, 6);
    expect(perThousand(many)).toBeCloseTo(178, 6);
  });
  it('reckons with the measured lot where there is one', () => {
    const lots = { a: { stock: base.forms['card.card']?.stock ?? '', quantity: 9_000, owner: 'works' as const, caliperUm: 412 } };
    expect(value(plan(cardSpec(), LINDMOOR, { ...SHELF, lots }), 'card.card.stock.caliper')).toBe(412);
  });
});

describe('foil', () => {
  it('draws the foil of three lanes of two dies', () => {
    // Copies lie turned for the grain: pitch 216, image 40, gap 3: four advances of 43 and a jump of 216 + 43 are five strikes, 86.2 mm each; by hand
    expect(value(base, 'card.card.foil.foil.f1.perStroke')).toBeCloseTo(86.2, 9);
    expect(value(base, 'card.card.foil.foil.f1.metres')).toBeCloseTo((86.2 * value(base, 'card.card.foil.run') * 3) / 1000, 9);
  });
  it('sets up every foil area on its own, in sheets and in time', () => {
    const two = plan(
      withWish({ foils: { f1: { name: 'crest', widthMm: 40, heightMm: 30 }, f2: { name: 'rule', widthMm: 60, heightMm: 4 } } }),
      LINDMOOR,
      SHELF,
    );
    expect(value(two, 'card.card.foil.setupCycles')).toBe(2 * value(base, 'card.card.foil.setupCycles'));
    expect(value(two, 'card.card.foil.setupS') - value(base, 'card.card.foil.setupS')).toBe(6 * 300); // six more dies of five minutes
  });
  it('buys no die that lies in the store', () => {
    const p = plan(withWish({ foils: { f1: { name: 'crest', widthMm: 40, heightMm: 30, tool: 'F-1' } } }), LINDMOOR, SHELF);
    expect(p.figures['card.card.foil.die.f1.cost']).toBeUndefined();
    expect(base.figures['card.card.foil.die.f1.cost']?.value).toBeGreaterThan(0);
  });
});

describe('the measured lot', () => {
  it('wins over the stock card everywhere a thickness counts, and the working says whose it is', () => {
    const lots = { m1: { stock: base.forms['card.card']?.stock ?? '', quantity: 20_000, owner: 'works' as const, caliperUm: 440 } };
    const p = plan(cardSpec(), LINDMOOR, { ...SHELF, lots });
    for (const figure of ['cut.perLift', 'print.perPile', 'stock.perPile'])
      expect([figure, value(p, `card.card.${figure}`)]).toEqual([
        figure,
        Math.floor(figure === 'cut.perLift' ? 100_000 / 440 : 1_000_000 / 440),
      ]);
    expect(value(p, 'card.card.fold.thickness')).toBe(2 * 440);
    expect(value(p, 'card.card.pack.thickness')).toBeCloseTo(((2 * 440 + 300) * 1.15) / 1_000, 9);
    expect(p.figures['card.card.cut.perLift']?.terms['caliperUm']).toMatchObject({ from: 'shelf', at: 'lot:m1, measured' });
  });
});

describe('work sent out', () => {
  const outside = (settings: object = {}) =>
    plan(
      withChoices({ settings: { 'card.card.foil': settings } }),
      {
        ...LINDMOOR,
        machines: {
          ...LINDMOOR.machines,
          platen1: { ...LINDMOOR.machines['platen1']!, outside: { supplier: 'Foil works', days: 5, lossPpm: 30_000 } },
        },
      },
      SHELF,
    );
  const at = (p: Plan, what: 'startAt' | 'endAt', step = 'foil'): number => value(p, `card.card.${step}.${what}`);
  it('takes the supplier’s days on the clock, and loses what the supplier may lose', () => {
    const p = outside();
    expect(at(p, 'endAt') - at(p, 'startAt')).toBe(5 * 86_400);
    expect(value(p, 'card.card.foil.runningPpm')).toBe(30_000);
    expect(at(p, 'startAt', 'cut')).toBeGreaterThanOrEqual(at(p, 'endAt'));
  });
  it('is back on the day agreed where that is later', () => {
    const p = outside({ returnBy: '2026-04-10' });
    expect(at(p, 'endAt')).toBe(Date.UTC(2026, 3, 10, 12) / 1000);
  });
});

describe('hands', () => {
  it('waits for pieces that are bought: their days count', () => {
    const ribbon = (leadDays: number) =>
      plan(withWish({ applied: { r1: { name: 'ribbon', secondsEach: 8, each: 1, supply: { from: 'buy', leadDays } } } }), LINDMOOR, SHELF);
    expect(value(ribbon(40), 'total.readyAt') - value(ribbon(2), 'total.readyAt')).toBeGreaterThan(20 * 86_400);
  });
  it('asks for pieces and envelopes with what is spoilt on the way', () => {
    expect(value(base, 'card.card.hands.r1.demand')).toBe(Math.ceil(value(base, 'card.card.hands.run') / 0.995 - 1e-9));
  });
  it('shares the work among the people at the bench', () => {
    const p = plan(set('hands', { people: 12 }), LINDMOOR, SHELF);
    expect(value(p, 'card.card.hands.clockS')).toBeCloseTo(value(base, 'card.card.hands.clockS') / 2, 6);
    // Half the hours of twice the people: the work costs what it costs.
    expect(value(p, 'card.card.hands.costRun')).toBeCloseTo(value(base, 'card.card.hands.costRun'), 6);
  });
});

describe('route', () => {
  it('leaves out what the product does not ask', () => {
    const p = plan(withWish({ foils: {}, applied: {}, envelope: '', folds: 0, perBand: 1 }), LINDMOOR, SHELF);
    expect(p.stones.map((s) => s.key)).toEqual(['stock', 'plates', 'print', 'cut', 'pack']);
  });
  it('takes a step off the route when the planner drops it', () => {
    const p = plan(withChoices({ route: { drop: ['card.card.band'] } }), LINDMOOR, SHELF);
    expect(p.stones.map((s) => s.key)).not.toContain('band');
    expect(value(p, 'card.card.pack.pallet.out.demand')).toBe(10_000);
  });
  it('puts products together into a set: twice the cards, and the bought pen', () => {
    const spec = JobSpecSchema.parse({
      ...cardSpec(500),
      items: { i1: { ...cardSpec(500).items['i1'], product: 'set' } },
      products: {
        ...cardSpec().products,
        pen: { kind: 'supplied', name: 'pen', from: { from: 'buy', leadDays: 1 } },
        set: {
          kind: 'set',
          by: 'assemble',
          of: [
            { product: 'card', times: 2 },
            { product: 'pen', times: 1 },
          ],
        },
      },
    });
    const p = plan(spec, LINDMOOR, SHELF);
    const run = value(p, 'set.assemble.run');
    expect(value(p, 'card.card.pack.pallet.out.demand')).toBe(2 * run);
    expect(value(p, 'pen.goods.demand')).toBe(run);
  });
});

describe('drawings and ticket', () => {
  const made = planned(cardSpec(), LINDMOOR, SHELF);
  test.each(made.plan.stones.map((s) => [s.key, s.id]))('%s has a drawing that tells itself in words', (_key, id) => {
    const scene = sceneOf(made, id);
    expect(scene?.shapes.length).toBeGreaterThan(2);
    expect(scene?.says.length).toBeGreaterThan(10);
    expect(scene?.says).not.toMatch(/undefined|NaN/);
    for (const s of scene?.shapes ?? []) {
      for (const n of Object.values(s).flat(2)) if (typeof n === 'number') expect(Number.isFinite(n)).toBe(true);
    }
  });
  it('draws as many copies as are up', () => {
    expect(sceneOf(made, 'card.card.stock')?.shapes.filter((s) => s.role === 'copy')).toHaveLength(6);
  });
  it('has a page for every department, with the next machine and until when to wait', () => {
    const pages = ticketPages(made);
    expect(pages.map((p) => p.department)).toEqual([
      'store',
      'prepress',
      'ink',
      'press',
      'foil',
      'guillotine',
      'fold',
      'bench',
      'bench',
      'packing',
      'packing',
    ]);
    const press = pages.find((p) => p.department === 'press');
    expect(press?.next).toBe('Platen 1');
    expect(press?.waitUntil).toBe('card.card.foil.startAt');
    expect(pages.at(-1)?.next).toBeNull();
  });
  it('lists the cutting program cut by cut', () => {
    const page = ticketPages(made).find((p) => p.department === 'guillotine');
    expect(page?.lists[0]?.rows).toHaveLength(10);
  });
});
