import type { BoardMove } from '@druckerei/contract';
import { type Bar, jobFirst, type Judged, type Laying, moveWithFollowers, workId } from '@druckerei/core/board';
import type { Ctx } from '../context';
import type { Db } from '../db/pool';
import { notFound, Refused } from '../errors';
import { releaseChanged } from '../jobs/release.handlers';
import { acceptedOrder, type BoardNow, type Laid, layingFrom, judgedFrom, standing } from './board-now';
import { type Elsewhere, elsewhere, layingElsewhere } from './other-machine';
import type { Standing } from './board.queries';

/* Moves that somebody makes on the board, and the way back. */

/** What a move comes to: the board as it then lies, and what has to be released again for it. */
interface Moved {
  then: Laid;
  again: Elsewhere | null;
}
/** The board with a step before or behind another, on another machine, or a job before everything. */
export async function moved(ctx: Ctx, now: BoardNow, before: Laid, move: BoardMove): Promise<Moved> {
  if ('first' in move) {
    if (!(move.first in now.problem.jobs)) throw notFound('This job on the board');
    const laying = layingFrom(now.problem, before.bars);
    laying.layAll(jobFirst(laying, move.first));
    return { then: judgedFrom(now.problem, laying, wasIn(now, before)), again: null };
  }
  const machine = 'on' in move ? move.on : (before.bars.find((b) => b.work === move.beside)?.machine ?? '');
  if (now.problem.work[move.work]?.ways.some((w) => w.machine === machine)) {
    const laying = layingFrom(now.problem, before.bars);
    if ('beside' in move) moveBeside(laying, move);
    return { then: judgedFrom(now.problem, laying, wasIn(now, before)), again: null };
  }
  const again = await elsewhere(ctx.db, now, move.work, machine);
  if (again.against !== null) throw new Refused(422, 'against', `Not on ${again.name}: ${again.against}`);
  const { problem, laying } = await layingElsewhere(ctx.db, now, before, again);
  if ('beside' in move) moveBeside(laying, move);
  return { then: judgedFrom(problem, laying, wasIn(now, before)), again };
}
/** Where the accepted board has its bars; none before the first. */
export const wasIn = ({ accepted }: BoardNow, { bars }: Judged): Bar[] | undefined =>
  accepted.length > 0 ? acceptedOrder(standing(bars)).was : undefined;
function moveBeside(laying: Laying, { work, beside, side }: Extract<BoardMove, { beside: string }>): void {
  const [piece, other] = [laying.list.find((x) => x.id === work), laying.list.find((x) => x.id === beside)];
  if (!piece || !other) throw notFound('This step on the board');
  const way = piece.ways.find((w) => w.machine === other.way.machine);
  if (!way) throw new Refused(422, 'other-machine', 'This step cannot be done on that machine.');
  if (piece.running || other.running) throw new Refused(409, 'runs', 'What runs already stays where it is.');
  if (!moveWithFollowers(laying, piece, other, side, way))
    throw new Refused(409, 'circle', 'It cannot stand there: one of the two needs the other first.');
}
/** The job released again with its work on another machine. */
export const releaseOn = (db: Db, ctx: Ctx, { job, edit, name }: Elsewhere): Promise<void> =>
  releaseChanged(db, ctx, job.id, job.version, [edit], `moved to ${name} on the board`);
/** Work that another version of the board has on other machines goes back to them. */
export async function ontoMachinesOf(db: Db, ctx: Ctx, now: BoardNow, bars: readonly Standing[]): Promise<void> {
  const moved = new Set<string>();
  for (const { work, machine } of bars) {
    const mine = now.problem.work[work];
    if (mine?.state !== 'free' || mine.ways.some((w) => w.machine === machine) || moved.has(work)) continue;
    const again = await elsewhere(db, now, work, machine);
    if (again.against !== null) throw new Refused(422, 'against', `Not back on ${again.name}: ${again.against}`);
    await releaseOn(db, ctx, again);
    // Both sides of a form went along.
    for (const step of again.steps) if (step.machine === machine) moved.add(workId(mine.job, step.step));
  }
}
