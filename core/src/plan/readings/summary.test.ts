import { JobSpecSchema } from '../door';
import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { plan } from '../plan';
import { findingKey } from '../../processes/finding';
import { cheaperFrom, type Compared } from './compared';
import { summaryOf } from './summary';
import { stoneName } from './stone-name';
import { thumbnailSvg } from './thumbnail';

const p = plan(cardSpec(), LINDMOOR, SHELF);

describe('the summary a list shows', () => {
  const summary = summaryOf(p, cardSpec(), LINDMOOR, SHELF);
  it('repeats the plan’s own figures', () => {
    expect(summary).toMatchObject({
      good: 10_000,
      pulled: p.figures['total.sheets']?.value,
      pulledUnit: 'sheet',
      plates: 5,
      blocking: 0,
      pieces: 'pieces',
      of: p.of,
    });
  });
  it('draws the river from the widest on, never growing', () => {
    expect(summary.river[0]).toBe(1);
    for (const [i, w] of summary.river.entries()) expect(w).toBeLessThanOrEqual((summary.river[i - 1] ?? 1) + 1e-9);
  });
  it('says nothing of an ordinary job', () => {
    expect([summary.worst, summary.undecided]).toEqual([null, 0]);
  });
  const tight = JobSpecSchema.parse({
    ...cardSpec(),
    choices: { ...cardSpec().choices, settings: { 'card.card.print': { setupSheets: 60 } } },
  });
  it('names the gravest finding that asks something of a person', () => {
    expect(summaryOf(plan(tight, LINDMOOR, SHELF), tight, LINDMOOR, SHELF).worst?.code).toBe('risk.short');
  });
  it('counts what is undecided, and not what was decided', () => {
    expect(summaryOf(plan(tight, LINDMOOR, SHELF), tight, LINDMOOR, SHELF).undecided).toBe(1);
    const key = findingKey({ code: 'risk.short', at: 'job' });
    const decided = JobSpecSchema.parse({ ...tight, decisions: { [key]: { by: 'test', reason: 'runs the risk', at: 1 } } });
    expect(summaryOf(plan(decided, LINDMOOR, SHELF), decided, LINDMOOR, SHELF).undecided).toBe(0);
  });
  it('carries a picture without text', () => {
    const picture = thumbnailSvg(cardSpec(), LINDMOOR);
    expect(picture).toMatch(/^<svg /);
    expect(picture).not.toContain('<text');
  });
});

describe('break-even against the plan of now', () => {
  const way = (fixed: number, money: number): Compared => ({ fixed, money }) as Compared;
  it('is where the dearer start has paid for itself', () => {
    // 1,000 pieces: now 100 fixed + 0.5 each, the other 300 fixed + 0.3 each: equal at 1,000
    expect(cheaperFrom(way(300, 600), way(100, 600), 1000)).toBeCloseTo(1000, 6);
  });
  it('is never where the other is dearer in both', () => {
    expect(cheaperFrom(way(300, 900), way(100, 600), 1000)).toBe(Infinity);
  });
});

test('a stone without a family’s word is called by its key', () => {
  expect(stoneName({ family: 'set', key: 'assemble' })).toBe('assemble');
  expect(stoneName({ family: 'folded-card', key: 'cut' })).toBe('Cut');
});
