import type { Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { practiceTerm } from '../plant/practice';
import { pressSheet } from '../stock/press-sheet';
import type { LayoutContext } from './layouter';
import type { UsableSheet } from './sheet-layout';
import { GREATEST, USABLE_DEPTH, USABLE_WIDTH } from './usable-sheet';
import { WORK_STYLES } from './work-style';

/** The press sheet less what the machines of the route hold, trim and print on its edges. */
export function usableOfForm({ id, stock, stockId, style, stones, plant, ledger }: LayoutContext): UsableSheet {
  const [long, short] = pressSheet(stock);
  const square = stones.some((s) => s.ask.gripperMm) ? undefined : stones.find((s) => s.ask.squareMm !== undefined);
  const greatest = (what: 'gripperMm' | 'tailMm' | 'sideMm' | 'colourBarMm', practice: Parameters<typeof practiceTerm>[1]): number => {
    const terms: Record<string, Term> = {};
    if (square) {
      terms[square.id] = what !== 'colourBarMm' && square.ask.squareMm ? square.ask.squareMm : typed(0, 'mm', 'none');
      return ledger.figure(idOf(id, what.replace('Mm', '')), GREATEST, terms);
    }
    for (const { id: stone, ask } of stones)
      if (ask[what]) terms[stone] = { value: ask[what], unit: 'mm', from: 'plant', at: `machine:${stone}.${what}` };
    if (Object.keys(terms).length === 0) terms['default'] = { ...practiceTerm(plant, practice) };
    return ledger.figure(idOf(id, what.replace('Mm', '')), GREATEST, terms);
  };
  const gripper = greatest('gripperMm', 'layout.gripperMm');
  greatest('tailMm', 'layout.tailMm');
  const side = greatest('sideMm', 'layout.sideMm');
  greatest('colourBarMm', 'layout.colourBarMm');
  // A style that turns the sheet end for end grips the other edge too: the tail must be a second gripper.
  const tail = WORK_STYLES[style].secondGripper ? fig(idOf(id, 'gripper')) : fig(idOf(id, 'tail'));
  const sheet = (mm: number): Term => ({ value: mm, unit: 'mm', from: 'plant', at: `stock:${stockId}` });
  const widthMm = ledger.figure(idOf(id, 'usableWidth'), USABLE_WIDTH, { sheet: sheet(long), side: fig(idOf(id, 'side')) });
  const heightMm = ledger.figure(idOf(id, 'usableDepth'), USABLE_DEPTH, {
    sheet: sheet(short),
    gripper: fig(idOf(id, 'gripper')),
    tail,
    colourBar: fig(idOf(id, 'colourBar')),
  });
  return { sheetMm: [long, short], usable: { x: side, y: gripper, widthMm, heightMm }, gripperMm: square ? 0 : gripper };
}
