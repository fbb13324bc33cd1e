import { deltaE2000 } from '../colour/delta-e';
import { filmOver, INK_SURFACE, innerReflectance, measuredReflectance } from '../colour/kubelka-munk';
import { type Lab, labOf, labOfXyz, WHITES, xyzOf } from '../colour/lab';
import type { Spectrum } from '../colour/spectrum';
import { OutOfRange, requireAboveZero } from '../quantity/errors';
import type { BaseInk, RecipePart } from './base-ink';

/** A base, or a left-over that is used like one: there is only so much of it, and it costs nothing more. */
export interface MatchBase extends Pick<BaseInk, 'id' | 'name' | 'k' | 's' | 'pricePerKg'> {
  leftOverKg?: number;
}
export interface MatchAsk {
  bases: readonly MatchBase[];
  target: { lab: Lab; spectrum?: Spectrum };
  stock: Spectrum;
  filmGsm: number;
  /** Bases in a recipe, at most. */
  most: number;
  /** Colour difference wished, CIEDE2000. */
  wish: number;
  /** Share of the ink to be taken from left-overs, 0 to 1. */
  leftOverShare: number;
  /** Ink needed, for what a left-over can give. */
  neededKg: number;
}
export interface MatchFound {
  parts: RecipePart[];
  lab: Lab;
  spectrum: number[];
  deltaE: number;
  /** Difference under illuminant A; null where the target is known as Lab only. */
  deltaEUnderA: number | null;
  pricePerKg: number;
  leftOverShare: number;
  withinWish: boolean;
}
export interface MatchResult {
  found: MatchFound[];
  /** All recipes of whole parts were looked at; otherwise a search that may miss a better one. */
  exact: boolean;
  tried: number;
}

/** Parts of a recipe are whole hundredths: what a scale in a kitchen weighs with ease in a pail. */
export const PARTS = 100;
/** So many recipes are looked at one by one. 10 bases and 3 in a recipe are 586,585. */
const EXACT_MOST = 600_000;
/** Recipes kept for the planner to choose from. */
const KEPT = 6;
const BEAM = 8;
const STEPS = [25, 10, 5, 2, 1];

/** A recipe as it is tried: indexes of bases, rising, with their parts. */
interface Tried {
  of: readonly number[];
  parts: readonly number[];
}
/** What counts, in this order: difference above the wish, share of left-overs missing, cost, names. */
interface Scored extends Tried {
  missing: number;
  over: number;
  cost: number;
}

/**
 * Recipes for a colour on a stock at a film weight, the best first.
 *
 * Formula: mixtures by additivity of K and S, printed by Kubelka–Munk with Saunderson's surface, compared by CIEDE2000. Ranked by the difference
 * within the wish, then the share of left-overs asked for, then cost, ties by the names of the bases; no left-over is offered outside the wish. While there are at most 600,000 recipes in whole parts of a hundred they are all
 * looked at; beyond that a beam of base sets, fitted by Gauss–Newton and rounded, and it says that it may miss a better one.
 * Source: Kubelka & Munk 1931; Saunderson 1942. @throws OutOfRange no base, most below 1, film weight not above 0
 */
export function matchRecipes(ask: MatchAsk): MatchResult {
  if (ask.bases.length === 0) throw new OutOfRange('bases', 0, 'one base ink at least');
  if (!(ask.most >= 1)) throw new OutOfRange('most', ask.most, '1 or more');
  requireAboveZero('filmGsm', ask.filmGsm);
  const bases = [...ask.bases].sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1));
  const model = new Model({ ...ask, bases });
  const most = Math.min(ask.most, bases.length);
  const exact = recipesOf(bases.length, most) <= EXACT_MOST;
  const best = new Best(model, bases);
  // The search first, in either case: what it finds within the wish spares looking at all that costs more.
  for (const tried of search(model, most)) best.offer(tried);
  if (exact)
    everyRecipe(model, most, (tried) => {
      if (!best.isBeaten(tried)) best.offer(tried);
    });
  return { found: best.kept.map((tried) => model.found(tried)), exact, tried: model.tried };
}

/**
 * How many recipes of whole parts there are of up to so many bases.
 * @example recipesOf(10, 3) // 586585
 */
export function recipesOf(bases: number, most: number): number {
  const choose = (n: number, k: number): number => Array.from({ length: k }, (_, i) => (n - i) / (i + 1)).reduce((a, b) => a * b, 1);
  return Array.from({ length: most }, (_, i) => Math.round(choose(bases, i + 1) * choose(PARTS - 1, i))).reduce((a, b) => a + b, 0);
}

