import fc from 'fast-check';
import type { Machine, Plant, Shelf } from '../plant/plant';
import { type JobSpec } from '../product/job-spec';
import { JobSpecSchema } from '../plan/door';
import { cardSpec, LINDMOOR, MONDAY_S, SHELF } from '../plan/line-1.fixture';
import { labelSpec } from '../plan/line-2.fixture';
import { plan, planned, sceneOf } from '../plan/plan';
import type { Plan } from '../plan/plan-types';

/* What must hold of every process whatever is ordered: packs and lifts are filled, tools follow the layout, time runs forward, money adds up. */

const value = (p: Plan, id: string): number => p.figures[id]?.value ?? NaN;
const quantity = fc.integer({ min: 1, max: 300_000 });
const runs = { numRuns: 25 };
const withChoices = (spec: JobSpec, more: object): JobSpec => JobSpecSchema.parse({ ...spec, choices: { ...spec.choices, ...more } });
const withMachine = (id: string, more: Partial<Machine>): Plant => ({
  ...LINDMOOR,
  machines: { ...LINDMOOR.machines, [id]: { ...(LINDMOOR.machines[id] as Machine), ...more } },
});
/** So many packs hold so many things: none left over, none empty. */
const filled = (things: number, each: number, packs: number): boolean => packs * each >= things && (packs - 1) * each < things;

describe('packing', () => {
  it('fills every carton but the last, and every pallet but the last', () => {
    fc.assert(
      fc.property(quantity, (n) => {
        const p = plan(cardSpec(n), LINDMOOR, SHELF);
        const at = (what: string): number => value(p, `card.card.pack.${what}`);
        return filled(n, at('perCarton'), at('cartons')) && filled(at('cartons'), at('perPallet'), at('pallets'));
      }),
      runs,
    );
  });
  it('packs no carton heavier than a person may lift often, unless one layer is', () => {
    const most = 12; // the default of `pack.cartonKg`
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 400 }), fc.integer({ min: 60, max: 400 }), (w, h) => {
        const spec = cardSpec(5_000);
        const product = spec.products['card'] as unknown as { wish: Record<string, unknown> };
        const p = plan(
          JobSpecSchema.parse({
            ...spec,
            products: { card: { ...product, wish: { ...product.wish, openWidthMm: w, openHeightMm: h, foils: {}, perBand: 1 } } },
          }),
          LINDMOOR,
          SHELF,
        );
        return value(p, 'card.card.pack.cartonKg') <= most + 1e-9 || value(p, 'card.card.pack.perCarton') <= 2;
      }),
      runs,
    );
  });
  it('takes a number of pieces a carton that is typed, whatever it would have taken', () => {
    const p = plan(withChoices(cardSpec(1_000), { settings: { 'card.card.pack': { perCarton: 120 } } }), LINDMOOR, SHELF);
    expect(value(p, 'card.card.pack.perCarton')).toBe(120);
    expect(value(p, 'card.card.pack.cartons')).toBe(9); // 1,000 / 120 = 8.33, by hand
  });
  it('bands whole bands and one short one', () => {
    fc.assert(
      fc.property(quantity, (n) => {
        const p = plan(cardSpec(n), LINDMOOR, SHELF);
        return filled(n, 6, value(p, 'card.card.band.bands'));
      }),
      runs,
    );
  });
  it('stacks labels in whole stacks and one short one', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5_000_000 }), (n) => {
        const p = plan(labelSpec(n), LINDMOOR, SHELF);
        const id: string = p.stones.find((s) => s.key === 'stack')?.id ?? '';
        const each = p.steps[id]?.gives[0]?.per ?? 0;
        return each > 0 && filled(n, each, value(p, `${id}.run`));
      }),
      runs,
    );
  });
});

describe('cutting', () => {
  it('cuts every sheet in lifts no higher than the knife takes', () => {
    fc.assert(
      fc.property(quantity, (n) => {
        const p = plan(cardSpec(n), LINDMOOR, SHELF);
        const [lifts, each, sheets] = ['lifts', 'perLift', 'taken.card.card.foil.out'].map((w) => value(p, `card.card.cut.${w}`));
        return filled(sheets ?? NaN, each ?? NaN, lifts ?? NaN) && ((each ?? 0) * value(p, 'card.card.stock.caliper')) / 1000 <= 100 + 1e-9;
      }),
      runs,
    );
  });
  it('takes longer for more lifts, and never less than one', () => {
    const time = (n: number): number => value(plan(cardSpec(n), LINDMOOR, SHELF), 'card.card.cut.runS');
    expect(time(1)).toBeGreaterThan(0);
    for (const n of [1_000, 10_000, 100_000]) expect(time(10 * n)).toBeGreaterThan(time(n));
  });
});

