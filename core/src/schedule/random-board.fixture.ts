import { seeded } from '../quantity/seeded';
import type { At, BoardJob, Crew, Lane, Link, Problem, Way, Work } from './problem';

/** How large and how full a made-up plant is. Invented data, for tests and bench only. */
export interface RandomBoard {
  jobs: number;
  steps: number;
  machines: number;
  /** Hours of the busiest group of machines, in its open hours while jobs arrive. */
  load: number;
  /** Dates are a job's time alone × this × 0.6 to 2.4 after it arrives. */
  tightness: number;
  seed: number;
  /** With everything a board may hold: people, benches, pins, work that runs, batches, longest waits. Plain without. */
  everything?: boolean;
}

const HOUR = 3600;
const DAY = 24 * HOUR;
/** A Monday, 00:00 UTC. */
const MONDAY = 1_767_571_200;
const PER_GROUP = 3;
const PIECES = 5_000;

/** A group's third machine works one shift of a day, the others two. */
const dayHours = (nrInGroup: number): number => (nrInGroup === 2 ? 8 : 16);
/** Working days from 06:00 on. */
const hoursOf = (nrInGroup: number, days: number): [At, At][] =>
  Array.from({ length: days }, (_, d) => d)
    .filter((d) => d % 7 < 5)
    .map((d): [At, At] => [MONDAY + d * DAY + 6 * HOUR, MONDAY + d * DAY + (6 + dayHours(nrInGroup)) * HOUR]);

