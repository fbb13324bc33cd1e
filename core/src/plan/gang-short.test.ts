import type { Shelf } from '../plant/plant';
import { LINDMOOR, SHELF } from './line-1.fixture';
import { sleeveSpec } from './line-5.fixture';
import { plan, planned } from './plan';
import { JobSpecSchema } from './door';
import { costOfMore, morePieces } from './what-if/run-on';
import { type ShortageOption, shortageOptions } from './what-if/shortage';

/* One order of a gang falls short: the others stay as they are, and none of their blanks are taken. */

const spec = sleeveSpec();
const now = planned(spec, LINDMOOR, SHELF);
const goods = now.plan.items['kiln']!.goods;

describe('21 sleeves of one order short while form A is still on', () => {
  const more = morePieces(now.plan, SHELF, goods, 21)!;
  it('take 22 good sheets at the die, one blank each: 25 press sheets (worked example of line 5)', () => {
    expect(['breakOut', 'die', 'coat', 'print'].map((s) => more.steps.get(`plays.${s}.A`))).toEqual([22, 23, 24, 25]);
    expect(more.pulled).toBe(25);
    expect([...more.steps.keys()].some((id) => id.includes('.B'))).toBe(false);
  });
  it('cost what a press sheet and a sleeve more cost, without setting anything up', () => {
    const { money, machineS } = costOfMore(now, more);
    const [perSheet] = [25 / now.plan.figures['plays.print.A.run']!.value];
    expect(money).toBeGreaterThan(perSheet * (now.plan.figures['plays.stock.A.cost']?.value ?? 0));
    expect(money).toBeLessThan(60);
    expect(machineS).toBeGreaterThan(0);
  });
  it('come from the form that gives most of them: lanterns from B with two, and from A once B is done', () => {
    const lantern = now.plan.items['lantern']!.goods;
    const steps = (counted: Shelf['counted']): string[] => [...morePieces(now.plan, { ...SHELF, counted }, lantern, 10)!.steps.keys()];
    expect(steps({})).toContain('plays.print.B');
    const done = { run: 600, good: 381, done: true };
    expect(steps({ 'plays.print.B': done })).toContain('plays.print.A');
    expect(morePieces(now.plan, { ...SHELF, counted: { 'plays.print.A': done, 'plays.print.B': done } }, lantern, 10)).toBeNull();
  });
});

describe('sleeves short once both forms are off the press', () => {
  const done = (id: string): Shelf['counted'] => {
    const at = (k: string): number => now.plan.figures[`${id}.${k}`]!.value;
    return { [id]: { run: at('run'), good: at('good'), done: true } };
  };
  const counted = {
    ...done('plays.print.A'),
    ...done('plays.print.B'),
    'kiln.blank.glue': { run: 1_540, good: 1_495, done: true },
  };
  const found = shortageOptions({
    spec,
    plant: LINDMOOR,
    shelf: { ...SHELF, counted },
    number: 2424,
    item: 'kiln',
    by: '2026-03-20T12:00',
  })!;
  const way = (name: ShortageOption['way']): ShortageOption => found.options.find((o) => o.way === name)!;
  it('cannot be run on with', () => {
    expect(found.short).toBeGreaterThan(0);
    expect(way('runOn').not).toBe('printed');
  });
  it('are made again from the kept plates of form A: one place of eight counts, the rest is waste', () => {
    const child = JobSpecSchema.parse(way('rerun').child);
    const made = plan(child, LINDMOOR, SHELF);
    expect(Object.keys(child.items)).toEqual(['kiln']);
    expect(made.forms['kiln.blank']?.layout?.cells).toHaveLength(1);
    expect(made.figures['kiln.wanted']?.value).toBe(found.short);
    expect(made.findings.map((f) => f.code)).not.toContain('gang.refused');
    expect(made.stones.some((s) => s.process === 'platemaking')).toBe(false);
    // The press that was chosen for the gang prints it.
    expect(made.stones.find((s) => s.key === 'print')?.machine).toBe('press8');
  });
  it('take a place on the next common sheets for less than plates and sheets of their own, as a job that may be joined to others', () => {
    const next = way('nextGang');
    const child = JobSpecSchema.parse(next.child);
    const made = plan(child, LINDMOOR, SHELF);
    expect(made.figures['kiln.wanted']?.value).toBe(found.short);
    expect(made.stones.some((s) => s.process === 'platemaking')).toBe(true);
    const alone = made.figures[made.totals.money!]!.value;
    expect(next.money).toBeLessThan(alone);
    // Gluing, tray and packing of its own are paid in full.
    const later = made.stones.slice(made.stones.findIndex((s) => s.process === 'breakOut') + 1).map((s) => s.id);
    expect(later).toHaveLength(3);
    const own = later.flatMap((id) => ['costSetup', 'costRun'].flatMap((cost) => made.figures[`${id}.${cost}`] ?? []));
    expect(own.length).toBeGreaterThanOrEqual(4);
    expect(next.money).toBeGreaterThan(own.reduce((sum, f) => sum + f.value, 0));
  });
  it('are topped up without plates on all places of the die', () => {
    const child = JobSpecSchema.parse(way('digital').child);
    const made = plan(child, LINDMOOR, SHELF);
    expect(made.figures['kiln.blank.copiesUp']?.value).toBe(8);
  });
});
