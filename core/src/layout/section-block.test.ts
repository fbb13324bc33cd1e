import * as fc from 'fast-check';
import { schemesFor, sizesAllowed } from '../signature/fold-limits';
import { type FoldProgram, mirrored } from '../signature/fold-model';
import { signatureOf } from '../signature/imposition';
import { pressForms } from '../signature/press-forms';
import { sectionSize, USUAL_MARGINS } from '../signature/section-size';
import {
  type Heads,
  isSheetProved,
  type LaidSection,
  mirroredBox,
  type PagePlace,
  sheetPages,
  type SheetMirror,
} from '../signature/sheet-pages';
import { blockBox, flatsOf, placesASide, sectionBlock } from './section-block';
import type { UsableSheet } from './sheet-layout';

/* Whole sheets: laid, printed on both sides, turned, cut and folded again. The fold model is held against published schemes in checks/fold-and-imposition. */

const TRIM = { widthMm: 60, heightMm: 90 };
const section = (pages: number, nr: number, isRight: boolean, lapMm: number): LaidSection => {
  const scheme: FoldProgram = schemesFor(false)[pages]!;
  const program = isRight ? mirrored(scheme) : scheme;
  const { columnsMm, rowsMm } = sectionSize(program, TRIM, { ...USUAL_MARGINS, faceMm: 4, headMm: 3, footMm: 2, lapMm });
  return {
    key: `s${nr}`,
    nr,
    name: `section ${nr}`,
    outside: 0,
    program,
    signature: signatureOf(program),
    pages: Array.from({ length: pages }, (_, k) => 100 * nr + k + 1),
    columnsMm,
    rowsMm,
  };
};
const SHEET: UsableSheet = { sheetMm: [1_000, 700], gripperMm: 12, usable: { x: 5, y: 12, widthMm: 990, heightMm: 670 } };
const sum = (mm: readonly number[]): number => mm.reduce((a, b) => a + b, 0);

/** Sections on a sheet in whatever way it is worked; null where they find no room. */
function sheetOf(sizes: readonly number[], heads: Heads, mirror: SheetMirror, isOneForm: boolean, isRight: boolean, lapMm: number) {
  const sections = sizes.map((pages, i) => section(pages, i + 1, isRight, lapMm));
  const [largest] = [...sections].sort((a, b) => b.pages.length - a.pages.length);
  const block = largest && sectionBlock(largest.pages.length, [sum(largest.columnsMm), sum(largest.rowsMm)], heads, SHEET);
  if (!block) return null;
  const pages = sizes.reduce((a, b) => a + b, 0);
  const room = isOneForm ? placesASide(block) : 2 * placesASide(block);
  const copies = Math.floor(room / pages) * (isOneForm ? 2 : 1);
  if (copies < 1) return null;
  const asked = sections.map((s) => ({ key: s.key, pages: s.pages.length }));
  const flats = flatsOf(block, SHEET, asked, copies, isOneForm ? mirror : null);
  return (
    flats && { sections, flats, copies, box: blockBox(block, SHEET), sides: sheetPages(flats, sections, heads, mirror, SHEET.sheetMm) }
  );
}
const anySheet = fc.record({
  sizes: fc.constantFrom([16], [8], [4], [32], [12], [24], [16, 16], [16, 8, 8], [8, 4, 4], [16, 8, 4, 4]),
  heads: fc.constantFrom<Heads>('along', 'across'),
  mirror: fc.constantFrom<SheetMirror>('x', 'y'),
  isOneForm: fc.boolean(),
  isRight: fc.boolean(),
  lapMm: fc.constantFrom(0, 8),
});
const proves = (made: NonNullable<ReturnType<typeof sheetOf>>, heads: Heads, mirror: SheetMirror, sides = made.sides): boolean =>
  isSheetProved(sides, made.flats, made.sections, heads, mirror, SHEET.sheetMm);

