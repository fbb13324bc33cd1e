import type { Shelf } from '../../plant/plant';
import { PRACTICE_DEFAULTS } from '../../plant/practice';
import { apply, type Edit } from '../../product/edit';
import type { JobSpec } from '../../product/job-spec';
import { JobSpecSchema } from '../door';
import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { labelSpec } from '../line-2.fixture';
import { plan } from '../plan';
import type { Plan } from '../plan-types';
import { riskCurve } from '../readings/risk-curve';
import { riverOf } from '../readings/river';

const value = (p: Plan, id: string): number => p.figures[id]?.value ?? 0;
const plain = plan(cardSpec(), LINDMOOR, SHELF);
const FRONT = 'card.card.print.front';
const applied = (spec: JobSpec, edits: readonly Edit[]): JobSpec => {
  const done = apply(spec, edits, JobSpecSchema);
  if (!done.ok) throw new Error(JSON.stringify(done));
  return done.made;
};

describe('extra sheets against risk', () => {
  const curve = riskCurve(cardSpec(), LINDMOOR, SHELF, 'i1');
  const at = (wish: number | null) => curve?.points.find((p) => p.wish === wish);
  it('starts at net and allowances, which the handbook means to suffice in 85 of 100 jobs', () => {
    expect(at(null)).toMatchObject({ pulled: 2_229, reserve: 0 }); // as worked by hand
    expect(at(null)?.chance).toBeGreaterThanOrEqual(0.85);
    expect(at(null)?.chance).toBeLessThan(0.87);
  });
  it('wants some per cent more paper for 95, not half as much again, and says what comes back as a rule', () => {
    const [bare, wish] = [at(null)?.pulled ?? 0, at(0.95)];
    expect(wish?.pulled ?? 0).toBeGreaterThan(bare * 1.02);
    expect(wish?.pulled ?? 0).toBeLessThan(bare * 1.15);
    expect(wish?.reserve).toBe((wish?.pulled ?? 0) - bare);
    expect(wish?.back ?? 0).toBeGreaterThan((at(null)?.back ?? 0) + 100);
    expect(wish?.money ?? 0).toBeGreaterThan(at(null)?.money ?? 0);
  });
  it('rises with every wish, in certainty, sheets and money', () => {
    const points = curve?.points ?? [];
    expect(points.map((p) => p.wish)).toEqual([null, 0.9, 0.95, 0.98, 0.99]);
    points.slice(1).forEach((p, i) => {
      const before = points[i] as (typeof points)[number];
      expect([p.chance > before.chance, p.pulled > before.pulled, p.money > before.money]).toEqual([true, true, true]);
    });
  });
  it('says its width, and that it is from the handbook', () => {
    expect(curve?.jobs).toBeNull();
    expect(Math.max(...(curve?.points.map((p) => p.chanceHigh - p.chanceLow) ?? []))).toBeGreaterThan(0.05);
    expect(curve?.points.every((p) => p.chanceLow <= p.chance && p.chance <= p.chanceHigh)).toBe(true);
  });
  it('narrows with the works’ own log, and says from how many jobs', () => {
    const own = { jobs: 120, meanPpm: 20_000, sdPpm: 8_000, runningSpread: 0.4, setupFactor: 1, setupSpread: 0.4 };
    const losses = Object.fromEntries(['offset', 'foil', 'guillotine', 'fold', 'apply', 'envelope'].map((p) => [p, own]));
    const learned = riskCurve(cardSpec(), LINDMOOR, { ...SHELF, losses, together: { spread: 0.2, jobs: 120 } }, 'i1');
    expect(learned?.jobs).toBe(120);
    const width = (c: typeof curve): number => Math.max(...(c?.points.map((p) => p.chanceHigh - p.chanceLow) ?? []));
    expect(width(learned)).toBeLessThan(width(curve) * 0.6);
  });
});

