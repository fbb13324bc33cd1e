import { computed, type Signal, signal } from '@angular/core';
import type { Sort } from '@angular/material/sort';

type Key = number | string | null;
const text = new Intl.Collator('en', { numeric: true });
/** Numbers as numbers, texts as people read them (L-9 before L-10), what is not known last. */
const compare = (a: Key, b: Key): number =>
  a === null || b === null
    ? Number(a === null) - Number(b === null)
    : typeof a === 'number' && typeof b === 'number'
      ? a - b
      : text.compare(String(a), String(b));

/** Rows of a table in the order somebody chose by its heads; as they came until then, and again when the choice is taken back. */
export function sorting<T>(
  rows: Signal<readonly T[]>,
  by: Readonly<Record<string, (row: T) => Key>>,
): { rows: Signal<readonly T[]>; set: (sort: Sort) => void } {
  const sort = signal<Sort>({ active: '', direction: '' });
  return {
    rows: computed(() => {
      const { active, direction } = sort();
      const key = by[active];
      if (!key || direction === '') return rows();
      const way = direction === 'asc' ? 1 : -1;
      // What is not known stays last whichever way.
      return [...rows()].sort((a, b) => (key(a) === null || key(b) === null ? compare(key(a), key(b)) : way * compare(key(a), key(b))));
    }),
    set: (chosen) => {
      sort.set(chosen);
    },
  };
}
