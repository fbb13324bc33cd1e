import type { Formula, Term } from '../quantity/figure';
import { ceilTolerant } from '../quantity/round-tolerant';
import { type StepAtRisk, reserveTimes, shareEnough } from './drawn-jobs';

/** A step at risk as terms of a figure: what is kept, what goes as a rule, how it spreads, which step follows. */
export interface RiskTerms {
  kept: Term;
  losses: { loss: Term; spread: Term; common: Term }[];
  /** Number of the step that takes what this one gives, from 1; 0: nothing does. */
  next: number;
}
/** Losses of one step at most: setting up and running. */
const LOSSES = ['a', 'b'] as const;

/** Terms by number, step by step: kept1, next1, loss1a, spread1a, common1a, loss1b … */
export const riskTerms = (steps: readonly RiskTerms[]): Record<string, Term> =>
  Object.fromEntries(
    steps.flatMap(({ kept, losses, next }, i): [string, Term][] => [
      [`kept${i + 1}`, kept],
      ...losses.flatMap(({ loss, spread, common }, k): [string, Term][] => [
        [`loss${i + 1}${LOSSES[k] ?? ''}`, loss],
        [`spread${i + 1}${LOSSES[k] ?? ''}`, spread],
        [`common${i + 1}${LOSSES[k] ?? ''}`, common],
      ]),
      [`next${i + 1}`, { value: next, unit: '1', from: 'family', at: 'route' }],
    ]),
  );

/** The steps back from their terms. */
export function stepsAtRisk(t: Readonly<Record<string, number>>): StepAtRisk[] {
  const steps: StepAtRisk[] = [];
  for (let i = 1; `kept${i}` in t; i++) {
    const next = t[`next${i}`] ?? 0;
    steps.push({
      kept: t[`kept${i}`] ?? 0,
      next: next > 0 ? next - 1 : null,
      losses: LOSSES.flatMap((k) =>
        `loss${i}${k}` in t
          ? [{ loss: t[`loss${i}${k}`] ?? 0, spread: Math.max(t[`spread${i}${k}`] ?? 0, 0), common: Math.max(t[`common${i}${k}`] ?? 0, 0) }]
          : [],
      ),
    });
  }
  return steps;
}

const source = '1,021 jobs drawn evenly over what may happen; lognormal losses that partly go together; see drawn-jobs';
/** The share of such jobs that end with enough good pieces. */
export const CHANCE: Formula = {
  id: 'counts.chance',
  unit: '1',
  source,
  carriesGuess: false,
  of: ({ slack = 0, ...t }) => shareEnough(stepsAtRisk(t), slack),
};
/** How many times the allowances are kept so that a wish is met. */
export const RESERVE_TIMES: Formula = {
  id: 'counts.reserveTimes',
  unit: '1',
  source,
  carriesGuess: false,
  of: ({ slack = 0, wish = 0, ...t }) => {
    const steps = stepsAtRisk(t);
    return reserveTimes(
      steps,
      steps.map((s) => s.kept),
      slack,
      wish,
    );
  },
};
/** What lies before a step beyond its allowance, in pieces of what it takes. */
export const RESERVE: Formula<'allowance' | 'times' | 'perGood'> = {
  id: 'counts.reserve',
  unit: 'piece',
  source: 'the reserve lies before each step, in proportion to its allowance; house rule, see docs/decisions',
  carriesGuess: false,
  of: ({ allowance, times, perGood }) => ceilTolerant(Math.max(times - 1, 0) * allowance * perGood),
};
/** Least good pieces the customer takes. */
export const LEAST_GOOD: Formula<'wanted' | 'underPpm'> = {
  id: 'counts.leastGood',
  unit: 'piece',
  source: 'overs policy of the order',
  of: ({ wanted, underPpm }) => ceilTolerant(wanted * (1 - underPpm / 1e6)),
};
export const MOST_GOOD: Formula<'wanted' | 'overPpm'> = {
  id: 'counts.mostGood',
  unit: 'piece',
  source: 'overs policy of the order',
  of: ({ wanted, overPpm }) => Math.floor(wanted * (1 + overPpm / 1e6) + 1e-9),
};