/** A made-up plant with its jobs: groups of machines that can stand in for one another, each somewhat slower or faster, routes through them. */
export function randomBoard({ jobs, steps, machines, load, tightness, seed, everything = false }: RandomBoard): Problem {
  const random = seeded(seed);
  const below = (n: number): number => Math.floor(random() * n);
  const between = (a: number, b: number): number => Math.round(a + random() * (b - a));
  const groups = Math.ceil(machines / PER_GROUP);
  const groupOf = (m: number): number => m % groups;
  const lanes: Record<string, Lane> = {};
  for (let m = 0; m < machines; m++)
    lanes[`m${m}`] = {
      name: `Machine ${m}`,
      open: hoursOf(Math.floor(m / groups), everything ? 40 : 400),
      keys: { stock: 's0', size: 'f0', ink: 'black' },
      freeAt: MONDAY + (everything ? below(10) * HOUR : 0),
      places: everything && m === machines - 1 ? 3 : 1,
      setupRate: 60,
      change: [
        { key: 'stock', s: 900 },
        { key: 'size', s: 1_200 },
        { key: 'ink', s: 1_200, lighterS: 2_400 },
        ...(everything ? [{ key: 'die', s: 600, isSet: true as const }] : []),
      ],
    };
  const work: Record<string, Work> = {};
  const made: Record<string, BoardJob> = {};
  const hours = new Array<number>(groups).fill(0);
  const alone: number[] = [];
  for (let j = 0; j < jobs; j++) {
    const keys = { stock: `s${below(6)}`, size: `f${below(4)}`, ink: ['black', 'yellow', 'navy blue', 'pale pink'][below(4)] ?? 'black' };
    let time = 0;
    for (let s = 0; s < steps; s++) {
      const group = (below(groups) + s) % groups;
      const runS = between(HOUR / 2, 4 * HOUR);
      const waitS = below(4) === 0 ? between(1, 8) * HOUR : 0;
      const batch = below(3) === 0 ? between(500, 2_000) : undefined;
      const ways: Way[] = [];
      for (let m = 0; m < machines; m++)
        if (groupOf(m) === group) {
          const slower = 1 + below(4) / 10;
          ways.push({
            machine: `m${m}`,
            makeReadyS: between(10, 40) * 60,
            runS: Math.round(runS * slower),
            hands: everything ? 1 + below(2) : 0,
            extra: below(2) * 30,
          });
        }
      const [first, ...rest] = ways;
      if (!first) continue;
      // A mean way, make-ready and an ordinary change-over in it.
      hours[group] = (hours[group] ?? 0) + runS * 1.15 + 1_500 + 1_500;
      time += Math.min(...ways.map((w) => w.runS + w.makeReadyS)) + waitS;
      const id = `j${j}.${s}`;
      const links: Link[] =
        s === 0 ? [] : [{ of: `j${j}.${s - 1}`, by: 'pieces', waitS, why: 'drying', ...(batch !== undefined && { batch }) }];
      if (everything && s > 0 && below(6) === 0)
        links[0] = { of: `j${j}.${s - 1}`, by: 'pieces', waitS: 0, why: 'glue', longestS: 20 * HOUR };
      if (everything && s > 1 && below(5) === 0)
        links.push({ of: `j${j}.${s - 2}`, by: below(2) === 0 ? 'forms' : 'order', waitS: 0, why: 'plates' });
      work[id] = {
        job: `j${j}`,
        step: String(s),
        name: `step ${s}`,
        pieces: PIECES,
        ways: [first, ...rest],
        links,
        keys: everything ? { ...keys, die: ['', 'd1', 'd2'][(j + s) % 3] ?? '' } : keys,
        gates: [],
        inOneGo: everything && below(6) === 0,
        state: 'free',
      };
    }
    alone.push(time);
    made[`j${j}`] = { name: String(2_000 + j), dues: [], latePerHour: between(10, 60), heldPerHour: 0.5 };
  }
  // So long jobs arrive that the busiest group is as full as asked, a week of five days.
  const open = hours.map((_, group) =>
    Object.keys(lanes).reduce((sum, __, m) => sum + (groupOf(m) === group ? (dayHours(Math.floor(m / groups)) * HOUR * 5) / 7 : 0), 0),
  );
  const arriveDays = Math.max(...hours.map((s, group) => s / (open[group] ?? 1))) / load;
  Object.keys(made).forEach((job, j) => {
    const arrives = Math.round((random() * arriveDays * DAY) / 60) * 60;
    const first = work[`${job}.0`];
    if (first && arrives > 0) work[`${job}.0`] = { ...first, gates: [{ key: 'paper', at: MONDAY + arrives, holds: 'run' }] };
    const due = MONDAY + arrives + Math.round((alone[j] ?? 0) * tightness * (0.6 + 1.8 * random()) * ALONE_TO_CLOCK);
    const last = `${job}.${steps - 1}`;
    const half = everything && j % 5 === 0;
    const dues = half
      ? [
          { work: last, pieces: PIECES / 2, at: due - 8 * HOUR },
          { work: last, pieces: PIECES / 2, at: due },
        ]
      : [{ work: last, pieces: PIECES, at: due }];
    made[job] = { ...(made[job] ?? { name: job, latePerHour: 1, heldPerHour: 0 }), dues };
  });
  const crews: Record<string, Crew> = {};
  if (everything) {
    crews['hands'] = { of: ['m0', 'm1'], present: hoursOf(0, 40).map(([from, to]) => [from, to, 3] as const) };
    for (const id of Object.keys(work)) {
      const mine = work[id];
      if (!mine || below(12) !== 0) continue;
      const pin = [
        { notBefore: MONDAY + below(5) * DAY + 9 * HOUR },
        { start: MONDAY + (1 + below(4)) * DAY + 8 * HOUR },
        { notOn: [mine.ways[0].machine] },
        { on: mine.ways[0].machine },
      ][below(4)];
      work[id] = { ...mine, pin: { ...pin, by: 'planner', why: 'asked' } };
    }
    const running = work['j0.0'];
    if (running) work['j0.0'] = { ...running, gates: [], state: 'running', startedAt: MONDAY - HOUR, leftS: 3 * HOUR };
    const done = work['j1.0'];
    if (done) work['j1.0'] = { ...done, gates: [], state: 'done', endedAt: MONDAY - HOUR };
  }
  return { asOf: MONDAY, lanes, crews, work, jobs: made, moved: { shift: 20, day: 10, later: 3, frozenS: 2 * HOUR } };
}
/** Time alone is counted in open hours of two shifts; on the clock it takes so much longer, nights and weekends in it. */
const ALONE_TO_CLOCK = (24 / 16) * (7 / 5);
