import type { EntryKind } from './floor-entry';

/** A line of the log that tells of time. Epoch seconds, corrected for the device's clock. */
export interface TimeEntry {
  kind: EntryKind;
  at: number;
  reason: string;
}
/** How a step stood by the clock when its newest entry was written; what is still open is added by `timesUpTo`. */
export interface StepTimes {
  state: 'waiting' | 'setup' | 'running' | 'stopped' | 'done';
  /** What has begun and not ended, stops within it. */
  open: 'setup' | 'run' | null;
  setupS: number;
  /** Running time with its stops. */
  runS: number;
  stops: Record<string, { seconds: number; times: number }>;
  /** Since when it stands or runs as it does; null before the first entry. */
  since: number | null;
  /** Why it stands, while it does. */
  stopReason: string;
}
export const NO_TIMES: StepTimes = { state: 'waiting', open: null, setupS: 0, runS: 0, stops: {}, since: null, stopReason: '' };

/** Adds what is open up to a moment: the setup or run, and the stop within it. */
export function timesUpTo(t: StepTimes, moment: number): StepTimes {
  if (t.since === null) return t;
  const passed = Math.max(moment - t.since, 0);
  const up = { ...t };
  if (t.open === 'setup') up.setupS += passed;
  if (t.open === 'run') up.runS += passed;
  if (t.state === 'stopped') {
    const known = t.stops[t.stopReason] ?? { seconds: 0, times: 0 };
    up.stops = { ...t.stops, [t.stopReason]: { seconds: known.seconds + passed, times: known.times + 1 } };
  }
  return up;
}

/** How a step stands after one more entry. Entries that do not tell of time change nothing; nor does the end of what has not begun, but that a step may be done. */
export function timesAfter(t: StepTimes, { kind, at, reason }: TimeEntry): StepTimes {
  const ended = { ...timesUpTo(t, at), since: at, stopReason: '' };
  switch (kind) {
    case 'setupStart':
      return { ...ended, state: 'setup', open: 'setup' };
    case 'runStart':
      return { ...ended, state: 'running', open: 'run' };
    case 'setupEnd':
      return t.open === 'setup' ? { ...ended, state: 'waiting', open: null } : t;
    case 'runEnd':
      return { ...ended, state: 'done', open: null };
    case 'stop':
      return { ...ended, state: 'stopped', stopReason: reason };
    case 'go':
      return { ...ended, state: t.open === null ? 'waiting' : t.open === 'setup' ? 'setup' : 'running' };
    default:
      return t;
  }
}

/**
 * Reads a step's times from its log: setups, runs and stops add up. A beginning without an end ends with the next beginning (people forget), an end without a
 * beginning counts nothing. A stop within a run is part of its running time: net speed is what is learned.
 */
export const stepTimes = (entries: readonly TimeEntry[]): StepTimes =>
  [...entries].sort((a, b) => a.at - b.at).reduce(timesAfter, NO_TIMES);
