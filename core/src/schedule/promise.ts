import type { Id } from '../quantity/figure';
import { putIntoGaps } from './gap';
import { inOrder, judged, layingOf } from './judge';
import { piecesOf } from './pieces';
import type { At, Bar, Problem } from './problem';
import { type Because, whyThen } from './why-late';

/** When work that is not on the board yet would be ready. */
export interface Promised {
  at: At;
  bars: readonly Bar[];
  because: readonly Because[];
}
/** The order of an accepted board, and on which machines. */
export interface Accepted {
  order: readonly Id<'work'>[];
  on: Readonly<Record<Id<'work'>, Id<'machine'>>>;
}

/**
 * When a job would be ready if it were released now: put into the gaps of the accepted board, without a search, so that nobody else's run moves.
 *
 * Range: a job whose work stands in the problem. Errors: a job without work is ready at the moment of the board. Source: insertion into a standing schedule (standard).
 */
export function promise(p: Problem, { order, on }: Accepted, job: Id<'job'>): Promised {
  const of = piecesOf(p);
  const laying = layingOf(of, p);
  laying.layAll(inOrder(of.pieces, order, on));
  putIntoGaps(
    laying,
    Object.keys(p.work).filter((id) => p.work[id]?.job === job),
  );
  const { bars } = judged(p, of, laying.list);
  const mine = bars.filter((bar) => p.work[bar.work]?.job === job);
  return { at: mine.reduce((at, bar) => Math.max(at, bar.end), p.asOf), bars: mine, because: whyThen(laying, job) };
}
