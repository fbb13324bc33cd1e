import type { Id } from '../quantity/figure';
import type { JobOn, Piece } from './pieces';

/** A stretch of what makes a job end when it does; all of them together are the time from now to its end. */
export interface Because {
  kind: 'own' | 'behind' | 'wait' | 'gate' | 'closed';
  /** The machine, where it is one; what is waited for or comes from outside. */
  what: string;
  /** Whose work stood before it. */
  job?: string;
  s: number;
}

/**
 * Why a job ends when it does, from its end back to now: its own work, whose work stood before it on which machine, what dried, what had to come, and closed hours. Like
 * neighbours are joined; the parts add up to the whole.
 *
 * Method: from the piece that ends last back along what fixed each start.
 * @example // [{ kind: 'behind', job: '2408', what: 'cutter1', s: 21600 }, { kind: 'wait', what: 'drying', s: 43200 }, …]
 */
export function whyThen({ jobs }: { jobs: readonly JobOn[] }, id: string): Because[] {
  const job = jobs.find((j) => j.id === id);
  const parts: Because[] = [];
  const add = (kind: Because['kind'], what: string, s: number, of?: string): void => {
    const last = parts.at(-1);
    if (s <= 0) return;
    if (last?.kind === kind && last.what === what && last.job === of) last.s += s;
    else parts.push({ kind, what, s, ...(of !== undefined && { job: of }) });
  };
  let x: Piece | null = job?.pieces.reduce((a, b) => (b.end > a.end ? b : a)) ?? null;
  for (let until = x?.end ?? 0; x && until > 0;) {
    const { time } = x.way.machine;
    const { by } = x;
    const link = x.links.find((l) => l.of === by);
    // Where it waited for pieces its make-ready lies in the time of what made them.
    const from = Math.max(
      0,
      link?.by === 'pieces' ? time.startOf(x.runAt) : link?.by === 'forms' ? time.startOf(x.runAt - x.way.makeReadyS) : x.start,
    );
    const open = time.openBefore(until) - time.openBefore(Math.min(from, until));
    add(x.job === job ? 'own' : 'behind', x.way.machine.id, open, x.job === job ? undefined : x.job.id);
    add('closed', x.way.machine.id, Math.max(0, until - from) - open);
    until = Math.min(from, until);
    if (!by) {
      const held = Math.min(until, Math.max(x.barFrom, x.makeReadyFrom, x.runFrom));
      add('closed', x.way.machine.id, until - held);
      add('gate', x.work.gates.find((g) => g.at > 0)?.key ?? '', held);
      break;
    }
    const gap = Math.max(0, until - Math.max(by.end, 0));
    const wait = Math.min(gap, link?.waitS ?? 0);
    add('closed', x.way.machine.id, gap - wait);
    add('wait', link?.why ?? '', wait);
    until -= gap;
    x = by;
  }
  return parts;
}

/**
 * The machines a job waits for, for others on them or for their hours, the longest wait first.
 * @example waitedFor([{ kind: 'behind', what: 'press', job: '2408', s: 60 }, { kind: 'closed', what: 'folder', s: 90 }]) // ['folder', 'press']
 */
export function waitedFor(because: readonly Because[]): Id<'machine'>[] {
  const waits = new Map<string, number>();
  for (const { kind, what, s } of because) if (kind === 'behind' || kind === 'closed') waits.set(what, (waits.get(what) ?? 0) + s);
  return [...waits].sort((a, b) => b[1] - a[1]).map(([machine]) => machine);
}
