import type { Pool } from 'pg';
import type { Logger } from 'pino';
import type { Threads } from '../tasks/threads';
import { TELL_ENDS } from './board.queries';
import { boardNow, endsOf, laid } from './board-now';

interface Keeping {
  db: Pool;
  log: Logger;
  threads: Threads;
  now: () => number;
}
/** So often at the most, and never more than this part of the time: a large board takes seconds. House rule. */
const LEAST_PAUSE_MS = 5_000;
const PART_OF_TIME = 20;

/** Writes down when what is on the board ends there, for lists, today and whoever else asks for a date. */
export async function tellEnds({ db, threads, now }: Keeping, gone: AbortSignal): Promise<void> {
  const board = await boardNow(db, now());
  const ends = [...endsOf((await laid(board, { threads, gone })).bars, board)];
  await db.query(TELL_ENDS, [ends.map(([job]) => job), ends.map(([, at]) => at)]);
}

/** Tells ends again and again until it is stopped. The database may be away for a while: the ends of before stand. */
export function keepEnds(keeping: Keeping): () => void {
  const gone = new AbortController();
  let timer: NodeJS.Timeout;
  const turn = async (): Promise<void> => {
    const from = performance.now();
    await tellEnds(keeping, gone.signal).catch((err: unknown) => keeping.log.warn({ err }, 'the ends of the board are as they were'));
    if (!gone.signal.aborted) timer = setTimeout(() => void turn(), Math.max(LEAST_PAUSE_MS, PART_OF_TIME * (performance.now() - from)));
  };
  timer = setTimeout(() => void turn(), LEAST_PAUSE_MS);
  return () => {
    gone.abort();
    clearTimeout(timer);
  };
}
