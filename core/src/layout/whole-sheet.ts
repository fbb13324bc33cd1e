import type { Flat, Heads, LaidSection } from '../signature/sheet-pages';

/**
 * The only double length of a sheet that leaves little around it: nothing is cut, the sheet is folded as it comes and its outer pages are larger by what it leaves.
 * Null: it is cut out. Source: common practice, no source.
 */
export function wholeSheet(
  sections: readonly LaidSection[],
  flats: readonly Flat[],
  heads: Heads,
  [sheetW, sheetH]: readonly [number, number],
  mostLeft: number,
): [Flat[], LaidSection[]] | null {
  const [section, ...others] = sections;
  const [flat, ...more] = flats;
  if (!section?.double || !flat || others.length + more.length > 0) return null;
  const [left, right, below, above] = [flat.x, sheetW - flat.x - flat.w, flat.y, sheetH - flat.y - flat.h];
  if (Math.max(left, right, below, above) > mostLeft) return null;
  const widened = (mm: readonly number[], first: number, last: number): number[] =>
    mm.map((each, i) => each + (i === 0 ? first : 0) + (i === mm.length - 1 ? last : 0));
  // Heads along the press: the first row is the one at the tail.
  const [columnsMm, rowsMm] =
    heads === 'along'
      ? [widened(section.columnsMm, left, right), widened(section.rowsMm, above, below)]
      : [widened(section.columnsMm, below, above), widened(section.rowsMm, left, right)];
  return [[{ ...flat, x: 0, y: 0, w: sheetW, h: sheetH }], [{ ...section, columnsMm, rowsMm }]];
}
