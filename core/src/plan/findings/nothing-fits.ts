import { idOf } from '../../quantity/id-of';
import type { Rule } from './rule';

/** The piece does not fit the usable sheet: by how much, and which stock would hold it. */
export const nothingFits: Rule = {
  code: 'layout.nothingFits',
  find: ({ plan, plant, ledger }) =>
    Object.values(plan.forms)
      .filter((f) => f.stock !== null && f.layout === null && f.parts.length === 1)
      .flatMap((f) => f.parts.map((part) => ({ id: f.id, part, stock: f.stock })))
      .map((p) => {
        const [w, h] = [ledger.value(idOf(p.id, 'usableWidth')), ledger.value(idOf(p.id, 'usableDepth'))];
        const over = (a: number, b: number): number => Math.max(a - w, 0) + Math.max(b - h, 0);
        const [pw, ph] = [ledger.value(idOf(p.part, 'pieceWidth')), ledger.value(idOf(p.part, 'pieceHeight'))];
        const byMm = Math.round(Math.min(over(pw, ph), over(ph, pw)) * 10) / 10;
        return {
          level: 'release',
          at: p.id,
          figure: idOf(p.id, 'copiesUp'),
          args: { byMm, stock: plant.stocks[p.stock ?? '']?.name ?? '' },
          remedies: [],
        };
      }),
};
