import * as fc from 'fast-check';
import { type TrimmedPage, trimmedPages } from '../layout/trim-boxes';
import { JobSpecSchema } from './door';
import { LINDMOOR, SHELF } from './line-1.fixture';
import { ferryTimetable } from './line-3.fixture';
import { shortNovel } from './line-6.fixture';
import { plan } from './plan';
import type { Plan } from './plan-types';
import { anyBooklet, anyPaperback } from './spec-arbitrary.fixture';
import type { JobSpec } from '../product/job-spec';

/* Where pages are trimmed on the sheets of whole jobs. Distances by hand from the margins of the specifications. */

const planOf = (spec: unknown): Plan => plan(JobSpecSchema.parse(spec), LINDMOOR, SHELF);
const trimmed = ({ forms }: Plan, form: string, side: 'front' | 'back' = 'front'): TrimmedPage[] => {
  const { layout } = forms[form]!;
  return trimmedPages(layout!.imposed!, side, layout!.sheetMm);
};
/** The gap between two pages, along whichever way they lie apart. */
function gap(pages: readonly TrimmedPage[], a: number, b: number): number {
  const [one, other] = [a, b].map((n) => pages.find((p) => p.page === n)!.trim) as [TrimmedPage['trim'], TrimmedPage['trim']];
  const apart = (from: number, size: number, to: number, more: number): number => Math.max(to - from - size, from - to - more);
  return Math.max(apart(one.x, one.w, other.x, other.w), apart(one.y, one.h, other.y, other.h));
}

describe('trimmed pages on the sheet', () => {
  const novel = planOf(shortNovel());
  it('of a book are as far from one another as grind, trims and saw say: 6 at spine and face, 11 where heads meet at the saw, 6 at feet', () => {
    const front = trimmed(novel, 'book.text.f1');
    // 5v 12v 13v 4v / 284 277 276 285 / 281v 280v 273v 288v / 8 9 16 1
    expect([gap(front, 8, 9), gap(front, 9, 16), gap(front, 16, 1)].map((mm) => Math.round(mm * 1e6) / 1e6)).toEqual([6, 6, 6]);
    expect([gap(front, 5, 284), gap(front, 8, 281), gap(front, 284, 281)].map((mm) => Math.round(mm * 1e6) / 1e6)).toEqual([11, 11, 6]);
    const back = trimmed(novel, 'book.text.f1', 'back');
    // 3v 14v 11v 6v / 286 275 278 283 / 287v 274v 279v 282v / 2 15 10 7
    expect([gap(back, 2, 15), gap(back, 3, 286), gap(back, 286, 287)].map((mm) => Math.round(mm * 1e6) / 1e6)).toEqual([6, 11, 6]);
  });
  it('of a stitched booklet meet at the spine, whatever the lap, and leave head to head 6', () => {
    const front = trimmed(planOf(ferryTimetable()), 'booklet.text.f1');
    // 7v 38v 35v 10v / 6 39 42 3
    expect([gap(front, 38, 7), gap(front, 6, 39), gap(front, 42, 3), gap(front, 7, 6)].map((mm) => Math.round(mm * 1e6) / 1e6)).toEqual([
      0, 0, 0, 6,
    ]);
    const right = trimmed(planOf(ferryTimetable({ spine: 'right' })), 'booklet.text.f1');
    expect([gap(right, 38, 7), gap(right, 42, 3)].map((mm) => Math.round(mm * 1e6) / 1e6)).toEqual([0, 0]);
  });
  it('are shifted to the spine by what they creep', () => {
    const { layout } = planOf(ferryTimetable()).forms['booklet.text.f1']!;
    const shifted = trimmedPages(layout!.imposed!, 'front', layout!.sheetMm, (page) => (page === 42 ? 0.5 : 0));
    expect(gap(shifted, 42, 3)).toBeCloseTo(-0.5, 6);
  });
  it('lie within their places, each of the size it was ordered in, and never over another, whatever the book and the work', () => {
    const law = (spec: JobSpec): void => {
      for (const { layout } of Object.values(plan(spec, LINDMOOR, SHELF).forms)) {
        if (!layout?.imposed) continue;
        for (const side of ['front', 'back'] as const)
          for (const { trim, cell, head } of trimmedPages(layout.imposed, side, layout.sheetMm)) {
            const [w, h] = layout.imposed.trimMm;
            expect([trim.w, trim.h]).toEqual(head === 'n' || head === 's' ? [w, h] : [h, w]);
            expect(Math.min(trim.x - cell.x, trim.y - cell.y)).toBeGreaterThanOrEqual(-1e-6);
            expect(Math.min(cell.x + cell.w - trim.x - trim.w, cell.y + cell.h - trim.y - trim.h)).toBeGreaterThanOrEqual(-1e-6);
          }
      }
    };
    fc.assert(fc.property(anyBooklet, law), { numRuns: 25 });
    fc.assert(fc.property(anyPaperback, law), { numRuns: 15 });
  });
});
