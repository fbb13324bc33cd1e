/* Stretches of time as sorted, separate pairs [from, to) of epoch seconds. */
export type Intervals = [from: number, to: number][];

/**
 * The stretches in which at least so many of several calendars are open: people at one machine, or with as many as there are, all at once.
 *
 * Method: a sweep over all beginnings and ends; ends count before beginnings at the same moment, and touching stretches are joined.
 *
 * @example atLeast([[[0, 10]], [[5, 15]]], 2) // [[5, 10]]
 */
export function atLeast(calendars: readonly Intervals[], least: number): Intervals {
  const turns = calendars.flatMap((c) =>
    c.filter(([from, to]) => to > from).flatMap(([from, to]) => [[from, 1] as const, [to, -1] as const]),
  );
  turns.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const open: Intervals = [];
  let present = 0;
  let since: number | null = null;
  for (const [at, by] of turns) {
    present += by;
    if (present >= least) since ??= at;
    else if (since !== null) {
      if (at > since) join(open, since, at);
      since = null;
    }
  }
  return open;
}

function join(open: Intervals, from: number, to: number): void {
  const last = open.at(-1);
  if (last?.[1] === from) last[1] = to;
  else open.push([from, to]);
}

/**
 * All of them together.
 * @example anyOf([[[0, 10]], [[5, 15]]]) // [[0, 15]]
 */
export const anyOf = (calendars: readonly Intervals[]): Intervals => atLeast(calendars, 1);
/**
 * Where all are open at once.
 * @example allOf([[[0, 10]], [[5, 15]]]) // [[5, 10]]
 */
export const allOf = (calendars: readonly Intervals[]): Intervals => atLeast(calendars, calendars.length);

/**
 * What is left of one when others are taken away: breaks, holidays, days off.
 * @example without([[0, 20]], [[[5, 10]]]) // [[0, 5], [10, 20]]
 */
export function without(open: Intervals, closed: readonly Intervals[]): Intervals {
  const away = anyOf(closed);
  return open.flatMap(([from, to]): Intervals => {
    const left: Intervals = [];
    let at = from;
    for (const [a, b] of away) {
      if (b <= at || a >= to) continue;
      if (a > at) left.push([at, a]);
      at = Math.max(at, b);
    }
    if (at < to) left.push([at, to]);
    return left;
  });
}
