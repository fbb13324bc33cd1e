import type { Unit } from '../../quantity/figure';
import type { Finding } from '../../processes/finding';
import type { Plan, TotalKey } from '../plan-types';
import { findingKey } from '../../processes/finding';

/** A total that another plant (another price, speed, margin) gives another value. */
export interface MovedTotal {
  key: TotalKey;
  unit: Unit;
  before: number;
  after: number;
}

const SHOWN: readonly TotalKey[] = ['sheets', 'metres', 'plates', 'inkKg', 'machineS', 'money', 'readyAt', 'chance'];

/** A finding without its remedies. */
export type FindingSaid = Pick<Finding, 'code' | 'at' | 'level' | 'args'>;

/** What differs between two plans of one job: totals, and findings that come or go. */
export interface Moved {
  totals: MovedTotal[];
  come: FindingSaid[];
  gone: FindingSaid[];
}

/** Totals that a person would read differently, and findings that come or go, when a job is planned for another plant. */
export function movedBetween(before: Plan, after: Plan): Moved {
  const totals = SHOWN.flatMap((key): MovedTotal[] => {
    const [a, b] = [before, after].map((p) => p.figures[p.totals[key] ?? '']);
    if (!a && !b) return [];
    const [was, is] = [a?.value ?? 0, b?.value ?? 0];
    // A thousandth of a figure is arithmetic noise of money and hours, not news; counts are exact.
    return Math.abs(was - is) > 1e-3 * Math.max(Math.abs(was), 1) || (key === 'readyAt' && was !== is)
      ? [{ key, unit: (a ?? b)?.unit ?? '1', before: was, after: is }]
      : [];
  });
  const beyond = (one: Plan, other: Plan): FindingSaid[] => {
    const had = new Set(other.findings.map(findingKey));
    return one.findings.filter((f) => !had.has(findingKey(f))).map(({ code, at, level, args }) => ({ code, at, level, args }));
  };
  return { totals, come: beyond(after, before), gone: beyond(before, after) };
}
