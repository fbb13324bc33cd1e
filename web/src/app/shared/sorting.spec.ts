import { signal } from '@angular/core';
import { sorting } from './sorting';

const lots = signal([
  { id: 'L-10', there: 900, caliper: null },
  { id: 'L-9', there: 4_300, caliper: 118 },
  { id: 'L-100', there: 70, caliper: 120 },
]);
const sorted = sorting(lots, { id: (l) => l.id, there: (l) => l.there, caliper: (l) => l.caliper });
const ids = (): string[] => sorted.rows().map((l) => l.id);

describe('a table sorted by its heads', () => {
  it('stands as it came until somebody chooses, and again when the choice is taken back', () => {
    expect(ids()).toEqual(['L-10', 'L-9', 'L-100']);
    sorted.set({ active: 'id', direction: 'asc' });
    sorted.set({ active: 'id', direction: '' });
    expect(ids()).toEqual(['L-10', 'L-9', 'L-100']);
  });
  it.each([
    ['id', 'asc', ['L-9', 'L-10', 'L-100']],
    ['id', 'desc', ['L-100', 'L-10', 'L-9']],
    ['there', 'asc', ['L-100', 'L-10', 'L-9']],
    // 900 is fewer than 4 300, though 9 is more than 4.
    ['there', 'desc', ['L-9', 'L-10', 'L-100']],
  ] as const)('sorts %s %s as a person counts', (active, direction, wanted) => {
    sorted.set({ active, direction });
    expect(ids()).toEqual(wanted);
  });
  it('puts what is not known last whichever way', () => {
    for (const direction of ['asc', 'desc'] as const) {
      sorted.set({ active: 'caliper', direction });
      expect(ids().at(-1)).toBe('L-10');
    }
  });
});
