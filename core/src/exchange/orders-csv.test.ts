import { LINDMOOR, SHELF } from '../plan/line-1.fixture';
import { plan } from '../plan/plan';
import { orderFromRow } from './orders-csv';
import { figureRows, planRows } from './plan-rows';

const row = (more: Record<string, string> = {}): Record<string, string> => ({
  customer: 'Choir',
  product: 'Concert card',
  line: 'card or leaflet',
  quantity: '10 000',
  due: '2026-12-03',
  'deliver to': 'Chapel Lane 9',
  'over %': '2,5',
  openWidthMm: '210',
  front: 'K C',
  sealed: 'yes',
  ...more,
});
const issues = (more: Record<string, string>): string[] => {
  const read = orderFromRow(row(more));
  return read.ok ? [] : read.issues.map((i) => `${i.column} ${i.says}`);
};

describe('a row of a file of orders', () => {
  it('is an order', () => {
    const read = orderFromRow(row());
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    expect(read.customer).toBe('Choir');
    expect(read.spec.name).toBe('Concert card');
    expect(read.spec.items['i1']).toMatchObject({
      versions: { only: { quantity: 10_000 } },
      deliveries: [{ by: '2026-12-03T12:00', share: { only: 10_000 }, to: 'Chapel Lane 9' }],
      overs: { overPpm: 25_000, underPpm: 0 },
    });
    expect(read.spec.products['card']).toMatchObject({ wish: { openWidthMm: 210, front: ['K', 'C'], sealed: true } });
    expect(() => plan(read.spec, LINDMOOR, SHELF)).not.toThrow();
  });
  it.each([
    ['an unknown line', { line: 'Boat' }, 'line is none of: '],
    ['no customer', { customer: ' ' }, 'customer is empty'],
    ['half a piece', { quantity: '10.5' }, 'quantity is not a whole number'],
    ['no number', { quantity: 'many' }, 'quantity is not a whole number'],
    ['nought pieces', { quantity: '0' }, 'quantity must be at least 1'],
    ['a date of another order', { due: '3.12.2026' }, 'due is no date such as'],
    ['no percentage', { 'over %': 'some' }, 'over % is no percentage'],
    ['a column that is no field', { colour: 'red' }, 'colour is no field of “'],
    ['a width that is no number', { openWidthMm: 'wide' }, 'openWidthMm '],
    ['a width beyond every sheet', { openWidthMm: '9000' }, 'openWidthMm is longer than any sheet'],
    ['an empty product', { product: '' }, 'product gives the product a name'],
  ])('names the column of %s', (_name, more, says) => {
    expect(issues(more).join('; ')).toContain(says);
  });
  it.each(['10000', '10 000', '10.000', '10,000', "10'000"])('reads %s as ten thousand', (quantity) => {
    const read = orderFromRow(row({ quantity }));
    expect(read.ok && read.spec.items['i1']?.versions['only']?.quantity).toBe(10_000);
  });
  it('takes a time with the day', () => {
    const read = orderFromRow(row({ due: '2026-12-03 14:30' }));
    expect(read.ok && read.spec.items['i1']?.deliveries[0]?.by).toBe('2026-12-03T14:30');
  });
  it('names every fault at once', () => {
    expect(issues({ customer: '', quantity: 'x', due: 'x' })).toHaveLength(3);
  });
});

describe('a plan as rows', () => {
  const read = orderFromRow(row());
  const made = read.ok ? plan(read.spec, LINDMOOR, SHELF) : null;
  it('has a line a stone with its own figures', () => {
    if (!made) throw new Error('no plan');
    const rows = planRows(made);
    expect(rows).toHaveLength(made.stones.length);
    made.stones.forEach((s, i) => {
      if (s.in !== null) expect(rows[i]?.['in']).toBe(made.figures[s.in]?.value);
      expect(Date.parse(String(rows[i]?.['end'])) / 1000).toBe(made.figures[s.endAt]?.value);
    });
  });
  it('has every figure', () => {
    if (!made) throw new Error('no plan');
    expect(figureRows(made)).toHaveLength(Object.keys(made.figures).length);
  });
});
