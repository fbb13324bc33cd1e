import { dispatchBest } from './dispatch';
import type { Searched } from './improve';
import { improveShop, shopBound } from './improve-shop';
import { Laying } from './laying';
import { piecesOf } from './pieces';
import type { Problem, Work } from './problem';

/** Per job, in its order: on which machine, for how long. */
export type JobShop = readonly (readonly (readonly [machine: number, duration: number])[])[];

/** A plain job shop as a board: machines that are always open, nothing to change over, work that follows one another. */
export function problemOfShop(shop: JobShop): Problem {
  const machines = new Set(shop.flatMap((job) => job.map(([machine]) => machine)));
  const lane = { open: [], keys: {}, freeAt: 0, places: 1, setupRate: 0, change: [] };
  const work = shop.flatMap((job, j) =>
    job.map(([machine, runS], o): [string, Work] => [
      `${j}.${o}`,
      {
        job: String(j),
        step: String(o),
        name: '',
        pieces: 1,
        ways: [{ machine: String(machine), makeReadyS: 0, runS, hands: 0, extra: 0 }],
        links: o === 0 ? [] : [{ of: `${j}.${o - 1}`, by: 'pieces', waitS: 0, why: '' }],
        keys: {},
        gates: [],
        inOneGo: false,
        state: 'free',
      },
    ]),
  );
  return {
    asOf: 0,
    lanes: Object.fromEntries([...machines].map((m) => [String(m), { ...lane, name: String(m) }])),
    crews: {},
    work: Object.fromEntries(work),
    jobs: Object.fromEntries(
      shop.map((job, j) => [
        String(j),
        { name: String(j), dues: [{ work: `${j}.${job.length - 1}`, pieces: 1, at: 0 }], latePerHour: 1, heldPerHour: 0 },
      ]),
    ),
    moved: { shift: 0, day: 0, later: 0, frozenS: 0 },
  };
}

export interface ShopFound {
  makespan: number;
  /** No schedule is shorter. */
  bound: number;
  /** Per job, in its order. */
  starts: number[][];
}

/**
 * A schedule of a plain job shop whose last work ends as soon as the search finds, by the engine of the board.
 * @example shortestShop([[[0, 3], [1, 2]], [[1, 4]]], 1, 1_000).makespan // 6
 */
export function shortestShop(shop: JobShop, seed: number, moves: number, tell?: (searched: Searched) => boolean): ShopFound {
  const { pieces, jobs, machines } = piecesOf(problemOfShop(shop));
  const laying = new Laying(pieces, jobs, [...machines.values()], { shift: 0, day: 0, later: 0, frozenS: 0 }, 'lastEnd');
  dispatchBest(laying);
  improveShop(laying, seed, moves, tell);
  const starts = new Map(laying.list.map((x) => [x.id, x.start]));
  return {
    makespan: laying.total,
    bound: shopBound(laying),
    starts: shop.map((job, j) => job.map((_, o) => starts.get(`${j}.${o}`) ?? 0)),
  };
}