describe('forms', () => {
  it('has a die for every copy on the sheet and every foil area', () => {
    for (const areas of [1, 2, 3]) {
      const spec = cardSpec();
      const product = spec.products['card'] as unknown as { wish: Record<string, unknown> };
      const foils = Object.fromEntries(
        Array.from({ length: areas }, (_, i) => [`f${i + 1}`, { name: `crest ${i + 1}`, widthMm: 30, heightMm: 20 }]),
      );
      const p = plan(
        JobSpecSchema.parse({ ...spec, products: { card: { ...product, wish: { ...product.wish, foils } } } }),
        LINDMOOR,
        SHELF,
      );
      const dies = Object.values(p.tools).filter((t) => t.kind === 'foil die');
      expect(dies).toHaveLength(areas);
      for (const die of dies) expect(value(p, die.count)).toBe(value(p, 'card.card.copiesUp'));
    }
  });
  it('makes plates again once a life is used up, and never fewer for more sheets', () => {
    let before = 0;
    for (const n of [1_000, 100_000, 1_000_000, 5_000_000]) {
      const remakes = value(plan(cardSpec(n), LINDMOOR, SHELF), 'card.card.print.front.remakes');
      expect(remakes).toBeGreaterThanOrEqual(before);
      before = remakes;
    }
    expect(before).toBeGreaterThan(0);
  });
});

describe('time', () => {
  const inOpenHours = (p: Plan, open: [number, number][], at: number): boolean =>
    Object.keys(p.steps).every((step) =>
      open.some(([from, to]) => from <= value(p, `${step}.startAt`) && value(p, `${step}.startAt`) < to),
    ) && at <= value(p, 'total.readyAt');
  const day = 86_400;
  const hours = (from: number, to: number): [number, number][] =>
    Array.from({ length: 400 }, (_, d): [number, number] => [MONDAY_S + d * day + (from - 6) * 3600, MONDAY_S + d * day + (to - 6) * 3600]);
  const shelf = (open: [number, number][], more: Partial<Shelf> = {}): Shelf => ({ ...SHELF, open: { any: open }, ...more });

  it('starts every step in open hours, after what it waits for', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60_000 }),
        fc.integer({ min: 6, max: 12 }),
        fc.integer({ min: 2, max: 10 }),
        (n, from, long) => {
          const open = hours(from, from + long);
          const p = plan(cardSpec(n), LINDMOOR, shelf(open));
          const after = Object.entries(p.steps).every(([id, s]) =>
            s.waits.every((w) => value(p, `${id}.startAt`) >= value(p, `${w.after}.endAt`) + value(p, w.figure) - 1e-6),
          );
          return after && inOpenHours(p, open, MONDAY_S);
        },
      ),
      runs,
    );
  });
  it('is never ready later for longer hours, nor earlier for a slower machine', () => {
    const ready = (plant: Plant, open: [number, number][]): number => value(plan(cardSpec(), plant, shelf(open)), 'total.readyAt');
    const usual = ready(LINDMOOR, hours(6, 14));
    expect(ready(LINDMOOR, hours(6, 22))).toBeLessThanOrEqual(usual);
    for (const id of ['press3', 'platen1', 'folder2', 'bench'])
      expect(ready(withMachine(id, { netPerHour: (LINDMOOR.machines[id]?.netPerHour ?? 0) / 2 }), hours(6, 14))).toBeGreaterThanOrEqual(
        usual,
      );
  });
  it('waits for an answer that is asked for, and says that it does', () => {
    const free = plan(cardSpec(), LINDMOOR, shelf(hours(6, 22)));
    const gate = Object.values(free.steps).flatMap((s) => s.needs)[0]?.gate ?? '';
    const by = MONDAY_S + 20 * day;
    const held = plan(cardSpec(), LINDMOOR, shelf(hours(6, 22), { gates: { [gate]: { state: 'waiting', by } } }));
    expect(value(held, 'total.readyAt')).toBeGreaterThan(by);
    expect(held.assumptions).toContainEqual({ code: 'assume.gate', args: { what: gate, version: '', by } });
    expect(value(free, 'total.readyAt')).toBeLessThan(by);
  });
  it('waits for paper that must be bought, as long as it takes to come', () => {
    const none = plan(cardSpec(), LINDMOOR, { ...shelf(hours(6, 22)), lots: {} });
    const stock = LINDMOOR.stocks[none.forms['card.card']?.stock ?? ''];
    expect(value(none, 'card.card.stock.startAt')).toBeGreaterThanOrEqual(MONDAY_S + (stock?.leadDays ?? 0) * day);
    expect(none.assumptions.map((a) => a.code)).toContain('assume.stock');
  });
  it('says that the calendar ends where it does', () => {
    const p = plan(cardSpec(500_000), LINDMOOR, shelf([[MONDAY_S, MONDAY_S + 3600]]));
    expect(p.assumptions.map((a) => a.code)).toContain('assume.hoursUnknown');
    expect(Number.isFinite(value(p, 'total.readyAt'))).toBe(true);
  });
});

