import { LINDMOOR, SHELF, cardSpec, MONDAY_S } from './line-1.fixture';
import { sameAgain } from './what-if/same-again';
import { jobsAsked, toolJob } from './what-if/tool-job';
import { plan, planned, sceneOf } from './plan';
import { ticketPages } from './readings/ticket';
import type { Choices } from '../product/job-spec';

/*
 * Dies of 40 × 30 mm for the crest of line 1, worked by hand. Metal around the image 5 mm, saw 3 mm, 45 s a cm², ten minutes to look at each
 * (common practice, no source). Blank 50 × 40; the raw edge of a plate is sawn off too, so each takes 53 × 43. On a plate of 300 × 400 lie upright
 * ⌊300/53⌋ × ⌊400/43⌋ = 5 × 9 = 45, turned ⌊300/43⌋ × ⌊400/53⌋ = 6 × 7 = 42: upright.
 */
const parent = plan(cardSpec(), LINDMOOR, SHELF);
const die = Object.keys(parent.tools).find((id) => parent.tools[id]?.kind === 'foil die')!;
const dies = parent.figures[parent.tools[die]!.count]!.value;
const job = toolJob({ spec: cardSpec(), plan: parent, tool: die, by: '2026-03-06T06:00' })!;
const made = planned(job, LINDMOOR, SHELF);
const value = (id: string, p = made.plan): number => p.figures[id]?.value ?? NaN;

describe('dies made for a job', () => {
  it('are as many as the form has copies, of the image the order names, for no order', () => {
    expect(dies).toBeGreaterThan(1);
    expect(job.items['i1']).toMatchObject({ orderLine: null, product: 'die', versions: { only: { quantity: dies } } });
    const { spec } = parent.tools[die]!;
    const { face, widthMm, heightMm } = (job.products['die'] as { wish: Record<string, unknown> }).wish as never as {
      face: string;
      widthMm: number;
      heightMm: number;
    };
    expect(`${face} ${widthMm} × ${heightMm} mm`).toBe(spec);
  });
  it('take blanks with metal around the image, as many as lie on a plate, and one plate', () => {
    const { widthMm } = (job.products['die'] as { wish: { widthMm: number } }).wish;
    expect(value('die.die.widthMm')).toBe(widthMm + 10);
    expect(value('die.die.copiesUp')).toBe(45);
    expect(value('die.die.saw.run')).toBe(dies);
    expect(value('die.die.engrave.run')).toBe(dies);
    expect(value('die.die.stock.in.demand')).toBe(1);
  });
  it('are engraved in their time: area × 45 s + 600 s each', () => {
    const { widthMm, heightMm } = (job.products['die'] as { wish: { widthMm: number; heightMm: number } }).wish;
    expect(value('die.die.engrave.runS')).toBeCloseTo(dies * ((widthMm * heightMm * 45) / 100 + 600), 6);
  });
  it('say so on paper: what to saw, what to engrave, what to look at', () => {
    const pages = ticketPages(made).filter((p) => p.department === 'engraving');
    expect(pages.map((p) => p.stone.key)).toEqual(['saw', 'engrave']);
    expect(pages[1]?.lists[0]?.rows).toHaveLength(dies);
    expect(sceneOf(made, 'die.die.engrave')?.says).toMatch(/mirrored/);
    expect(made.plan.findings.filter((f) => f.level === 'release')).toEqual([]);
  });
});

describe('the job they are made for', () => {
  const supply: Choices['supply'] = { [die]: { from: 'job', job: 'child', item: 'i1' } };
  const spec = { ...cardSpec(), choices: { ...cardSpec().choices, supply } };
  const child = { number: 2_500, name: 'Dies', readyAt: MONDAY_S + 20 * 86_400, delivered: false, money: 612 };
  it('waits for them, says for which job, and pays what that job costs', () => {
    const waits = plan(spec, LINDMOOR, { ...SHELF, jobs: { child } });
    expect(value('card.card.foil.startAt', waits)).toBeGreaterThanOrEqual(child.readyAt);
    expect(waits.assumptions).toContainEqual({ code: 'assume.job', args: { job: 2_500, name: 'Dies', by: child.readyAt } });
    expect(jobsAsked(spec)).toEqual(['child']);
    expect(value(`${die}.cost`, waits)).toBe(612);
    expect(waits.figures['total.money']!.value - parent.figures['total.money']!.value).toBeCloseTo(612 - value(`${die}.cost`, parent), 6);
  });
  it('does not begin before they lie in the store', () => {
    const open = (made: ReturnType<typeof plan>) => made.findings.find((f) => f.code === 'child.open');
    expect(open(plan(spec, LINDMOOR, { ...SHELF, jobs: { child } }))).toMatchObject({
      level: 'start',
      at: 'card.card.foil',
      args: { job: 2_500 },
    });
    expect(open(plan(spec, LINDMOOR, { ...SHELF, jobs: { child: { ...child, delivered: true } } }))).toBeUndefined();
  });
  it('takes them from the store when it is made again', () => {
    const jobs = { child: { ...child, delivered: true, tool: 'D-7' } };
    const again = sameAgain(
      { spec, plant: LINDMOOR, number: 1 },
      { plant: LINDMOOR, shelf: { ...SHELF, jobs }, times: 1, by: '2026-06-01T12:00' },
    );
    expect(again.spec.choices.supply).toEqual({ [die]: { from: 'store', tool: 'D-7' } });
    const unmade = sameAgain({ spec, plant: LINDMOOR, number: 1 }, { plant: LINDMOOR, shelf: SHELF, times: 1, by: '2026-06-01T12:00' });
    expect(unmade.spec.choices.supply).toEqual({});
  });
  it('may begin as soon as they lie in the store', () => {
    const there = plan(spec, LINDMOOR, { ...SHELF, jobs: { child: { ...child, delivered: true } } });
    expect(value('card.card.foil.startAt', there)).toBeLessThan(child.readyAt);
  });
  it('without them is held, and priced as if they were bought', () => {
    const lost = plan(spec, LINDMOOR, SHELF);
    expect(lost.findings.find((f) => f.code === 'child.gone')).toMatchObject({ level: 'release', at: 'card.card.foil' });
    expect(value(`${die}.cost`, lost)).toBe(value(`${die}.cost`, parent));
  });
});
