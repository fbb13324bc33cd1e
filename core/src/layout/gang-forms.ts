import { OutOfRange, requireAboveZero } from '../quantity/errors';
import { ceilTolerant } from '../quantity/round-tolerant';

/** An order of a gang: blanks it needs, and the most it may have; null: as many as come. */
export interface GangItem {
  id: string;
  needed: number;
  most: number | null;
  /** It lies on this form only, 0 the first; absent: on any. */
  on?: number;
}
/** What a gang is asked: orders, places on a form, how many forms at most, and what forms of so many good sheets cost, the longest run first. */
export interface GangAsk {
  items: readonly GangItem[];
  places: number;
  /** Orders that share no form, two by two. */
  apart?: readonly (readonly [string, string])[];
  mostForms: number;
  cost: (runs: readonly number[]) => number;
}
/** Forms with their good sheets, and copies of each order on each. */
export interface GangPlan {
  runs: number[];
  copies: Record<string, number[]>;
  cost: number;
}
export interface GangFound {
  best: GangPlan | null;
  /** The best with just so many forms; null: none keeps the limits, or none was looked for. */
  byForms: (GangPlan | null)[];
  /** No gang costs less than the bound; proved where they meet. */
  bound: number;
  proved: boolean;
}

/** Sheets in all that the sums are tried at one by one; above, runs go in steps, and are drawn in afterwards. */
const FINE_SHEETS: Readonly<Record<number, number>> = { 1: Infinity, 2: 3_000, 3: 420, 4: 110 };
/** How far above the least sum others are looked at, as whole sheets lost in setting up may tip the scale. */
const BEYOND = 2;
const MOST_FORMS = 4;
/** So many partings without one that fits, and steps grow. */
const MOST_TRIED = 100_000;

/**
 * The cheapest forms for orders in different quantities: how many forms, how many good sheets of each, how many copies of each order on each, so that every
 * order has what it needs and none more than it may have.
 *
 * Sums of all runs are tried from the least that the places allow upwards; of each sum every parting into runs; and of each parting the copies, where what
 * is laid beyond the need, and places left free, together may not be more than the sum leaves over. That leaves few ways for each order, and none for most
 * partings. Long runs are tried in steps, then each is made as short as its copies let it.
 *
 * Source: template design, Proll and Smith (1998), CSPLib problem 002; the pruning by what is left over is arithmetic.
 * @throws OutOfRange no order, no place, a need that is none, more forms than four
 */
export function gangForms(ask: GangAsk, tell: (done: number, of: number) => void = () => undefined): GangFound {
  const { items, places, mostForms } = ask;
  requireAboveZero('places', places);
  if (items.length === 0) throw new OutOfRange('items', 0, 'one order or more');
  if (!(mostForms >= 1 && mostForms <= MOST_FORMS)) throw new OutOfRange('mostForms', mostForms, `1 to ${MOST_FORMS}`);
  for (const item of items) requireAboveZero(item.id, item.needed);
  const least = ceilTolerant(items.reduce((sum, i) => sum + i.needed, 0) / places);
  const byForms: (GangPlan | null)[] = [];
  let best: GangPlan | null = null;
  let open = false;
  for (let forms = 1; forms <= mostForms; forms++) {
    tell(forms - 1, mostForms);
    // More forms than this cannot pay: each costs its setup, and the sheets can be no fewer.
    const out: boolean = best !== null && lowestCost(ask, forms, least) >= best.cost - 1e-9;
    const { plan, exact }: WithForms = out ? { plan: null, exact: true } : withForms(ask, forms, least);
    byForms.push(plan);
    open ||= !exact;
    if (plan && (best === null || isBetter(plan, best, ask))) best = plan;
  }
  tell(mostForms, mostForms);
  const bound = Math.min(...Array.from({ length: mostForms }, (_, i) => lowestCost(ask, i + 1, least)));
  const proved = best !== null && (!open || best.cost <= bound + 1e-9);
  return { best, byForms, bound: proved && best ? best.cost : bound, proved };
}

/** What so many forms cost at least, were the sheets parted as it pays best: all of them but one a form on the first. */
const lowestCost = ({ cost }: GangAsk, forms: number, least: number): number =>
  cost([Math.max(least - forms + 1, 1), ...Array.from({ length: forms - 1 }, () => 1)]);

