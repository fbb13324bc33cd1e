import { leastRun } from '../flow/counts';

/** A step that every form of a gang goes through: what it loses when it is set up for the first form, and for each that follows on the same setting. */
export interface GangStep {
  setupFirst: number;
  setupNext: number;
  runningPpm: number;
  samples: number;
}

/**
 * What forms of so many good sheets cost: plates and make-ready a form, and what every press sheet costs all in. Sheets go back from the die through every step;
 * the form that runs first, the longest, bears the full setup of steps that keep theirs.
 * Formula: Σ (k + c · X(R)). Source: arithmetic on the works' allowances.
 * @throws OutOfRange from the counts
 * @example gangCost([10], { perForm: 250, perSheet: 0.26, steps: [] }) // 252.6
 */
export function gangCost(
  runs: readonly number[],
  { perForm, perSheet, steps }: { perForm: number; perSheet: number; steps: readonly GangStep[] },
): number {
  return runs.reduce((sum, good, i) => sum + perForm + perSheet * (pressSheets(good, steps, i === 0).at(-1) ?? good), 0);
}

/**
 * Sheets a form needs at each step, from the die back to the press.
 * @example pressSheets(1_570, [{ setupFirst: 95, setupNext: 20, runningPpm: 10_000, samples: 3 }], true)[0] // 1684
 */
export function pressSheets(good: number, steps: readonly GangStep[], first: boolean): number[] {
  let need = good;
  return steps.map(({ setupFirst, setupNext, runningPpm, samples }) => {
    need = leastRun({ need, setup: first ? setupFirst : setupNext, runningPpm, samples });
    return need;
  });
}

/**
 * What every order pays of a gang: of each form's cost by its copies on it, to the cent by the largest remainder, ties in the order of the orders.
 * Source: largest remainder method (Hamilton), arithmetic.
 * @example gangShares([1], { a: [1], b: [2] }) is 33 and 67 cents of a form that costs 1
 */
export function gangShares(formCosts: readonly number[], copies: Readonly<Record<string, readonly number[]>>): Record<string, number> {
  const ids = Object.keys(copies);
  const exact = ids.map((id) =>
    formCosts.reduce((sum, cost, f) => {
      const all = ids.reduce((n, other) => n + (copies[other]?.[f] ?? 0), 0);
      return sum + (all > 0 ? (cost * (copies[id]?.[f] ?? 0)) / all : 0);
    }, 0),
  );
  const cents = exact.map((money) => Math.floor(money * 100 + 1e-9));
  const left = Math.round(formCosts.reduce((sum, c) => sum + c, 0) * 100) - cents.reduce((sum, c) => sum + c, 0);
  const byRemainder = exact
    .map((money, i) => ({ i, rest: money * 100 - (cents[i] as number) }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i)
    .slice(0, Math.max(left, 0));
  for (const { i } of byRemainder) cents[i] = (cents[i] as number) + 1;
  return Object.fromEntries(ids.map((id, i) => [id, (cents[i] as number) / 100]));
}
