import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { earlyHash, earlyThings } from './early-release';
import { needsOf } from '../readings/needs';
import { plan } from '../plan';

const now = plan(cardSpec(10_000), LINDMOOR, SHELF);
const more = plan(cardSpec(20_000), LINDMOOR, SHELF);

describe('what may be released before the rest', () => {
  const things = earlyThings(now, LINDMOOR);
  it('is paper, goods and tools, what takes longest first', () => {
    expect(new Set(things.map((t) => t.kind))).toEqual(new Set(['stock', 'goods', 'tool']));
    const days = things.map((t) => t.leadDays);
    expect(days).toEqual([...days].sort((a, b) => b - a));
    for (const t of things) expect(t.amount).toBeGreaterThan(0);
  });
  it('keeps its name while nothing of it changes, and changes it with the amount', () => {
    const paper = things.find((t) => t.kind === 'stock')?.id ?? '';
    const plates = things.find((t) => t.name.startsWith('plate'))?.id ?? '';
    expect(earlyHash(now, LINDMOOR, paper)).toBe(earlyHash(plan(cardSpec(10_000), LINDMOOR, SHELF), LINDMOOR, paper));
    expect(earlyHash(more, LINDMOOR, paper)).not.toBe(earlyHash(now, LINDMOOR, paper));
    expect(earlyHash(more, LINDMOOR, plates)).toBe(earlyHash(now, LINDMOOR, plates));
  });
  it('has no name for what the plan does not have', () => {
    expect(earlyHash(now, LINDMOOR, 'nothing')).toBeNull();
  });
  it('blocks the release when the plan would change it', () => {
    const paper = things.find((t) => t.kind === 'stock')?.id ?? '';
    const frozen = { [paper]: earlyHash(now, LINDMOOR, paper) ?? '' };
    const codes = (quantity: number): string[] =>
      plan(cardSpec(quantity), LINDMOOR, { ...SHELF, frozen })
        .findings.filter((f) => f.level === 'release')
        .map((f) => f.code);
    expect(codes(10_000)).not.toContain('frozen.changed');
    expect(codes(20_000)).toContain('frozen.changed');
  });
});

describe('what a job needs of the store', () => {
  it('is what it pulls, by the start of its step when nothing is promised', () => {
    const [need] = needsOf(now, LINDMOOR, { ...SHELF, due: {} });
    expect(need?.quantity).toBe(now.figures['card.card.stock.in.demand']?.value);
    expect(need?.byS).toBe(now.figures['card.card.stock.startAt']?.value);
  });
  it('is wanted later by what the job has in hand, never before now', () => {
    const ready = now.figures['total.readyAt']?.value ?? 0;
    const start = now.figures['card.card.stock.startAt']?.value ?? 0;
    const by = (due: number): number => needsOf(now, LINDMOOR, { ...SHELF, due: { i1: due } })[0]?.byS ?? 0;
    expect(by(ready + 86_400)).toBe(start + 86_400);
    expect(by(ready - 300 * 86_400)).toBe(SHELF.asOf);
  });
});
