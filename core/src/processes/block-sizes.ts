import type { BinderTrims } from '../product/adhesive';
import type { Part } from '../product/part';
import type { LaidSection } from '../signature/sheet-pages';
import type { Taken } from './hoppers';
import { sectionsGathered } from './sections-chosen';

/* How large a gathered block is before it is sawn and trimmed: of sheets that were folded whole, with what they left. */

/** The rows at the ends of a flat sheet: how high each is, and whether its pages' heads or feet lie at the end. */
const endRows = ({ rowsMm, signature: { front } }: LaidSection): { mm: number; isHeadOut: boolean }[] => [
  { mm: rowsMm[0] ?? 0, isHeadOut: front[0]?.[0]?.head === 'up' },
  { mm: rowsMm.at(-1) ?? 0, isHeadOut: front.at(-1)?.[0]?.head === 'down' },
];

/** The part that is gathered and bound, and what is trimmed off its block; null: nothing is. */
export function blockOf({ parts }: Pick<Taken, 'parts'>): { text: Part; trims: BinderTrims } | null {
  const text = parts.find((p) => p.traits?.adhesive ?? p.traits?.sewn);
  const trims = text?.traits?.adhesive?.trims ?? text?.traits?.sewn?.trims;
  return text && trims ? { text, trims } : null;
}

/** What the knives take at the most: of sheets that were folded whole also what they left beyond their pages. Null: no block is bound. */
export function mostTrims(cx: Taken): Pick<BinderTrims, 'faceMm' | 'headMm' | 'footMm'> | null {
  const block = blockOf(cx);
  if (!block) return null;
  const { text, trims } = block;
  const sections = sectionsGathered(cx).map((g) => g.section);
  const atEnds = (isHeadOut: boolean, otherMm: number): number[] =>
    sections.flatMap((s) =>
      endRows(s).flatMap((row) => (row.isHeadOut === isHeadOut ? row.mm - text.heightMm - otherMm - (s.double ? trims.sawMm / 2 : 0) : [])),
    );
  return {
    headMm: Math.max(trims.headMm, ...atEnds(true, trims.footMm)),
    footMm: Math.max(trims.footMm, ...atEnds(false, trims.headMm)),
    faceMm: Math.max(trims.faceMm, ...sections.map((s) => Math.max(...s.columnsMm) - text.widthMm - trims.grindMm)),
  };
}

/** How long a folded piece is that comes to the binder, of what the sheet leaves too. */
export function boundLengthMm(cx: Taken): number {
  return Math.max(
    0,
    ...sectionsGathered(cx).map(({ section: { rowsMm, program, double } }) => {
      const all = rowsMm.reduce((a, b) => a + b, 0);
      return double ? (2 * all) / program.rows : all / program.rows;
    }),
  );
}
