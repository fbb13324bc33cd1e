import type { BoardFound } from '@druckerei/contract';
import { isMoved, moneyOf } from '@druckerei/core/board';
import * as z from 'zod';
import type { TaskWork } from '../tasks/task-work';
import { acceptedOrder, boardNow, endsOf, laid, standing } from './board-now';

const Ask = z.object({ base: z.number().int() });
/** Moves of a search: some ten seconds on a works of this size. */
const MOVES = 300_000;

/** Looks for a better board than the accepted one. What begins soon stays where it is. */
export const searchForBoard: TaskWork = async (asked, { db, threads, now, signal, tell }): Promise<BoardFound> => {
  const { base } = Ask.parse(asked);
  const board = await boardNow(db, now());
  if (board.nr !== base) throw new Error(`The board moved on to version ${board.nr} before the search began. Search again from there.`);
  const before = await laid(board, { threads, gone: signal });
  const stands = standing(before.bars);
  const { order, on, was } = acceptedOrder(stands);
  const { made, least } = await threads.run(
    // Only an accepted board has something to be moved away from.
    { kind: 'board', problem: board.problem, order, on, was: base > 0 ? was : [], moves: MOVES },
    (said) => {
      if (said.kind === 'progress') tell(said.done, said.of, { best: said.best, bound: said.bound });
    },
    signal,
  );
  const after = standing(made.bars);
  const stood = new Map(stands.map((s) => [s.work, s]));
  const [endsBefore, endsAfter] = [endsOf(before.bars, board), endsOf(made.bars, board)];
  return {
    base,
    moves: MOVES,
    before: moneyOf({ ...before.money, moved: 0 }),
    after: moneyOf({ ...made.money, moved: 0 }),
    least,
    moved: after.filter(({ work, machine, start }) => {
      const stand = stood.get(work);
      return stand === undefined || isMoved(stand, machine, start);
    }).length,
    jobs: [...endsAfter]
      .map(([job, end]) => ({ job, byS: end - (endsBefore.get(job) ?? end) }))
      .filter((j) => j.byS !== 0)
      .sort((a, b) => b.byS - a.byS),
    bars: after,
  };
};