/** The colour of a mixture, reckoned fast: what does not change is reckoned once. */
class Model {
  tried = 0;
  readonly caps: readonly number[];
  readonly isLeftOver: readonly boolean[];
  readonly target: Lab;
  private readonly ground: readonly number[];
  private readonly ks: readonly Float64Array[];
  private readonly ss: readonly Float64Array[];
  private readonly scratch = new Float64Array(36);

  constructor(readonly ask: MatchAsk) {
    this.target = ask.target.lab;
    this.ground = ask.stock.map((r) => innerReflectance(r, INK_SURFACE));
    this.ks = ask.bases.map((b) => Float64Array.from(b.k));
    this.ss = ask.bases.map((b) => Float64Array.from(b.s));
    this.isLeftOver = ask.bases.map((b) => b.leftOverKg !== undefined);
    this.caps = ask.bases.map(({ leftOverKg }) =>
      leftOverKg === undefined ? PARTS : ask.neededKg > 0 ? Math.min(Math.floor((PARTS * leftOverKg) / ask.neededKg), PARTS) : PARTS,
    );
  }

  private reflect(of: readonly number[], parts: readonly number[]): Float64Array {
    const out = this.scratch;
    let all = 0;
    for (const p of parts) all += p;
    for (let w = 0; w < 36; w++) {
      let [k, s] = [0, 0];
      for (let i = 0; i < of.length; i++) {
        const at = of[i] as number;
        const share = (parts[i] as number) / all;
        k += share * ((this.ks[at] as Float64Array)[w] as number);
        s += share * ((this.ss[at] as Float64Array)[w] as number);
      }
      out[w] = measuredReflectance(filmOver(k, s, this.ask.filmGsm, this.ground[w] as number), INK_SURFACE);
    }
    this.tried++;
    return out;
  }
  lab(of: readonly number[], parts: readonly number[]): Lab {
    return labOfXyz(xyzOf(this.reflect(of, parts) as unknown as Spectrum), WHITES.D50);
  }

  cost({ of, parts }: Tried): number {
    return of.reduce((n, at, i) => n + ((this.isLeftOver[at] ? 0 : (this.ask.bases[at]?.pricePerKg ?? 0)) * (parts[i] ?? 0)) / PARTS, 0);
  }
  leftOver({ of, parts }: Tried): number {
    return of.reduce((n, at, i) => n + (this.isLeftOver[at] ? (parts[i] ?? 0) : 0), 0) / PARTS;
  }
  missing(tried: Tried): number {
    return Math.max(this.ask.leftOverShare - this.leftOver(tried), 0);
  }
  holds({ of, parts }: Tried): boolean {
    return of.every((at, i) => (parts[i] as number) >= 1 && (parts[i] as number) <= (this.caps[at] as number));
  }
  score(tried: Tried): Scored {
    return {
      ...tried,
      missing: this.missing(tried),
      cost: this.cost(tried),
      over: Math.max(deltaE2000(this.lab(tried.of, tried.parts), this.target) - this.ask.wish, 0),
    };
  }
  found(tried: Tried): MatchFound {
    const spectrum = [...this.reflect(tried.of, tried.parts)];
    const lab = labOf(spectrum);
    const { spectrum: wanted } = this.ask.target;
    const deltaE = deltaE2000(lab, this.target);
    return {
      parts: tried.of.map((at, i) => ({ base: this.ask.bases[at]?.id ?? '', parts: tried.parts[i] ?? 0 })),
      lab,
      spectrum,
      deltaE,
      deltaEUnderA: wanted ? deltaE2000(labOf(spectrum, 'A'), labOf(wanted, 'A')) : null,
      pricePerKg: this.cost(tried),
      leftOverShare: this.leftOver(tried),
      withinWish: deltaE <= this.ask.wish,
    };
  }
}

/** The best recipe, and the best few others met on the way, one for each set of bases. */
class Best {
  kept: Scored[] = [];
  constructor(
    private readonly model: Model,
    private readonly bases: readonly MatchBase[],
  ) {}

  private compare(a: Scored, b: Scored): number {
    return a.over - b.over || a.missing - b.missing || a.cost - b.cost || this.names(a, b);
  }
  /** Bases stand in the order of their names: fewer and earlier names first, then more of the first. */
  private names(a: Tried, b: Tried): number {
    const [x, y] = [a, b].map((t) => t.of.map((i) => this.bases[i]?.name ?? '').join(' + ')) as [string, string];
    if (x !== y) return x < y ? -1 : 1;
    for (let i = 0; i < a.parts.length; i++) if (a.parts[i] !== b.parts[i]) return (b.parts[i] as number) - (a.parts[i] as number);
    return 0;
  }

