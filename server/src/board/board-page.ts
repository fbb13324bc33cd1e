import type { BoardEffect, BoardPage } from '@druckerei/contract';
import { practiceValue } from '@druckerei/core';
import { type Judged, leastMoney, moneyOf, whyThen } from '@druckerei/core/board';
import { type BoardNow, endsOf, type Laid, tightest, toldWhy } from './board-now';

const changeS = ({ bars }: Judged): number => bars.reduce((sum, b) => sum + b.changes.reduce((s, c) => s + c.s, 0), 0);

/** What a change comes to: who ends sooner or later, change-overs, money. */
export function effectOf(now: BoardNow, before: Laid, after: Laid): BoardEffect {
  const [was, is] = [endsOf(before.bars, before), endsOf(after.bars, after)];
  const dues = tightest(after);
  const jobs = [...is].flatMap(([job, end]) => {
    const byS = end - (was.get(job) ?? end);
    const { dueAt = 0, readyAt = 0 } = dues.get(job) ?? {};
    return byS === 0 ? [] : [{ job, number: now.jobs.get(job)?.number ?? 0, byS, lateS: Math.max(0, readyAt - dueAt) }];
  });
  return {
    // What was moved is no cost of the plan itself.
    money: moneyOf({ ...after.money, moved: 0 }) - moneyOf({ ...before.money, moved: 0 }),
    changeS: changeS(after) - changeS(before),
    jobs: jobs.sort((a, b) => b.lateS - a.lateS || b.byS - a.byS),
  };
}

/** The board as it is told. */
export function pageOf(now: BoardNow, judged: Laid): BoardPage {
  const { problem, nr, by, at: when, why, accepted, pins, late, hours, jobs, timeZone, currency, reserveS } = now;
  const stood = new Map(accepted.map((a) => [a.work, a]));
  const ends = endsOf(judged.bars, judged);
  const dues = tightest(judged);
  return {
    nr,
    asOf: problem.asOf,
    timeZone,
    currency,
    by,
    at: when,
    why,
    lanes: Object.entries(problem.lanes).map(([machine, { name, open }]) => ({
      machine,
      name,
      open: open.map(([a, b]) => [a, b] as [number, number]),
    })),
    hours: [...hours],
    bars: judged.bars.map((bar) => {
      const work = problem.work[bar.work];
      const was = stood.get(bar.work);
      const isOff = was !== undefined && (was.machine !== bar.machine || Math.abs(was.start - bar.start) > OFF_PLAN_S);
      return {
        ...{ work: bar.work, job: work?.job ?? '', step: work?.step ?? '', name: work?.name ?? '', machine: bar.machine },
        ...{ start: bar.start, makeReadyAt: bar.makeReadyAt, runAt: bar.runAt, end: bar.end, changes: [...bar.changes] },
        runs: work?.state === 'running',
        fresh: nr > 0 && was === undefined && work?.state !== 'quoted',
        quoted: work?.state === 'quoted',
        pin: work?.pin ? (pins[bar.work] ?? null) : null,
        off: isOff ? { machine: was.machine, start: was.start } : null,
      };
    }),
    jobs: [...ends].map(([job, endAt]) => {
      const { number = 0, title = '', customer = '' } = jobs.get(job) ?? {};
      const { dueAt = null, readyAt = endAt, money = 0 } = dues.get(job) ?? {};
      return {
        ...{ job, number, title, customer, dueAt, readyAt, endAt },
        lateMoney: money,
        because: toldWhy(now, whyThen(judged.laying, job)),
      };
    }),
    money: judged.money,
    grown: nr === 0 || late === null ? 0 : Math.max(0, judged.money.late - late),
    least: leastMoney(problem),
    // A start that was pinned to this minute passes while it is read.
    breaches: judged.breaches
      .filter(({ code, byS }) => code !== 'pin' || byS === 0 || byS > OFF_PLAN_S)
      .map(({ code, work, byS }) => ({ code, work, byS })),
    reserveS,
    growthMoney: practiceValue(now.plant, 'board.growthMoney'),
  };
}
/** A bar that begins by more than this another time than accepted is off the plan, s. House rule. */
const OFF_PLAN_S = 300;
