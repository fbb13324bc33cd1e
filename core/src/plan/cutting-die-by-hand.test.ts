import { LINDMOOR, MONDAY_S, SHELF } from './line-1.fixture';
import { cartonSpec } from './line-4.fixture';
import { plan, planned, sceneOf } from './plan';
import { ticketPages } from './readings/ticket';
import { toolJob } from './what-if/tool-job';
import type { Choices } from '../product/job-spec';

/*
 * The die of the tea carton made in the works' own die room, worked by hand: 12 places, 15.339 m cut and 11.355 m crease (line 4), 240 s a metre of rule, 1.8 × 15.339
 * = 27.61 m of rubber at 40 s, plates 4 h (common practice, no source). Time (15.339 + 11.355) × 240 + 27.61 × 40 + 14,400 = 21,910.8 s.
 */
const spec = cartonSpec();
const parent = plan(spec, LINDMOOR, SHELF);
const use = Object.keys(parent.tools).find((id) => parent.tools[id]?.kind === 'cutting die')!;
const job = toolJob({ spec, plan: parent, tool: use, by: '2026-03-06T06:00' })!;
const made = planned(job, LINDMOOR, SHELF);
const value = (id: string): number => made.plan.figures[id]?.value ?? NaN;

describe('a cutting die made for a job', () => {
  it('is one, with the places, rules and board of its job, for no order', () => {
    expect(job.items['i1']).toMatchObject({ orderLine: null, versions: { only: { quantity: 1 } } });
    expect((job.products['die'] as { wish: object }).wish).toMatchObject({
      ...{ places: 12, sheetWidthMm: 1_060, sheetHeightMm: 670, cutM: 15.339, creaseM: 11.355, boardUm: 440 },
    });
  });
  it('takes one board, with room around the sheet to hold it by', () => {
    expect([value('die.die.widthMm'), value('die.die.heightMm')]).toEqual([1_100, 710]);
    expect(value('die.die.stock.in.demand')).toBe(1);
    expect(value('die.die.dieShop.run')).toBe(1);
  });
  it('takes the time of its rules, its rubber and its plates', () => {
    expect(value('die.die.dieShop.rubberM')).toBeCloseTo(27.61, 2);
    expect(value('die.die.dieShop.runS')).toBeCloseTo(21_910.8, 0);
  });
  it('says on paper what to make and what to look at, and finds nothing of itself', () => {
    const [page] = ticketPages(made).filter((p) => p.stone.key === 'dieShop');
    expect(page?.rows.map((r) => r.label)).toEqual(expect.arrayContaining(['dieDrawing', 'dieCuts', 'creaseRule', 'rubber']));
    expect(page?.lists[0]?.rows).toHaveLength(7);
    expect(sceneOf(made, 'die.die.dieShop')?.says).toMatch(/1100 by 710/);
    expect(made.plan.findings.filter((f) => f.level === 'release')).toEqual([]);
  });
});

describe('the job it is made for', () => {
  const supply: Choices['supply'] = { [use]: { from: 'job', job: 'child', item: 'i1' } };
  const waiting = { ...spec, choices: { ...spec.choices, supply } };
  const child = { number: 2_501, name: 'Die', readyAt: MONDAY_S + 20 * 86_400, delivered: false, money: 912 };
  it('waits for it at the die press, and pays what that job costs in place of a bought one', () => {
    const waits = plan(waiting, LINDMOOR, { ...SHELF, jobs: { child } });
    expect(waits.figures['carton.blank.die.startAt']!.value).toBeGreaterThanOrEqual(child.readyAt);
    const cost = Object.entries(waits.figures).find(([id]) => id === `${use}.cost`)![1];
    expect([cost.value, cost.formula]).toEqual([912, 'dieCut.dieOfJob']);
  });
});