/** Cheaper; as cheap with fewer forms, then fewer sheets, then the smaller greatest over. */
function isBetter(a: GangPlan, b: GangPlan, ask: GangAsk): boolean {
  const sheets = (p: GangPlan): number => p.runs.reduce((s, r) => s + r, 0);
  const keys = (p: GangPlan): number[] => [Math.round(p.cost * 1e6) / 1e6, p.runs.length, sheets(p), greatestOver(p, ask)];
  const [ka, kb] = [keys(a), keys(b)];
  const i = ka.findIndex((v, k) => v !== kb[k]);
  return i >= 0 && (ka[i] as number) < (kb[i] as number);
}
const greatestOver = ({ runs, copies }: GangPlan, { items }: GangAsk): number =>
  Math.max(...items.map((i) => laid(copies[i.id] ?? [], runs) - i.needed));
const laid = (copies: readonly number[], runs: readonly number[]): number => copies.reduce((sum, a, f) => sum + a * (runs[f] ?? 0), 0);

/** The best with just so many forms; exact where every sum was tried sheet by sheet. */
interface WithForms {
  plan: GangPlan | null;
  exact: boolean;
}
function withForms(ask: GangAsk, forms: number, least: number): WithForms {
  // No run is longer than the largest need: one copy of it would do.
  const last = forms * Math.max(...ask.items.map((i) => i.needed));
  // Somebody is held to a form that there would not be.
  if (ask.items.some((i) => (i.on ?? 0) >= forms)) return { plan: null, exact: true };
  let step = Math.max(Math.ceil(least / (FINE_SHEETS[forms] ?? 100)), 1);
  let [best, found, exact, tried]: [GangPlan | null, number, boolean, number] = [null, Infinity, step === 1, 0];
  for (let sum = Math.max(least, forms); sum <= last && sum <= found + BEYOND * step; sum += step) {
    for (const parts of partedAmongForms(ask, Math.ceil(sum / step), forms)) {
      tried++;
      const runs = parts.map((r) => r * step);
      const copies = copiesFor(ask, runs);
      if (!copies) continue;
      const plan = shortened(ask, runs, copies);
      if (best === null || isBetter(plan, best, ask)) best = plan;
      found = Math.min(found, sum);
    }
    // Where nothing keeps the limits for long, larger steps look further.
    if (best === null && tried > MOST_TRIED) [step, exact, tried] = [step * 4, false, 0];
  }
  return { plan: best, exact };
}

/** Every way to part a sum into so many runs, the longest first, each one at least. */
function* partings(sum: number, forms: number, most = sum): Generator<number[]> {
  if (forms === 1) {
    if (sum >= 1 && sum <= most) yield [sum];
    return;
  }
  for (let first = Math.min(sum - forms + 1, most); first * forms >= sum; first--)
    for (const rest of partings(sum - first, forms - 1, first)) yield [first, ...rest];
}

const hasNamedForms = ({ items }: GangAsk): boolean => items.some((i) => i.on !== undefined);
/** Ways to part a sum into runs: where an order is held to one form, it matters which of them is the long one. */
function* partedAmongForms(ask: GangAsk, sum: number, forms: number): Generator<number[]> {
  for (const parts of partings(sum, forms)) {
    if (hasNamedForms(ask)) yield* inEveryOrder(parts);
    else yield parts;
  }
}
function* inEveryOrder(runs: readonly number[]): Generator<number[]> {
  if (runs.length < 2) yield [...runs];
  for (const first of runs.length < 2 ? [] : new Set(runs)) {
    const at = runs.indexOf(first);
    for (const rest of inEveryOrder(runs.filter((_, i) => i !== at))) yield [first, ...rest];
  }
}

