import type { Breach, Link, Problem } from './problem';

/** Work in an order in which everything comes after what it needs, its links as far as they can hold, and those that turn in a circle. */
export interface Ordered {
  order: string[];
  links: Record<string, Link[]>;
  breaches: Breach[];
}

/**
 * Sorts work by its links, pins "before" among them. A link that closes a circle is left out and named; links to work that is not on the board say nothing.
 * Method: depth first, a link to what is still being entered closes a circle; in the order of the ids, so that it is the same everywhere. Source: standard graph search.
 */
export function orderOfLinks({ work }: Pick<Problem, 'work'>): Ordered {
  const wanted: Record<string, Link[]> = {};
  const ids = Object.keys(work).sort(byId);
  for (const id of ids) wanted[id] = [...(work[id]?.links ?? [])].filter((link) => link.of in work);
  for (const id of ids) {
    const pin = work[id]?.pin;
    if (pin?.before !== undefined && pin.before in work) wanted[pin.before]?.push({ of: id, by: 'order', waitS: 0, why: pin.why });
  }
  const [order, breaches]: [string[], Breach[]] = [[], []];
  const links: Record<string, Link[]> = {};
  const state = new Map<string, 'open' | 'done'>();
  // Its own stack: a chain of thousands would be too deep for calls.
  for (const root of ids) {
    const stack: { id: string; next: number }[] = state.has(root) ? [] : [{ id: root, next: 0 }];
    if (stack.length > 0) state.set(root, 'open');
    while (stack.length > 0) {
      const top = stack[stack.length - 1];
      if (!top) break;
      const link = wanted[top.id]?.[top.next];
      if (!link) {
        state.set(top.id, 'done');
        order.push(top.id);
        stack.pop();
        continue;
      }
      top.next++;
      if (state.get(link.of) === 'open') {
        breaches.push({ code: 'circle', work: top.id, with: link.of, byS: 0 });
        continue;
      }
      (links[top.id] ??= []).push(link);
      if (!state.has(link.of)) {
        state.set(link.of, 'open');
        stack.push({ id: link.of, next: 0 });
      }
    }
  }
  return { order, links, breaches };
}

/** By sign, the same in every language. */
const byId = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
