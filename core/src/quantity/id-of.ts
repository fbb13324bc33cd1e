/** So many owners are remembered before all are forgotten: a server plans for years. */
const MOST_OWNERS = 5_000;
const known = new Map<string, Map<string, string>>();

/**
 * Id of what belongs to something: `card.fold` and `run` give `card.fold.run`.
 * Plans ask for the same ids thousands of times. The same text is handed out each time: a text put together anew must be read through
 * before it can be looked up, which took five times as long as the look-up itself (measured: 0.45 µs against 0.09).
 * @example idOf('card.print', 'run') // 'card.print.run'
 */
export function idOf(owner: string, what: string): string {
  let mine = known.get(owner);
  if (mine === undefined) {
    if (known.size >= MOST_OWNERS) known.clear();
    known.set(owner, (mine = new Map<string, string>()));
  }
  let id = mine.get(what);
  if (id === undefined) mine.set(what, (id = `${owner}.${what}`));
  return id;
}
