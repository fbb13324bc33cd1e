import { SHELF } from '../line-1.fixture';
import { plan, planned } from '../plan';
import { riverOf } from '../readings/river';
import { BOOK, BOOK_PLANT, bookSpec } from './toy-book.fixture';

/* Worked by hand: 400 pages, 32 a sheet. One up: 12 sections of 32 and one of 16 that lies twice on its sheet. Two up: 25 sections of 16, each twice on its sheet. */
const oneUp = planned(bookSpec(3_000), BOOK_PLANT, SHELF, BOOK);
const value = (id: string, { plan: p } = oneUp): number => p.figures[id]?.value ?? NaN;

describe('a book of thirteen sections and a cover', () => {
  it('is laid on two forms, one of them twelve times', () => {
    expect(Object.values(oneUp.plan.forms).map((f) => [f.id, f.alike, f.layout?.cells[0]?.nx])).toEqual([
      ['book.text.full', 12, 1],
      ['book.text.rest', 1, 2],
      ['book.cover', 1, oneUp.plan.forms['book.cover']?.layout?.cells[0]?.nx],
    ]);
  });
  it('needs of each section what is bound, and of the rest half the sheets', () => {
    expect(value('book.text.gather.need')).toBe(3_000);
    expect(value('book.text.fold.full.need')).toBe(3_000);
    expect(value('book.text.fold.rest.need')).toBe(1_500);
  });
  it('pulls each of twelve sections its own sheets from one stock', () => {
    expect(value('book.text.stock.full.in.demand')).toBe(12 * value('book.text.print.full.front.run'));
    expect(value('book.text.stock.rest.in.demand')).toBe(value('book.text.print.rest.front.run'));
  });
  it('counts plates, time and money of all thirteen', () => {
    // Black on both sides of 13 sections, two inks on the cover.
    expect(value('total.plates')).toBe(13 * 2 + 2);
    expect(value('book.text.print.full.front.setupS.all')).toBe(12 * value('book.text.print.full.front.setupS'));
  });
  it('shows one stone a kind of work, its runs named; the river keeps the width of a book', () => {
    const print = oneUp.plan.stones.find((s) => s.id === 'book.text.print');
    expect(print?.runs.map((r) => r.name)).toEqual(['sections 1 to 12', 'section 13']);
    expect(oneUp.plan.stones.map((s) => s.key)).toEqual([
      'stock',
      'plates',
      'print',
      'fold',
      'gather',
      'stock',
      'plates',
      'print',
      'cut',
      'bind',
    ]);
    const bind = riverOf(oneUp.plan).find((s) => s.key === 'bind');
    expect(bind?.from).toEqual(['book.text.gather', 'book.cover.cut']);
    for (const s of riverOf(oneUp.plan).filter((r) => r.counted)) expect(s.outCopies / 3_000).toBeGreaterThan(0.99);
    expect(riverOf(oneUp.plan).find((s) => s.id === 'book.text.fold')?.inCopies).toBeCloseTo(3_000, 6);
  });
  it('joins cover and block, one of each a book', () => {
    expect(oneUp.plan.steps['book.text.bind']?.takes.map((t) => t.per)).toEqual([1, 1]);
    expect(oneUp.plan.items['book']?.goods).toBe('book.text.bind.out');
  });
  it('replans from a click at the binder: two up, other sections, other sheets', () => {
    const twoUp = planned(bookSpec(3_000, 2), BOOK_PLANT, SHELF, BOOK);
    expect(
      Object.values(twoUp.plan.forms)
        .filter((f) => f.parts.includes('book.text'))
        .map((f) => [f.alike, f.layout?.cells[0]?.nx]),
    ).toEqual([[25, 2]]);
    expect(value('book.text.gather.need', twoUp)).toBe(1_500);
    expect(value('book.text.fold.need', twoUp)).toBe(1_500);
    expect(twoUp.plan.steps['book.text.bind']?.takes.map((t) => t.per)).toEqual([1, 2]);
    expect(value('total.plates', twoUp)).toBe(25 * 2 + 2);
  });
  it('refers to no figure that is not there, and nothing holds its release', () => {
    expect(oneUp.ledger.missing).toEqual([]);
    expect(plan(bookSpec(3_000), BOOK_PLANT, SHELF, BOOK).findings.filter((f) => f.level === 'release')).toEqual([]);
  });
});
