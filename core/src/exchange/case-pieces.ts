import { idOf } from '../quantity/id-of';
import type { Plan } from '../plan/plan-types';
import type { Plant } from '../plant/plant';
import { copiesUp } from '../layout/layout';
import { piecesOf } from '../product/pieces';

type Row = Record<string, string | number>;
const hundredths = (mm: number): number => Math.round(mm * 100) / 100;

/**
 * What is cut for the cases of a book, a line a part: size, grain, stock, pieces a book, pieces wanted, pieces a sheet or a length of the roll, and how many of
 * these are pulled. Nothing where no book has a case.
 */
export function casePieceRows(plan: Plan, plant: Plant): Row[] {
  const cased = new Set(Object.values(plan.parts).flatMap((p) => (p.traits?.cased ? [p.product] : [])));
  return Object.values(plan.parts)
    .filter((p) => cased.has(p.product) && !p.traits?.bound)
    .map((part): Row => {
      const form = Object.values(plan.forms).find((f) => f.parts.includes(part.id));
      const flow = (unit: readonly string[]): number | string => {
        const found = Object.entries(plan.flows).find(([, f]) => f.part === part.id && unit.includes(f.unit));
        return found ? (plan.figures[idOf(found[0], 'demand')]?.value ?? '') : '';
      };
      return {
        book: part.product,
        part: part.role,
        'across mm': hundredths(part.widthMm),
        'along the spine mm': hundredths(part.heightMm),
        grain: 'along the spine',
        stock: plant.stocks[form?.stock ?? '']?.name ?? '',
        'pieces a book': piecesOf(part),
        'pieces wanted': flow(['piece', 'copy']),
        'pieces a sheet or length': form?.layout ? copiesUp(form.layout) : '',
        'sheets or metres': flow(['sheet', 'metre']),
      };
    });
}
