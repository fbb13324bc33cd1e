import { LINDMOOR, SHELF } from '../plan/line-1.fixture';
import { ferryTimetable } from '../plan/line-3.fixture';
import { shortNovel } from '../plan/line-6.fixture';
import { JobSpecSchema } from '../plan/door';
import { plan } from '../plan/plan';
import { pagesAskedOf, type PdfPage, pdfFindings, sidesToFill } from './customer-pages';

const asked = (spec: unknown, product = 'booklet') => pagesAskedOf(plan(JobSpecSchema.parse(spec), LINDMOOR, SHELF), product)!;
const timetable = asked(ferryTimetable());
const page = (more: Partial<PdfPage> = {}): PdfPage => ({
  widthMm: 148,
  heightMm: 210,
  bleedMm: 3,
  isTrimSaid: true,
  isTurned: false,
  ...more,
});
const pages = (n: number, more: Partial<PdfPage> = {}): PdfPage[] => Array.from({ length: n }, () => page(more));

describe('a customer’s pages', () => {
  it('may be the text, the cover, or both together; of a book the text or its insert', () => {
    expect(timetable.counts.map((c) => c.pages)).toEqual([40, 4, 44]);
    expect(asked(shortNovel(), 'book').counts).toEqual([
      { pages: 288, what: 'text' },
      { pages: 8, what: 'insert' },
    ]);
    for (const n of [4, 40, 44]) expect(pdfFindings(pages(n), timetable)).toEqual([]);
  });
  it('that are too few, of other sizes, without trim box or with too little bleed are named page by page', () => {
    expect(pdfFindings(pages(42), timetable)).toEqual([{ code: 'count', pages: 42, wanted: '40, or 4, or 44' }]);
    const mixed = pages(44);
    for (const at of [2, 3, 4, 9]) mixed[at] = page({ widthMm: 210, heightMm: 297 });
    expect(pdfFindings(mixed, timetable)).toEqual([{ code: 'size', pages: '3–5, 10', widthMm: 210, heightMm: 297 }]);
    const bare = pages(44);
    bare[0] = page({ isTrimSaid: false, bleedMm: 0 });
    bare[43] = page({ bleedMm: 2 });
    expect(pdfFindings(bare, timetable)).toEqual([
      { code: 'noTrim', pages: '1' },
      { code: 'bleed', pages: '44', leastMm: 3 },
    ]);
  });
  it('rounded by a program to a third of a millimetre are as ordered', () => {
    expect(pdfFindings(pages(44, { widthMm: 148.3, heightMm: 209.7, bleedMm: 2.96 }), timetable)).toEqual([]);
  });
  it('are placed on the sheets of their own product, where a job makes two', () => {
    const [one, two] = [ferryTimetable(), shortNovel()];
    const both = plan(
      JobSpecSchema.parse({
        ...one,
        products: { ...one.products, ...two.products },
        items: { ...one.items, i2: { ...two.items['i1'] } },
      }),
      LINDMOOR,
      SHELF,
    );
    const sides = (product: string, pages: number): number[] => sidesToFill(both, product, pages, () => 0).map((s) => s.places.length);
    expect(sides('booklet', 44)).toEqual([16, 16, 16, 16, 16, 16]);
    expect(sides('book', 288)).toEqual(Array(18).fill(16));
    expect([sides('booklet', 288), sides('book', 44)]).toEqual([[], []]);
  });
  it('are asked of nothing that is not bound', () => {
    expect(pagesAskedOf({ parts: {} }, 'booklet')).toBeNull();
  });
});
