import type { JobSpec } from '../../product/job-spec';
import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { plan } from '../plan';
import { sharing } from './sharing';

const item = (quantity: number) => ({ ...cardSpec(quantity).items['i1']!, orderLine: null });
const together: JobSpec = { ...cardSpec(10_000), items: { i1: item(4_000), i2: item(6_000) } };
const alone = plan(cardSpec(10_000), LINDMOOR, SHELF);
const shared = plan(together, LINDMOOR, SHELF);
const value = (p: typeof shared, id: string): number => p.figures[id]?.value ?? NaN;

describe('two orders for one product, made in one run', () => {
  it('cost and waste what one order of the sum does', () => {
    for (const total of ['total.sheets', 'total.money', 'total.machineS', 'total.good'])
      expect(value(shared, total)).toBe(value(alone, total));
    expect(sharing(shared.items, 'i1')).toEqual(['i1', 'i2']);
  });
  it('have the chance of enough of the sum', () => {
    expect(shared.items['i1']?.chance).not.toBeNull();
    expect(value(shared, shared.items['i1']?.chance ?? '')).toBeCloseTo(value(alone, alone.items['i1']?.chance ?? ''), 12);
  });
  it('are not called over for what the other order takes', () => {
    expect(shared.findings.map((f) => f.code)).not.toContain('overs.above');
  });
  it('share one reserve: it is laid once, as for one order of the sum', () => {
    const sure = (spec: JobSpec) => plan({ ...spec, choices: { ...spec.choices, certainty: 0.95 } }, LINDMOOR, SHELF);
    expect(value(sure(together), 'total.reserve')).toBeGreaterThan(0);
    expect(value(sure(together), 'total.reserve')).toBe(value(sure(cardSpec(10_000)), 'total.reserve'));
  });
});