describe('a reserve', () => {
  const wish = (certainty: number): JobSpec => ({ ...cardSpec(), choices: { ...cardSpec().choices, certainty } });
  const sure = plan(wish(0.95), LINDMOOR, SHELF);
  it('meets the wish and settles the finding', () => {
    for (const certainty of [0.9, 0.95, 0.99]) {
      const met = plan(wish(certainty), LINDMOOR, SHELF);
      expect(value(met, met.items['i1']?.chance ?? '')).toBeGreaterThanOrEqual(certainty - 0.002);
      expect(met.findings.map((f) => f.code)).not.toContain('risk.short');
    }
  });
  it('lies in sheets and pieces in hand, never in finished ones: what is bought for the pieces hardly moves', () => {
    expect(value(sure, 'card.card.pack.pallet.out.demand')).toBe(value(plain, 'card.card.pack.pallet.out.demand'));
    expect(value(sure, 'card.card.band.run')).toBe(value(plain, 'card.card.band.run'));
    expect(value(sure, 'card.card.envelope.envelopes.demand')).toBe(value(plain, 'card.card.envelope.envelopes.demand'));
  });
  it('lies before each step in proportion to its allowance, unprinted before the press', () => {
    const times = value(sure, 'i1.reserveTimes');
    // By hand: front has 225 to set up and 42 running kept (2 % of 2,003 − 225 …); the first reserve is (times − 1) of what it keeps.
    const kept = value(plain, `${FRONT}.lost.setup`) + value(plain, `${FRONT}.lost.running`);
    expect(value(sure, `${FRONT}.reserve`)).toBe(Math.ceil((times - 1) * kept - 1e-9));
    expect(sure.flows[sure.steps[FRONT]?.takes[0]?.flow ?? '']?.unit).toBe('sheet');
    expect(value(sure, 'total.reserve')).toBe(value(sure, 'total.sheets') - value(plain, 'total.sheets'));
  });
  it('shows apart from what is likely lost in the river', () => {
    const stones = riverOf(sure);
    const print = stones.find((s) => s.key === 'print');
    expect(print?.likelyCopies ?? 0).toBeGreaterThan(0);
    expect(print?.likelyCopies ?? 0).toBeLessThan(print?.lostCopies ?? 0);
    expect(stones.at(-1)?.reserveOut).toBe(0);
    stones.forEach((s) => {
      expect(s.reserveIn).toBeGreaterThanOrEqual(s.reserveOut);
    });
    expect(Math.max(...stones.map((s) => s.reserveIn))).toBeLessThan((stones[0]?.inCopies ?? 0) - 10_000);
  });
});

describe('finding 41', () => {
  const codes = (spec: JobSpec, shelf = SHELF): string[] => plan(spec, LINDMOOR, shelf).findings.map((f) => f.code);
  it('is silent in ordinary work', () => {
    for (const quantity of [500, 5_000, 50_000]) expect(codes(cardSpec(quantity))).not.toContain('risk.short');
    expect(codes(labelSpec())).not.toContain('risk.short');
  });
  it('fires where somebody counts on less, on the step or by a figure set by hand', () => {
    const typed = { ...cardSpec(), choices: { ...cardSpec().choices, settings: { 'card.card.print': { setupSheets: 60 } } } };
    const byHand = {
      ...cardSpec(),
      overrides: { [`${FRONT}.setupCycles`]: { value: 60, reason: 'a quiet day', by: 'anselm', until: SHELF.asOf + 86_400 } },
    };
    expect(codes(typed)).toContain('risk.short');
    expect(codes(byHand)).toContain('risk.short');
  });
  it('fires where the stock covers the good pieces but not the allowance', () => {
    const lot = (quantity: number): Shelf => ({
      ...SHELF,
      lots: { 'lot-1': { stock: plain.forms['card.card']?.stock ?? '', quantity, owner: 'works' } },
    });
    expect(codes(cardSpec(), lot(2_100))).toContain('risk.short');
    expect(codes(cardSpec(), lot(1_000))).not.toContain('risk.short'); // finding 6 says that it must be bought
    expect(codes(cardSpec(), lot(3_000))).not.toContain('risk.short');
  });
  it('fires where the plant’s table sets aside less than its own log has seen lost', () => {
    const lines: [number, number][] = [
      [1_000, 60],
      [10_000, 200],
    ];
    const table = { ...LINDMOOR, spoilage: { offset: { school: 'table' as const, tables: [{ upToInks: 9, lines }] } } };
    const own = { jobs: 60, meanPpm: 60_000, sdPpm: 20_000, runningSpread: 0.3, setupFactor: 1.5, setupSpread: 0.4 };
    const worse = plan(cardSpec(), table, { ...SHELF, losses: { offset: own }, together: { spread: 0.2, jobs: 60 } });
    expect(worse.findings.map((f) => f.code)).toContain('risk.short');
    expect(plan(cardSpec(), table, SHELF).findings.map((f) => f.code)).not.toContain('risk.short');
  });
  it('is settled by its remedy, which raises nothing graver', () => {
    const strict = { ...LINDMOOR, practice: { ...LINDMOOR.practice, 'risk.wish': { ...PRACTICE_DEFAULTS['risk.wish'], value: 0.95 } } };
    const found = plan(cardSpec(), strict, SHELF).findings.find((f) => f.code === 'risk.short');
    const remedy = found?.remedies[0];
    expect(remedy).toMatchObject({ do: 'edit', says: 'remedy.layReserve', args: { share: 95 } });
    const done = remedy?.do === 'edit' ? applied(cardSpec(), remedy.edits) : cardSpec();
    expect(plan(done, strict, SHELF).findings.map((f) => f.code)).not.toContain('risk.short');
  });
});
