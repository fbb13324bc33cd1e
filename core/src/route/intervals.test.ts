import fc from 'fast-check';
import { allOf, anyOf, atLeast, type Intervals, without } from './intervals';

const stretches = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 12 })), { maxLength: 5 })
  .map((pairs): Intervals => anyOf(pairs.map(([from, length]): Intervals => [[from, from + length]])));
const isOpen = (at: number, open: Intervals): boolean => open.some(([from, to]) => from <= at && at < to);
const moments = Array.from({ length: 75 }, (_, i) => i);

it('is open where at least so many are, moment by moment', () => {
  fc.assert(
    fc.property(fc.array(stretches, { minLength: 1, maxLength: 4 }), fc.integer({ min: 1, max: 4 }), (calendars, least) => {
      const open = atLeast(calendars, least);
      for (const at of moments) expect(isOpen(at, open)).toBe(calendars.filter((c) => isOpen(at, c)).length >= least);
    }),
  );
});

it('takes away what is closed, and nothing else', () => {
  fc.assert(
    fc.property(stretches, fc.array(stretches, { maxLength: 3 }), (open, closed) => {
      const left = without(open, closed);
      for (const at of moments) expect(isOpen(at, left)).toBe(isOpen(at, open) && !closed.some((c) => isOpen(at, c)));
    }),
  );
});

it('gives sorted, separate stretches that do not touch', () => {
  fc.assert(
    fc.property(fc.array(stretches, { minLength: 1, maxLength: 4 }), (calendars) => {
      for (const open of [anyOf(calendars), allOf(calendars)])
        open.forEach(([from, to], i) => {
          expect(to).toBeGreaterThan(from);
          if (i > 0) expect(from).toBeGreaterThan(open[i - 1]?.[1] ?? -1);
        });
    }),
  );
});

it('works two people at one machine', () => {
  expect(atLeast([[[0, 10]], [[5, 15]]], 2)).toEqual([[5, 10]]);
});