describe('money and risk', () => {
  it('is never less for dearer paper, machines or more pieces', () => {
    const money = (spec: JobSpec, plant = LINDMOOR): number => value(plan(spec, plant, SHELF), 'total.money');
    const usual = money(cardSpec());
    for (const id of ['press3', 'platen1', 'knife1', 'folder2', 'bench']) {
      const rate = LINDMOOR.machines[id]?.runCostPerHour ?? 0;
      expect(money(cardSpec(), withMachine(id, { runCostPerHour: rate + 50 }))).toBeGreaterThan(usual);
    }
    expect(money(cardSpec(20_000))).toBeGreaterThan(usual);
  });
  it('costs a thousand more less than a thousand from the start', () => {
    fc.assert(
      fc.property(fc.integer({ min: 200, max: 100_000 }), (n) => {
        const p = plan(cardSpec(n), LINDMOOR, SHELF);
        return value(p, 'total.runOn') <= value(p, 'total.perThousand') + 1e-9;
      }),
      runs,
    );
  });
  it('is surer of enough the more it aims at', () => {
    let before = 0;
    for (const aim of [10_000, 10_200, 10_500, 11_000, 12_000]) {
      const p = plan(withChoices(cardSpec(), { aim: { i1: aim } }), LINDMOOR, SHELF);
      const chance = value(p, p.items['i1']?.chance ?? '');
      expect(chance).toBeGreaterThan(before);
      before = chance;
    }
    expect(before).toBeLessThan(1);
  });
  it('asks the same sheets of the same job done again, but less setup', () => {
    const again = plan(
      withChoices(cardSpec(), { settings: { 'card.card.print': { repeat: 'repeat' }, 'card.card.foil': { repeat: 'repeat' } } }),
      LINDMOOR,
      SHELF,
    );
    const first = plan(cardSpec(), LINDMOOR, SHELF);
    expect(value(again, 'total.sheets')).toBeLessThan(value(first, 'total.sheets'));
    expect(value(again, 'total.machineS')).toBeLessThan(value(first, 'total.machineS'));
    expect(value(again, 'card.card.copiesUp')).toBe(value(first, 'card.card.copiesUp'));
  });
});

describe('the web', () => {
  it('balances what went in, what was good and what was destroyed, at any quantity', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5_000_000 }), (n) => {
        const p = plan(labelSpec(n), LINDMOOR, SHELF);
        return Object.values(p.counts.steps).every(
          (c) => Math.abs(value(p, c.run) - value(p, c.good) - Object.values(c.lost).reduce((s, id) => s + value(p, id), 0)) < 1e-6,
        );
      }),
      runs,
    );
  });
  it('draws a repeat mistyped by a thousand without drowning in sheets', () => {
    const spec = labelSpec(1);
    const made = planned(withChoices(spec, { settings: { 'label.web.print': { repeatMm: 201_500 } } }), LINDMOOR, SHELF);
    for (const s of made.plan.stones) expect(sceneOf(made, s.id)?.shapes.length).toBeLessThan(20_000);
  });
  it('never needs fewer metres for more labels, and whole rolls hold what is pulled', () => {
    let before = 0;
    for (const n of [1_000, 50_000, 288_000, 1_000_000, 4_000_000]) {
      const p = plan(labelSpec(n), LINDMOOR, SHELF);
      const metres = value(p, 'total.metres');
      expect(metres).toBeGreaterThanOrEqual(before);
      const pull = p.stones.find((s) => s.process === 'pullRoll')?.id ?? '';
      const part = Object.keys(p.parts)[0] ?? '';
      expect(value(p, `${pull}.rolls`) * value(p, `${part}.rollLength`)).toBeGreaterThanOrEqual(metres);
      before = metres;
    }
  });
});
