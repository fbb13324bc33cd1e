import { idOf } from '../../quantity/id-of';
import type { Stock } from '../../plant/plant';
import { editAt } from '../../product/edit';
import type { Form } from '../../layout/form';
import { practiceValue } from '../../plant/practice';
import { pressSheet } from '../../stock/press-sheet';
import { sheetBeyond, stocksOfGrade } from '../passes/resolve';
import type { FindingContext, Rule } from './rule';

/** The piece does not fit the usable sheet: by how much, and which stock would hold it. */
export const nothingFits: Rule = {
  code: 'layout.nothingFits',
  find: (all) =>
    Object.values(all.plan.forms)
      .filter((f) => f.stock !== null && f.layout === null && f.parts.length === 1 && !isTooHeavy(f, all))
      .flatMap((f) => f.parts.map((part) => ({ id: f.id, part, stock: f.stock })))
      .map((p) => {
        const { ledger, plant } = all;
        const usable = [ledger.value(idOf(p.id, 'usableWidth')), ledger.value(idOf(p.id, 'usableDepth'))] as const;
        const piece = [ledger.value(idOf(p.part, 'pieceWidth')), ledger.value(idOf(p.part, 'pieceHeight'))] as const;
        const byMm = Math.round(overBy(piece, usable) * 10) / 10;
        const other = largerStock(all, p, piece, usable);
        return {
          level: 'release',
          at: p.id,
          figure: idOf(p.id, 'copiesUp'),
          args: { byMm, stock: plant.stocks[p.stock ?? '']?.name ?? '' },
          remedies: other
            ? [
                {
                  do: 'edit',
                  says: 'remedy.otherStock',
                  args: { stock: other[1].name },
                  edits: [editAt(all.spec, ['choices', 'stock', p.id], other[0])],
                },
              ]
            : [],
        };
      }),
};

/** Paper that does not fold is not too large: that is said on its own. */
const isTooHeavy = ({ stock, parts }: Form, { plan, plant }: FindingContext): boolean =>
  plan.parts[parts[0] ?? '']?.traits?.bound !== undefined &&
  (plant.stocks[stock ?? '']?.gsm ?? 0) > practiceValue(plant, 'sections.oneFoldGsm');

type Size = readonly [number, number];
/** By how much a piece is over, turned as it fits better; 0: it fits. */
function overBy([pw, ph]: Size, [w, h]: Size): number {
  const over = (a: number, b: number): number => Math.max(a - w, 0) + Math.max(b - h, 0);
  return Math.min(over(pw, ph), over(ph, pw));
}

/** A stock of the same grade that the machines of the way take and that holds the piece, margins as they are. */
function largerStock(
  { plan, plant, contexts }: FindingContext,
  { id, part, stock }: { id: string; part: string; stock: string | null },
  piece: Size,
  usable: Size,
): [string, Stock] | undefined {
  const [now, of] = [plant.stocks[stock ?? ''], plan.parts[part]];
  if (!now || !of) return undefined;
  const sheet = pressSheet(now);
  const margins: Size = [sheet[0] - usable[0], sheet[1] - usable[1]];
  const machines = contexts.filter((c) => c.cx.form?.id === id).map((c) => c.cx.machine);
  return stocksOfGrade(plant, of).find(([other, s]) => {
    const [w, h] = pressSheet(s);
    const taken = machines.every((m) => {
      const b = sheetBeyond([w, h], m);
      return b.overMm === 0 && b.underMm === 0;
    });
    return other !== stock && taken && overBy(piece, [w - margins[0], h - margins[1]]) === 0;
  });
}
