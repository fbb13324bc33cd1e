import { ceilTolerant } from '../quantity/round-tolerant';

/** A form of a gang with its copies of each order, in the order of the orders; `run`: good sheets somebody set. */
export interface FormCopies {
  copies: readonly number[];
  run: number | null;
}

/**
 * The fewest good sheets of each form of a gang that give every order what it needs: Σ copies × sheets ≥ needed. Runs that were set stay; what is then missing
 * is missing. Exact for one or two forms; of more, forms are tried two by two until no two of them can be made shorter together.
 * Source: arithmetic.
 * @example leastRuns([{ copies: [1, 0], run: null }, { copies: [1, 2], run: null }], [100, 60]) // [70, 30]
 */
export function leastRuns(forms: readonly FormCopies[], needed: readonly number[]): number[] {
  const runs = forms.map(
    ({ copies, run }) => run ?? Math.max(1, ...copies.map((a, i) => (a > 0 ? ceilTolerant((needed[i] ?? 0) / a) : 0))),
  );
  const free = forms.flatMap((f, at) => (f.run === null ? [at] : []));
  const [only, ...more] = free;
  if (only !== undefined && more.length === 0) runs[only] = lastRun(forms, needed, runs, only) ?? (runs[only] as number);
  const sum = (): number => runs.reduce((a, b) => a + b, 0);
  for (let before = Infinity; sum() < before;) {
    before = sum();
    for (const [k, i] of free.entries()) for (const j of free.slice(k + 1)) shortenTwo(forms, needed, runs, i, j);
  }
  return runs;
}

/** Copies an order has of all forms but some. */
const laidElsewhere = (forms: readonly FormCopies[], runs: readonly number[], order: number, but: readonly number[]): number =>
  forms.reduce((have, { copies }, f) => (but.includes(f) ? have : have + (copies[order] ?? 0) * (runs[f] ?? 0)), 0);

/** The shortest run of one form where the others stay; null: it cannot help whoever is short. */
function lastRun(forms: readonly FormCopies[], needed: readonly number[], runs: readonly number[], at: number): number | null {
  let least = 1;
  for (const [order, need] of needed.entries()) {
    const missing = need - laidElsewhere(forms, runs, order, [at]);
    if (missing <= 0) continue;
    const a = forms[at]?.copies[order] ?? 0;
    if (a === 0) return null;
    least = Math.max(least, ceilTolerant(missing / a));
  }
  return least;
}

/** Makes two forms as short together as the others let them; the longer first one of as short ones. */
function shortenTwo(forms: readonly FormCopies[], needed: readonly number[], runs: number[], i: number, j: number): void {
  let [bestI, bestJ] = [runs[i] as number, runs[j] as number];
  const tried = [...runs];
  for (let run = bestI; run >= 1; run--) {
    tried[i] = run;
    const other = lastRun(forms, needed, tried, j);
    // Somebody who lies on the first form alone would be short from here on.
    if (other === null) break;
    if (run + other < bestI + bestJ) [bestI, bestJ] = [run, other];
  }
  [runs[i], runs[j]] = [bestI, bestJ];
}