  /** The best beats it whatever its colour: it need not be looked at. */
  isBeaten(tried: Tried): boolean {
    const best = this.kept[0];
    if (!best || best.over > 0) return false;
    const missing = this.model.missing(tried);
    return missing > best.missing || (missing === best.missing && this.model.cost(tried) > best.cost);
  }

  offer(tried: Tried): void {
    const worst = this.kept[KEPT - 1];
    const scored = this.model.score(tried);
    // Colour comes before thrift: no left-over is offered that misses the tolerance.
    if (scored.over > 0 && this.model.leftOver(tried) > 0) return;
    if (worst && this.compare(scored, worst) >= 0) return;
    const same = this.kept.findIndex((k) => k.of.length === scored.of.length && k.of.every((at, i) => at === scored.of[i]));
    if (same >= 0) {
      if (this.compare(scored, this.kept[same] as Scored) >= 0) return;
      this.kept.splice(same, 1);
    }
    this.kept.push(scored);
    this.kept.sort((a, b) => this.compare(a, b));
    this.kept.length = Math.min(this.kept.length, KEPT);
  }
}

/** Every recipe of whole parts of up to so many bases, within what left-overs can give. */
function everyRecipe(model: Model, most: number, tell: (tried: Tried) => void): void {
  const { length } = model.ask.bases;
  /** Parts for the bases of a set, one after the other; the last takes what is left. */
  const share = (of: readonly number[], parts: readonly number[], left: number): void => {
    const cap = model.caps[of[parts.length] as number] as number;
    const after = of.length - 1 - parts.length;
    if (after === 0) {
      if (left <= cap) tell({ of, parts: [...parts, left] });
      return;
    }
    for (let p = 1; p <= Math.min(left - after, cap); p++) share(of, [...parts, p], left - p);
  };
  const widen = (of: readonly number[]): void => {
    if (of.length > 0) share(of, [], PARTS);
    if (of.length < most) for (let next = (of[of.length - 1] ?? -1) + 1; next < length; next++) widen([...of, next]);
  };
  widen([]);
}

