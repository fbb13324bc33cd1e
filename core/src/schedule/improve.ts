import { portableExp, portableLog } from '../quantity/portable-math';
import { seeded } from '../quantity/seeded';
import { type Below, type Likes, likesOf, type Stretch, tryMove } from './board-moves';
import type { Laying } from './laying';

/** How a search goes on. */
export interface Searched {
  /** Moves tried so far. */
  done: number;
  total: number;
}

/** Moves of the first round; each round after it has so many times more. Measured: docs/measurements.md. */
const FIRST_ROUND = 100_000;
const ROUND_GROWS = 3;
/** It cools from about a shift of a mean job's lateness to a two-hundredth of that. Colder to begin with, it stays far from the optimum where a missed shift costs 16 h. */
const START_HOURS = 8;
const COLDEST = 1 / 200;
/** Of more pieces a search sees each but a few times: it goes over them in stretches of so many, hardly warm, and lays so many more behind each. */
const LARGE = 400;
const STRETCH = 300;
const LAID_BEHIND = 150;
const STRETCH_MOVES = 8_000;
const START_HOURS_LARGE = 0.1;

/** What waits behind is felt anew after so many moves. */
const FELT_EVERY = 40;
/** The list is put in the order of time after so many. */
const SORTED_EVERY = 1_000;
const TELL_EVERY = 2_000;

/** A search as it goes: what it chooses by, how far it is, whether to go on. */
interface Search {
  laying: Laying;
  likes: Likes;
  random: () => number;
  below: Below;
  /** Money an hour of a mean job's lateness. */
  worth: number;
  most: number;
  done: number;
  tell: (done: number) => boolean;
}

/**
 * Betters a board by annealing: moves along what makes late jobs late, likes together, and any; in rounds, each from the best so far. A large board is gone over
 * stretch by stretch. The same for a seed and a number of moves, wherever it runs; `tell` is asked every few thousand moves whether to go on.
 *
 * Source: simulated annealing (Kirkpatrick, Gelatt, Vecchi 1983); moves along the critical path (van Laarhoven, Aarts, Lenstra 1992).
 */
export function improve(laying: Laying, seed: number, most: number, tell: (searched: Searched) => boolean = () => true): Searched {
  const random = seeded(seed);
  const movable = laying.list.slice(laying.fixed);
  if (movable.length < 2 && movable.every((x) => x.ways.length < 2)) return { done: 0, total: laying.total };
  let best = { total: laying.total, order: laying.order() };
  const search: Search = {
    laying,
    likes: likesOf(movable),
    random,
    below: (n) => Math.floor(random() * n),
    worth: laying.jobs.reduce((sum, j) => sum + j.latePerHour, 0) / Math.max(laying.jobs.length, 1),
    most,
    done: 0,
    tell: (done) => tell({ done, total: best.total }),
  };
  const keep = (): boolean => {
    const isBetter = laying.total < best.total - 1e-9;
    if (isBetter) best = { total: laying.total, order: laying.order() };
    return isBetter;
  };
  if (movable.length > LARGE) byStretches(search, keep, () => laying.layAll(best.order));
  else
    for (let round = FIRST_ROUND; search.done < search.most; round *= ROUND_GROWS) {
      anneal(search, { from: laying.fixed, until: laying.list.length }, round, START_HOURS, keep);
      laying.layAll(best.order);
    }
  return { done: search.done, total: best.total };
}

/** Stretch by stretch, half of each again in the next; what a stretch came to is judged by the whole, and taken back where that is dearer. */
function byStretches(search: Search, keep: () => boolean, back: () => void): void {
  const { laying } = search;
  const { fixed, list } = laying;
  while (search.done < search.most) {
    laying.sortByTime();
    keep();
    for (let from = fixed; from < list.length - STRETCH / 2 && search.done < search.most; from += STRETCH / 2) {
      const stretch = { from, until: Math.min(from + STRETCH, list.length) };
      laying.feel();
      laying.layUntil(stretch.until + LAID_BEHIND);
      anneal(search, stretch, STRETCH_MOVES, START_HOURS_LARGE, () => undefined);
      laying.layAll(laying.order());
      if (!keep()) back();
    }
  }
}

/** So many moves within a stretch, ever less of them taken that make the board dearer; `keep` is told of every board that is taken. */
function anneal(search: Search, stretch: Stretch, moves: number, startHours: number, keep: () => void): void {
  const { laying, likes, random, below } = search;
  const length = Math.min(moves, search.most - search.done);
  const cools = portableExp(portableLog(COLDEST) / length);
  let temperature = Math.max(startHours * search.worth, 1);
  for (let i = 0; i < length; i++) {
    if (search.done % SORTED_EVERY === 0) laying.sortByTime();
    if (search.done % FELT_EVERY === 0) laying.feel(stretch.from);
    const [allowed, before] = [-temperature * portableLog(random()), laying.total];
    laying.limit = before + allowed + temperature;
    if (tryMove(laying, stretch, likes, below)) {
      if (laying.total - before > allowed) laying.undo();
      else keep();
    }
    temperature *= cools;
    search.done++;
    if (search.done % TELL_EVERY === 0 && !search.tell(search.done)) search.most = search.done;
    if (search.done === search.most) break;
  }
  laying.limit = Infinity;
}
