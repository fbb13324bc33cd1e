import { assumptionSays } from '../words/en';
import type { Gate, JobSpec } from '../product/job-spec';
import type { Shelf } from '../plant/plant';
import { JobSpecSchema } from './door';
import { cardSpec, LINDMOOR, SHELF } from './line-1.fixture';
import { plan } from './plan';

const proof: Gate = { kind: 'fileProof', version: 'v2', who: 'choir', by: '2026-03-10T10:00', holds: 'release' };
const gated = (gate: Partial<Gate> = {}): JobSpec => JobSpecSchema.parse({ ...cardSpec(), gates: { g1: { ...proof, ...gate } } });
const answered = (state: 'open' | 'waiting' | 'refused', by?: number): Shelf => ({
  ...SHELF,
  gates: { 'gate:g1': { state, ...(by !== undefined && { by }) } },
});
const DAY = 86_400;
const later = SHELF.asOf + 5 * DAY;
const free = plan(cardSpec(), LINDMOOR, SHELF);
const ready = (spec: JobSpec, shelf: Shelf): number => plan(spec, LINDMOOR, shelf).figures['total.readyAt']?.value ?? 0;
const readyFree = free.figures['total.readyAt']?.value ?? 0;

describe('a gate', () => {
  it('moves the ready date with the day it is asked for, and says so', () => {
    expect(ready(gated(), answered('waiting', later))).toBeGreaterThan(readyFree);
    expect(ready(gated(), answered('waiting', later + 2 * DAY))).toBeGreaterThan(ready(gated(), answered('waiting', later)));
    const said = plan(gated(), LINDMOOR, answered('waiting', later)).assumptions.filter((a) => a.code === 'assume.gate');
    expect(said).toHaveLength(1);
    expect(said.map((a) => assumptionSays(a, 'UTC')).join()).toMatch(/^answer \(file proof v2\) by /);
  });
  it('costs nothing once it is answered', () => {
    expect(ready(gated(), answered('open'))).toBe(readyFree);
  });
  it('holds the start of its own stone only: what comes before does not wait', () => {
    const held = plan(gated({ holds: 'card.card.fold' }), LINDMOOR, answered('waiting', later));
    const start = (id: string, p = held): number => p.figures[`${id}.startAt`]?.value ?? 0;
    expect(start('card.card.fold')).toBeGreaterThanOrEqual(later);
    expect(start('card.card.stock')).toBe(start('card.card.stock', free));
  });
  it('never lets a step start before a gate that waits', () => {
    const held = plan(gated(), LINDMOOR, answered('waiting', later));
    for (const stone of held.stones) expect(held.figures[stone.startAt]?.value ?? 0).toBeGreaterThanOrEqual(later);
  });
  it('is refused without a version, a person or a day', () => {
    for (const wrong of [{ version: ' ' }, { who: '' }, { by: 'tomorrow' }])
      expect(JobSpecSchema.safeParse({ ...cardSpec(), gates: { g1: { ...proof, ...wrong } } }).success).toBe(false);
  });
});