const distance = (a: Lab, b: Lab): number => {
  const [l, x, y] = [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
  return Math.sqrt(l * l + x * x + y * y);
};

/** Sets of bases that come near the colour, widened one base at a time; each rounded to whole parts and bettered step by step. */
function search(model: Model, most: number): Tried[] {
  const { bases, leftOverShare } = model.ask;
  const out = new Map<string, Tried>();
  /** Left-overs that must be in, so that the share asked for is reached; nothing, where none is asked. */
  const forced: { at: number; parts: number }[][] = [[]];
  if (leftOverShare > 0)
    for (let at = 0; at < bases.length; at++) {
      const parts = Math.min(model.caps[at] as number, Math.max(Math.ceil(PARTS * leftOverShare - 1e-9), 1));
      if (model.isLeftOver[at] && parts >= 1) forced.push([{ at, parts }]);
    }
  for (const first of forced) {
    let beam: { of: number[]; parts: number[]; off: number }[] = [
      { of: first.map((f) => f.at), parts: first.map((f) => f.parts), off: Infinity },
    ];
    const held = first.length;
    for (let size = held + 1; size <= most; size++) {
      const wider = new Map<string, { of: number[]; parts: number[]; off: number }>();
      for (const from of beam)
        for (let next = 0; next < bases.length; next++) {
          if (from.of.includes(next) || (model.caps[next] as number) < 1) continue;
          const of = [...from.of, next];
          const key = [...of].sort((a, b) => a - b).join();
          if (wider.has(key)) continue;
          const free = PARTS - from.parts.slice(0, held).reduce((a, b) => a + b, 0);
          wider.set(key, { of, ...fitted(model, of, startParts(from.parts, held, free), held, free) });
        }
      beam = [...wider.values()].sort((a, b) => a.off - b.off).slice(0, BEAM);
      for (const { of, parts } of beam) {
        const tried = bettered(model, rounded(of, parts));
        if (tried) out.set(`${tried.of.join()}:${tried.parts.join()}`, tried);
      }
    }
  }
  return [...out.values()];
}

/** Where a set widened by one base begins: a tenth of what is free for the newcomer. */
function startParts(parts: readonly number[], held: number, free: number): number[] {
  if (parts.length === held) return [...parts, free];
  return [...parts.slice(0, held), ...parts.slice(held).map((p) => 0.9 * p), 0.1 * free];
}

/** Shares that come nearest in CIELAB, by Gauss–Newton over exchanges with the last base; those held stay. */
function fitted(
  model: Model,
  of: readonly number[],
  start: readonly number[],
  held: number,
  free: number,
): { parts: number[]; off: number } {
  let parts = [...start];
  let lab = model.lab(of, parts);
  let off = distance(lab, model.target);
  const last = of.length - 1;
  for (let round = 0; round < 5 && last > held; round++) {
    const moves = Array.from({ length: last - held }, (_, i) => held + i);
    const h = 0.5;
    const slopes = moves.map((i) => {
      const [to, from] = (parts[last] as number) > h ? [i, last] : [last, i];
      const shifted = parts.map((p, j) => Math.max(p + (j === to ? h : j === from ? -h : 0), 0));
      const there = model.lab(of, shifted);
      const sign = to === i ? 1 : -1;
      return [0, 1, 2].map((c) => (sign * ((there[c] as number) - (lab[c] as number))) / h);
    });
    const short = [0, 1, 2].map((c) => (model.target[c] as number) - (lab[c] as number));
    const step = damped(slopes, short);
    let bettered = false;
    for (let scale = 1; scale > 0.1 && !bettered; scale /= 2) {
      const next = [...parts];
      moves.forEach((i, m) => (next[i] = Math.min(Math.max((parts[i] as number) + scale * (step[m] as number), 0), free)));
      const sum = moves.reduce((n, i) => n + (next[i] as number), 0);
      if (sum > free) moves.forEach((i) => (next[i] = ((next[i] as number) * free) / sum));
      next[last] = Math.max(free - Math.min(sum, free), 0);
      const there = model.lab(of, next);
      const d = distance(there, model.target);
      if (d < off - 1e-6) [parts, lab, off, bettered] = [next, there, d, true];
    }
    if (!bettered) break;
  }
  return { parts, off };
}

/** Least squares of a few unknowns with a little damping, by Gauss elimination of the normal equations. */
function damped(slopes: readonly (readonly number[])[], short: readonly number[]): number[] {
  const n = slopes.length;
  const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((s, v, i) => s + v * (b[i] as number), 0);
  const m = slopes.map((a, i) => [...slopes.map((b, j) => dot(a, b) + (i === j ? 1e-6 : 0)), dot(a, short)]);
  for (let p = 0; p < n; p++) {
    const pivot = (m[p] as number[])[p] as number;
    for (let r = 0; r < n; r++) {
      if (r === p) continue;
      const f = ((m[r] as number[])[p] as number) / pivot;
      for (let c = p; c <= n; c++) (m[r] as number[])[c] = ((m[r] as number[])[c] as number) - f * ((m[p] as number[])[c] as number);
    }
  }
  return m.map((row, i) => (row[n] as number) / (row[i] as number));
}

/** Whole parts that add up to a hundred, at least one each; bases in the order of the list. */
function rounded(of: readonly number[], parts: readonly number[]): Tried {
  const sorted = of.map((at, i) => ({ at, parts: Math.max(Math.round(parts[i] as number), 1) })).sort((a, b) => a.at - b.at);
  const over = sorted.reduce((n, s) => n + s.parts, 0) - PARTS;
  const largest = sorted.reduce((a, b) => (b.parts > a.parts ? b : a));
  largest.parts -= over;
  return { of: sorted.map((s) => s.at), parts: sorted.map((s) => s.parts) };
}

/** Moves parts from one base to another as long as that is better, in steps that grow smaller. Null: no such recipe holds. */
function bettered(model: Model, start: Tried): Tried | null {
  if (!model.holds(start)) return null;
  const better = (a: Scored, b: Scored): boolean =>
    a.missing !== b.missing ? a.missing < b.missing : a.over !== b.over ? a.over < b.over : a.cost < b.cost;
  let now = model.score(start);
  for (const step of STEPS)
    for (let moved = true; moved;) {
      moved = false;
      for (let i = 0; i < now.of.length; i++)
        for (let j = 0; j < now.of.length; j++) {
          if (i === j) continue;
          const parts = now.parts.map((p, x) => p + (x === i ? step : x === j ? -step : 0));
          if (!model.holds({ of: now.of, parts })) continue;
          const there = model.score({ of: now.of, parts });
          if (better(there, now)) [now, moved] = [there, true];
        }
    }
  return now;
}
