/** What may hold a run, as marks of the log: a mixed ink without an accepted draw-down, what comes in still wet, a line not cleared, a reading before it that lies outside. */
export const RUN_HOLDS = ['noDrawDown', 'stillWet', 'uncleared', 'outside'] as const;
export type RunHold = (typeof RUN_HOLDS)[number];

/** What is known of a step before it runs. */
export interface BeforeRun {
  /** Mixed inks nobody has accepted a draw-down of. */
  locked: readonly string[];
  /** When what comes in has dried, epoch seconds; null: nothing has to dry, or it has not come yet. */
  dryAt: number | null;
  /** The line is to be cleared before it, and nobody has said that it is. */
  toClear: boolean;
  /** Readings of the steps before that lie outside what is allowed, in words. */
  outside: readonly string[];
}

/**
 * What holds a run at a moment (epoch seconds); nothing: it may begin. The terminal does not let it begin; what began all the same is marked, never turned
 * away. Source: ink, drying and line clearance before a run (common practice, no source).
 * @example `holdsRun({ locked: [], dryAt: 900, toClear: false, outside: [] }, 600)` is `['stillWet']`
 */
export const holdsRun = ({ locked, dryAt, toClear, outside }: BeforeRun, moment: number): RunHold[] => [
  ...(locked.length > 0 ? (['noDrawDown'] as const) : []),
  ...(dryAt !== null && moment < dryAt ? (['stillWet'] as const) : []),
  ...(toClear ? (['uncleared'] as const) : []),
  ...(outside.length > 0 ? (['outside'] as const) : []),
];
