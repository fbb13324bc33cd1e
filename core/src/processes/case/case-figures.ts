import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { BOARD_HEIGHT, BOARD_WIDTH, CLOTH_HEIGHT, CLOTH_WIDTH, FLAT_STRIP, ROUND_STRIP } from '../../finishing/case';
import type { Part } from '../../product/part';
import type { BookCase } from '../../product/sewn';
import type { DraftContext } from '../process';
import { blockFigures, sewnText } from '../sewing/block-figures';
import { coveringOf } from './case-scene';

/* Boards, strip and covering of a case as figures of its covering: whichever stone asks for them first writes them. */

export type CaseFigure = 'boardWidth' | 'boardHeight' | 'stripWidth' | 'clothWidth' | 'clothHeight';
export interface CaseOf {
  covering: Part;
  cased: BookCase;
  at(what: CaseFigure): Id<'figure'>;
  mm(what: CaseFigure): number;
}

/** Writes the sizes of the case that the block asks for now; null: there is none. */
export function caseFigures(cx: DraftContext): CaseOf | null {
  const covering = coveringOf(cx.product.parts);
  const cased = covering?.traits?.cased;
  const block = blockFigures(cx);
  const book = sewnText(cx);
  if (!covering || !cased || !block || !book) return null;
  const { ledger } = cx;
  const at = (what: CaseFigure): Id<'figure'> => idOf(covering.id, what);
  const of: CaseOf = { covering, cased, at, mm: (what) => ledger.value(at(what)) };
  if (ledger.has(at('boardWidth'))) return of;
  const mm = (value: number, key: string): ReturnType<typeof typed> => typed(value, 'mm', key);
  ledger.figure(at('boardWidth'), BOARD_WIDTH, {
    widthMm: mm(book.text.widthMm, 'widthMm'),
    squareMm: mm(cased.squareMm, 'squareMm'),
    setBackMm: mm(cased.setBackMm, 'setBackMm'),
  });
  ledger.figure(at('boardHeight'), BOARD_HEIGHT, {
    heightMm: mm(book.text.heightMm, 'heightMm'),
    squareMm: mm(cased.squareMm, 'squareMm'),
  });
  if (block.arcMm) ledger.figure(at('stripWidth'), ROUND_STRIP, { arcMm: fig(block.arcMm) });
  else ledger.figure(at('stripWidth'), FLAT_STRIP, { blockMm: fig(block.blockMm), boardMm: mm(cased.boardMm, 'boardGrade') });
  ledger.figure(at('clothWidth'), CLOTH_WIDTH, {
    boardWidthMm: fig(at('boardWidth')),
    jointMm: mm(cased.jointMm, 'jointMm'),
    stripMm: fig(at('stripWidth')),
    turnInMm: mm(cased.turnInMm, 'turnInMm'),
  });
  ledger.figure(at('clothHeight'), CLOTH_HEIGHT, {
    boardHeightMm: fig(at('boardHeight')),
    turnInMm: mm(cased.turnInMm, 'turnInMm'),
  });
  return of;
}
