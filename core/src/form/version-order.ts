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
  passes.reduce((sum, inks) => sum + versions.slice(1).reduce((all, v, i) => all + platesChanged(inks, versions[i] ?? v, v), 0), 0);

/** Versions up to which every order is tried; beyond, the best of a greedy way from each of them. */
const TRY_ALL = 7;

/**
 * The order in which versions change the fewest plates; of equal ones the first in the order given.
 * Exact for up to seven versions; for more the shortest of the greedy ways (next always the one with the fewest changes), one from each version. Source: arithmetic; greedy
 * way: nearest neighbour, a textbook rule of thumb.
 */
export function fewestChanges(passes: readonly (readonly string[])[], versions: readonly OrderedVersion[]): OrderedVersion[] {
  const ways = versions.length <= TRY_ALL ? orders(versions) : versions.map((first) => greedyFrom(first, passes, versions));
  return ways.reduce((best, way) => (changesInOrder(passes, way) < changesInOrder(passes, best) ? way : best), [...versions]);
}

function orders(versions: readonly OrderedVersion[]): OrderedVersion[][] {
  if (versions.length < 2) return [[...versions]];
  return versions.flatMap((first, i) => orders([...versions.slice(0, i), ...versions.slice(i + 1)]).map((rest) => [first, ...rest]));
}

function greedyFrom(first: OrderedVersion, passes: readonly (readonly string[])[], versions: readonly OrderedVersion[]): OrderedVersion[] {
  const way = [first];
  const left = versions.filter((v) => v !== first);
  while (left.length > 0) {
    const last = way.at(-1) as OrderedVersion;
    const next = left.reduce((a, b) => (changesInOrder(passes, [last, b]) < changesInOrder(passes, [last, a]) ? b : a));
    way.push(next);
    left.splice(left.indexOf(next), 1);
  }
  return way;
}
