import type { BoardBar, BoardJob, BoardPage } from '@druckerei/contract';
import { changesSay } from '@druckerei/core/words';
import type { Dated } from '../out/calendar';
import { localMoment } from '../plants/calendar';

/** Bars with their jobs, machine by machine, by start. */
function barsOf({ lanes, bars, jobs }: BoardPage, machine?: string): { bar: BoardBar; job: BoardJob | undefined; name: string }[] {
  const of = new Map(jobs.map((j) => [j.job, j]));
  return lanes
    .filter((l) => machine === undefined || l.machine === machine)
    .flatMap((l) =>
      bars
        .filter((b) => b.machine === l.machine)
        .sort((a, b) => a.start - b.start)
        .map((bar) => ({ bar, job: of.get(bar.job), name: l.name })),
    );
}

/** A row a bar; times as the works' clock shows them. */
export function rowsOf(page: BoardPage): Record<string, string | number>[] {
  const local = (at: number): string => localMoment(at, page.timeZone);
  return barsOf(page).map(({ bar, job, name }) => ({
    machine: name,
    job: job?.number ?? '',
    title: job?.title ?? '',
    customer: job?.customer ?? '',
    step: bar.name,
    start: local(bar.start),
    'make-ready': local(bar.makeReadyAt),
    run: local(bar.runAt),
    end: local(bar.end),
    'change-over': changesSay(bar.changes),
    state: bar.runs ? 'running' : bar.fresh ? 'released since' : 'planned',
    'job ends': job ? local(job.endAt) : '',
    due: job?.dueAt === undefined || job.dueAt === null ? '' : local(job.dueAt),
    'late min': job?.dueAt ? Math.max(0, Math.round((job.readyAt - job.dueAt) / 60)) : 0,
  }));
}

/** Bars as dates of a calendar: each keeps its identity, and counts up with the versions of the board. */
export const datesOf = (page: BoardPage, machine?: string): Dated[] =>
  barsOf(page, machine).map(({ bar, job, name }) => ({
    uid: `${bar.work.replaceAll(' ', '.')}@board.druckerei`,
    title: `${job?.number ?? ''} ${job?.title ?? ''}: ${bar.name}`,
    says: [job?.customer ?? '', changesSay(bar.changes)].filter((t) => t !== '').join('; '),
    place: name,
    at: bar.start,
    untilAt: bar.end,
    sequence: page.nr,
  }));
