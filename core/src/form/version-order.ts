import type { Id } from '../quantity/figure';
import { platesChanged } from './plates';

/** What an order of versions needs to know of each: its name and the inks it has plates of its own for. */
export interface OrderedVersion {
  id: Id<'version'>;
  changes: readonly string[];
}

/**
 * Plates changed on the press when versions run in this order: from each to the next, of every ink that either changes. Source: arithmetic.
 * @example changesInOrder([['K', 'C']], [{ id: 'en', changes: [] }, { id: 'de', changes: ['K'] }, { id: 'fr', changes: ['K'] }]) // 2
 */
export const changesInOrder = (passes: readonly (readonly string[])[], versions: readonly OrderedVersion[]): number =>
  passes.reduce((sum, inks) => sum + versions.slice(1).reduce((all, v, i) => all + platesChanged(inks, versions[i] ?? v, v).length, 0), 0);

/** Kinds of versions (those with the same plates of their own) up to which every order is tried; beyond, the best of a greedy way from each of them. */
const TRY_ALL = 6;

/**
 * The order in which versions change the fewest plates; of equal ones the first in the order given.
 *
 * Versions with the same plates of their own stand together: taking one out of its like never saves a plate, since |A ∪ B| + |B ∪ C| ≥ |B| + |A ∪ C|. So only the
 * order of their kinds is looked for: exact for up to six kinds; for more the shortest of the greedy ways (next always the one with the fewest changes).
 * Source: arithmetic; greedy way: nearest neighbour, a textbook rule of thumb.
 * @example fewestChanges([['K', 'C']], [{ id: 'a', changes: ['K'] }, { id: 'b', changes: ['K', 'C'] }, { id: 'c', changes: ['K'] }]).map((v) => v.id) // ['a', 'c', 'b']
 */
export function fewestChanges(passes: readonly (readonly string[])[], versions: readonly OrderedVersion[]): OrderedVersion[] {
  const printed = new Set(passes.flat());
  const kinds = new Map<string, OrderedVersion[]>();
  for (const version of versions) {
    const own = version.changes
      .filter((ink) => printed.has(ink))
      .sort()
      .join('|');
    kinds.set(own, [...(kinds.get(own) ?? []), version]);
  }
  const all = [...kinds.values()];
  const ways = all.length <= TRY_ALL ? orders(all) : all.map((first) => greedyFrom(first, passes, all));
  return ways.reduce((best, way) => (changesInOrder(passes, way.flat()) < changesInOrder(passes, best) ? way.flat() : best), [...versions]);
}

function orders(kinds: readonly OrderedVersion[][]): OrderedVersion[][][] {
  if (kinds.length < 2) return [[...kinds]];
  return kinds.flatMap((first, i) => orders([...kinds.slice(0, i), ...kinds.slice(i + 1)]).map((rest) => [first, ...rest]));
}

function greedyFrom(
  first: OrderedVersion[],
  passes: readonly (readonly string[])[],
  kinds: readonly OrderedVersion[][],
): OrderedVersion[][] {
  const way = [first];
  const left = kinds.filter((k) => k !== first);
  const between = (from: readonly OrderedVersion[], next: readonly OrderedVersion[]): number =>
    changesInOrder(passes, [...from.slice(0, 1), ...next.slice(0, 1)]);
  while (left.length > 0) {
    const last = way.at(-1) ?? first;
    const next = left.reduce((a, b) => (between(last, b) < between(last, a) ? b : a));
    way.push(next);
    left.splice(left.indexOf(next), 1);
  }
  return way;
}
