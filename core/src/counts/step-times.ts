import type { EntryKind } from './floor-entry';

/** A line of the log that tells of time. Epoch seconds, corrected for the device's clock. */
export interface TimeEntry {
  kind: EntryKind;
  at: number;
  reason: string;
}
/** How a step stands by the clock. */
export interface StepTimes {
  state: 'waiting' | 'setup' | 'running' | 'stopped' | 'done';
  setupS: number;
  /** Running time with its stops. */
  runS: number;
  stops: Record<string, { seconds: number; times: number }>;
  /** Since when it stands or runs as it does; null before the first entry. */
  since: number | null;
  /** Why it stands, while it does. */
  stopReason: string;
}

/**
 * Reads a step's times from its log: setups, runs and stops add up; what is still open counts up to `now`. A beginning without an end ends with the next
 * beginning (people forget), an end without a beginning counts nothing. A stop within a run is part of its running time: net speed is what is learned.
 */
export function stepTimes(entries: readonly TimeEntry[], now: number): StepTimes {
  const t: StepTimes = { state: 'waiting', setupS: 0, runS: 0, stops: {}, since: null, stopReason: '' };
  let phase: { of: 'setup' | 'run'; from: number } | null = null;
  let stop: { reason: string; from: number } | null = null;
  const endStop = (at: number): void => {
    if (!stop) return;
    const known = t.stops[stop.reason] ?? { seconds: 0, times: 0 };
    t.stops[stop.reason] = { seconds: known.seconds + Math.max(at - stop.from, 0), times: known.times + 1 };
    stop = null;
  };
  const endPhase = (at: number): void => {
    endStop(at);
    if (phase) t[phase.of === 'setup' ? 'setupS' : 'runS'] += Math.max(at - phase.from, 0);
    phase = null;
  };
  for (const { kind, at, reason } of [...entries].sort((a, b) => a.at - b.at)) {
    if (kind === 'setupStart' || kind === 'runStart') {
      endPhase(at);
      phase = { of: kind === 'setupStart' ? 'setup' : 'run', from: at };
      [t.state, t.since] = [kind === 'setupStart' ? 'setup' : 'running', at];
    } else if (kind === 'setupEnd' && t.state === 'setup') {
      endPhase(at);
      [t.state, t.since] = ['waiting', at];
    } else if (kind === 'runEnd') {
      endPhase(at);
      [t.state, t.since] = ['done', at];
    } else if (kind === 'stop') {
      endStop(at);
      stop = { reason, from: at };
      [t.state, t.since] = ['stopped', at];
    } else if (kind === 'go') {
      endStop(at);
      const open = phase;
      [t.state, t.since] = [open === null ? 'waiting' : open.of === 'setup' ? 'setup' : 'running', at];
    }
  }
  t.stopReason = (stop as { reason: string } | null)?.reason ?? '';
  if (phase) {
    const done = { ...t };
    endPhase(Math.max(now, t.since ?? now));
    [t.state, t.since, t.stopReason] = [done.state, done.since, done.stopReason];
  }
  return t;
}