/** Copies of each order on each form for these runs; null: they do not reach, or somebody has too many. */
function copiesFor({ items, places, apart = [] }: GangAsk, runs: readonly number[]): Record<string, number[]> | null {
  const needed = items.reduce((sum, i) => sum + i.needed, 0);
  const over = places * runs.reduce((sum, r) => sum + r, 0) - needed;
  if (over < 0) return null;
  const ways: { item: GangItem; ways: Way[] }[] = [];
  // Small needs are met the least easily: most partings fail at one of them.
  for (const item of [...items].sort((a, b) => a.needed - b.needed)) {
    const own = waysOf(item, runs, places, over);
    if (own.length === 0) return null;
    ways.push({ item, ways: own });
  }
  // The orders with the fewest ways first.
  ways.sort((a, b) => a.ways.length - b.ways.length);
  const dead = new Set<string>();
  const chosen: Record<string, number[]> = {};
  const laidOn = (id: string): number[] => (chosen[id] ?? []).flatMap((a, f) => (a > 0 ? [f] : []));
  const heldApart = [...new Set(apart.flat())].sort();
  const lay = (at: number, free: readonly number[], left: number): boolean => {
    const now = ways[at];
    if (!now) return true;
    const before = ways.slice(0, at).map((w) => w.item.id);
    // What was laid before matters only where somebody still to come must not lie with it.
    const key = [at, free.join(), left, ...heldApart.map((id) => (before.includes(id) ? laidOn(id).join('') : ''))].join(' ');
    if (dead.has(key)) return false;
    const foes = apart.flatMap(([a, b]) => (a === now.item.id ? [b] : b === now.item.id ? [a] : [])).filter((id) => before.includes(id));
    const shut = new Set(foes.flatMap(laidOn));
    for (const way of now.ways) {
      if (way.over > left || way.copies.some((a, f) => a > (free[f] as number) || (a > 0 && shut.has(f)))) continue;
      chosen[now.item.id] = way.copies;
      if (
        lay(
          at + 1,
          free.map((n, f) => n - (way.copies[f] as number)),
          left - way.over,
        )
      )
        return true;
    }
    dead.add(key);
    return false;
  };
  return lay(
    0,
    runs.map(() => places),
    over,
  )
    ? Object.fromEntries(items.map((i) => [i.id, chosen[i.id] as number[]]))
    : null;
}

interface Way {
  copies: number[];
  over: number;
}
/** Copies on each form that give an order enough and not too much; the least beyond its need first. */
function waysOf({ needed, most, on }: GangItem, runs: readonly number[], places: number, over: number): Way[] {
  const limit = Math.min(over, most === null ? Infinity : most - needed);
  const ways: Way[] = [];
  const mostOn = (f: number): number => (on === undefined || on === f ? places : 0);
  const count = (f: number, copies: number[], have: number): void => {
    if (f === runs.length - 1) {
      const run = runs[f] as number;
      const a = Math.max(ceilTolerant((needed - have) / run), 0);
      const beyond = have + a * run - needed;
      if (a <= mostOn(f) && beyond >= 0 && beyond <= limit) ways.push({ copies: [...copies, a], over: beyond });
      return;
    }
    const run = runs[f] as number;
    for (let a = 0; a <= mostOn(f) && have + a * run - needed <= limit; a++) count(f + 1, [...copies, a], have + a * run);
  };
  count(0, [], 0);
  return ways.sort((a, b) => a.over - b.over);
}

/** The same copies with every run as short as they let it, limits kept. */
function shortened(ask: GangAsk, runs: readonly number[], copies: Record<string, number[]>): GangPlan {
  const made = [...runs];
  for (let again = true; again;) {
    again = false;
    for (let f = 0; f < made.length; f++) {
      const least = Math.max(
        ...ask.items.map(({ id, needed }) => {
          const own = copies[id] ?? [];
          const a = own[f] ?? 0;
          const others = laid(own, made) - a * (made[f] as number);
          return a > 0 ? ceilTolerant((needed - others) / a) : 1;
        }),
        1,
      );
      if (least < (made[f] as number)) {
        made[f] = least;
        again = true;
      }
    }
  }
  const byRun = made.map((_, f) => f).sort((a, b) => (made[b] as number) - (made[a] as number));
  const cost = ask.cost(byRun.map((f) => made[f] as number));
  if (hasNamedForms(ask)) return { runs: made, copies, cost };
  return {
    runs: byRun.map((f) => made[f] as number),
    copies: Object.fromEntries(Object.entries(copies).map(([id, own]) => [id, byRun.map((f) => own[f] as number)])),
    cost,
  };
}
