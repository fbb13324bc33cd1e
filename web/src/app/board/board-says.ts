import type { BoardBecause, BoardEffect, BoardHelp, BoardJob, BoardPage } from '@druckerei/contract';
import { formatDuration, formatMoment, formatNumber, label, say } from '@druckerei/core/words';

/** Words by what they are of. */
export const SPAN_WORDS = { shift: 'board.span.shift', day: 'board.span.day', week: 'board.span.week', month: 'board.span.month' } as const;
export const VERSION_WORDS = {
  search: 'board.version.search',
  move: 'board.version.move',
  pin: 'board.version.pin',
  accept: 'board.version.accept',
  back: 'board.version.back',
} as const;
export const BREACH_WORDS = {
  pin: 'board.breach.pin',
  longestWait: 'board.breach.longestWait',
  hands: 'board.breach.hands',
  hours: 'board.breach.hours',
  noWay: 'board.breach.noWay',
  circle: 'board.breach.circle',
  gate: 'board.breach.gate',
} as const;

/** A duration more or less than now: "+20 min", "−1 h", "0 s". */
export const moreOrLess = (s: number): string => `${s > 0 ? '+' : s < 0 ? '−' : ''}${formatDuration(Math.abs(s))}`;

/** Of more jobs than these it is said how many; they come the latest first. */
const MOST_JOBS = 8;
/** What a change comes to: who ends sooner or later, and who late; change-overs; money. */
export function effectSays({ jobs, changeS, money }: BoardEffect, moneySays: string): string {
  const each = jobs.map(
    (j) =>
      say('board.effectJob', j.number, formatDuration(Math.abs(j.byS)), say(j.byS < 0 ? 'board.effect.sooner' : 'board.effect.later')) +
      (j.lateS > 0 ? `, ${say('board.lateBy', formatDuration(j.lateS))}` : ''),
  );
  const more = each.length - MOST_JOBS;
  const shown = [...each.slice(0, MOST_JOBS), ...(more > 0 ? [say('board.effectMore', more)] : [])];
  const said = each.length > 0 ? shown.join('; ') : say('board.effectNone');
  return `${say('board.effect', said, moreOrLess(changeS))} · ${money > 0 ? '+' : ''}${moneySays}`;
}

/** A job on its bar: number, customer. */
export const jobSays = ({ number, title, customer }: BoardJob): string => `${number} ${customer}, ${title}`;
/** Seconds after its date; 0 in time, or where nobody said a date. */
export const lateS = ({ dueAt, readyAt }: BoardJob): number => (dueAt === null ? 0 : Math.max(0, readyAt - dueAt));

/** More parts than these are told as one. */
const MOST_PARTS = 6;
/** Why a job ends when it does, the longest first, likes together: "behind 2408 on Cutter 6 h, ink dries before cutting: 12 h, closed hours 8 h, own work 7 h". */
export function because({ because: parts }: Pick<BoardJob, 'because'>): string {
  const sums = new Map<string, BoardBecause>();
  for (const part of parts) {
    const key = part.kind === 'own' || part.kind === 'closed' ? part.kind : `${part.kind} ${part.what} ${part.number ?? ''}`;
    sums.set(key, { ...part, s: part.s + (sums.get(key)?.s ?? 0) });
  }
  const sorted = [...sums.values()].sort((a, b) => b.s - a.s);
  const others = sorted.slice(MOST_PARTS);
  return [
    ...sorted.slice(0, MOST_PARTS).map((part) => partSays(part, formatDuration(part.s))),
    ...(others.length > 0 ? [say('board.because.others', others.length, formatDuration(others.reduce((sum, o) => sum + o.s, 0)))] : []),
  ].join(', ');
}

function partSays({ kind, what, number }: BoardBecause, takes: string): string {
  switch (kind) {
    case 'own':
      return say('board.because.own', takes);
    case 'behind':
      return say('board.because.behind', number ?? '', what, takes);
    case 'wait':
      // Releases of older programs do not say why.
      return what === '' ? say('board.because.waits', takes) : say('board.because.wait', label(`wait.${what}`), takes);
    case 'gate':
      return say('board.because.gate', takes);
    case 'closed':
      return say('board.because.closed', takes);
  }
}

/** What would let a job end sooner, in words. */
export function helpSays(help: BoardHelp, { lanes, bars, jobs, timeZone }: BoardPage, moneySays: string): string {
  const sooner = formatDuration(help.soonerS);
  const what = `${help.money > 0 ? '+' : ''}${moneySays}`;
  const bar = (work: string): BoardPage['bars'][number] | undefined => bars.find((b) => b.work === work);
  if (help.kind === 'first') return say('board.help.first', sooner, what);
  if (help.kind === 'overtime') {
    const lane = lanes.find((l) => l.machine === help.machine)?.name ?? help.machine;
    return say('board.help.overtime', formatDuration(help.byS), lane, sooner, what);
  }
  if (help.kind === 'sooner') return say('board.help.sooner', bar(help.work)?.name ?? '', formatDuration(help.byS), sooner, what);
  if (help.kind === 'on') return say('board.help.on', bar(help.work)?.name ?? '', help.name, sooner, what);
  const [mine, other] = [bar(help.work), bar(help.beside)];
  const number = (job: string | undefined): string => String(jobs.find((j) => j.job === job)?.number ?? '');
  if (help.kind === 'split') {
    const [stopped, then] = [number(mine?.job), number(other?.job)];
    const [after, when] = [formatNumber(help.pieces), formatMoment(help.at, timeZone)];
    return say('board.help.split', stopped, mine?.name ?? '', after, when, then, other?.name ?? '', sooner, what);
  }
  return say('board.help', number(mine?.job), mine?.name ?? '', number(other?.job), other?.name ?? '', sooner, what);
}