describe('sections on a sheet', () => {
  it('read through, heads up, once printed, turned, cut and folded: whatever the sections, the heads, the turn, one form or two, bound left or right', () => {
    let laid = 0;
    fc.assert(
      fc.property(anySheet, ({ sizes, heads, mirror, isOneForm, isRight, lapMm }) => {
        const made = sheetOf(sizes, heads, mirror, isOneForm, isRight, lapMm);
        if (!made) return;
        laid++;
        expect(proves(made, heads, mirror)).toBe(true);
        // Each section comes off as often as its sheet says.
        for (const s of made.sections) expect(made.flats.filter((f) => f.section === s.key)).toHaveLength(made.copies);
      }),
      { numRuns: 300 },
    );
    expect(laid).toBeGreaterThan(150);
  });
  it('that were laid out wrongly are caught: two pages changed, a head turned, the back as if the sheet were turned the other way', () => {
    fc.assert(
      fc.property(anySheet, fc.nat(), fc.nat(), fc.boolean(), ({ sizes, heads, mirror, isOneForm, isRight, lapMm }, at, other, onBack) => {
        const made = sheetOf(sizes, heads, mirror, isOneForm, isRight, lapMm);
        if (!made) return;
        const changed = (change: (places: PagePlace[]) => void): boolean => {
          const sides = structuredClone(made.sides);
          change(onBack ? sides.back : sides.front);
          return proves(made, heads, mirror, sides);
        };
        const { length } = made.sides.front;
        const [i, j] = [at % length, other % length];
        if (made.sides[onBack ? 'back' : 'front'][i]!.page !== made.sides[onBack ? 'back' : 'front'][j]!.page)
          expect(changed((p) => ([p[i]!.page, p[j]!.page] = [p[j]!.page, p[i]!.page]))).toBe(false);
        const upside = { n: 's', s: 'n', e: 'w', w: 'e' } as const;
        expect(changed((p) => (p[i]!.head = upside[p[i]!.head]))).toBe(false);
        const turnedWrong = {
          ...made.sides,
          back: made.sides.back.map((p) => ({
            ...p,
            ...mirroredBox(mirroredBox(p, mirror, SHEET.sheetMm), mirror === 'x' ? 'y' : 'x', SHEET.sheetMm),
          })),
        };
        expect(proves(made, heads, mirror, turnedWrong)).toBe(false);
      }),
      { numRuns: 200 },
    );
  });
  it('lie in the usable sheet, and over no other', () => {
    fc.assert(
      fc.property(anySheet, ({ sizes, heads, mirror, isOneForm, isRight, lapMm }) => {
        const made = sheetOf(sizes, heads, mirror, isOneForm, isRight, lapMm);
        for (const [i, f] of (made?.flats ?? []).entries()) {
          const { x, y, widthMm, heightMm } = SHEET.usable;
          expect(f.x >= x - 1e-6 && f.y >= y - 1e-6 && f.x + f.w <= x + widthMm + 1e-6 && f.y + f.h <= y + heightMm + 1e-6).toBe(true);
          for (const g of made!.flats.slice(i + 1))
            expect(f.x + f.w <= g.x + 1e-6 || g.x + g.w <= f.x + 1e-6 || f.y + f.h <= g.y + 1e-6 || g.y + g.h <= f.y + 1e-6).toBe(true);
        }
      }),
    );
  });
});

describe('press forms', () => {
  it('carry every section once, whole sheets first, and a rest as often as it goes', () => {
    expect(pressForms([16, 16, 8], { placesASide: 16, perfected: true })).toEqual([
      { sections: [0, 1], copies: 1, empty: 0, mayShare: false },
      { sections: [2], copies: 4, empty: 0, mayShare: true },
    ]);
    // A rest above one side: parted in two where each is printed from one form, together with empty places where it is perfected.
    expect(pressForms([16, 8], { placesASide: 16, perfected: false }).map((f) => f.copies)).toEqual([2, 4]);
    expect(pressForms([16, 8], { placesASide: 16, perfected: true })).toEqual([{ sections: [0, 1], copies: 1, empty: 8, mayShare: false }]);
    expect(pressForms([12, 12], { placesASide: 16, perfected: false }).map((f) => f.sections)).toEqual([[0], [1]]);
  });
  it('hold all sections of any book, none twice', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(4, 8, 12, 16, 24, 32), { minLength: 1, maxLength: 30 }), fc.boolean(), (sections, perfected) => {
        const forms = pressForms(sections, { placesASide: 16, perfected });
        expect(forms.flatMap((f) => f.sections).sort((a, b) => a - b)).toEqual(sections.map((_, i) => i));
        for (const f of forms) expect(f.copies).toBeGreaterThanOrEqual(1);
      }),
    );
  });
});

describe('what a paper folds to', () => {
  it('is 16 pages of 100 g, 32 of 80 g, 8 of 170 g, 4 of a cover, nothing of 400 g; no more than the folder has stations for', () => {
    const limits = [300, 170, 135, 90];
    expect([100, 80, 170, 250, 400].map((gsm) => sizesAllowed(gsm, limits)[0])).toEqual([16, 32, 8, 4, undefined]);
    expect(sizesAllowed(100, limits, 2)).toEqual([8, 4]);
  });
});
