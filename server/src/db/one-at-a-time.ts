import pLimit from 'p-limit';

const lanes = new Map<string, ReturnType<typeof pLimit>>();

/**
 * Work on the same thing in this process, one after the other, in the order it was asked for. The database locks too, but whoever waits there holds a connection:
 * a hundred savers at one job would leave none for anybody else.
 */
export async function oneAtATime<T>(what: string, work: () => Promise<T>): Promise<T> {
  const lane = lanes.get(what) ?? pLimit(1);
  lanes.set(what, lane);
  try {
    return await lane(work);
  } finally {
    if (lane.activeCount + lane.pendingCount === 0) lanes.delete(what);
  }
}
