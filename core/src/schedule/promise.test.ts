import { check } from './check';
import { dispatchBest } from './dispatch';
import { putIntoGaps } from './gap';
import { inOrder, judge, judged, layingOf } from './judge';
import { longerHours, withOvertime } from './overtime';
import { piecesOf } from './pieces';
import type { Bar, Problem } from './problem';
import { promise } from './promise';
import { randomBoard } from './random-board.fixture';
import { waitedFor } from './why-late';

const small = { jobs: 10, steps: 4, machines: 6, load: 0.9, tightness: 0.8 };
const HOUR = 3600;

/** A board without one job, laid by the rules of dispatch. */
function standing(p: Problem, job: string): { others: Problem; order: string[]; on: Record<string, string>; bars: readonly Bar[] } {
  const others = { ...p, work: Object.fromEntries(Object.entries(p.work).filter(([, w]) => w.job !== job)) };
  const of = piecesOf(others);
  const laying = layingOf(of, others);
  dispatchBest(laying);
  const { bars } = judged(others, of, laying.list);
  const byStart = [...bars].sort((a, b) => a.runAt - b.runAt);
  const [order, on] = [byStart.map((b) => b.work), Object.fromEntries(bars.map((b) => [b.work, b.machine]))];
  return { others, order, on, bars: judge(others, order, on).bars };
}

describe('a promise', () => {
  it('moves no other run, holds by the validator, and is never later than behind everything', () => {
    let inGaps = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const made = randomBoard({ ...small, seed, everything: true });
      const p: Problem = { ...made, crews: {} };
      const { order, on, bars } = standing(p, 'j3');
      const { at, bars: mine, because } = promise(p, { order, on }, 'j3');
      const ids = Object.keys(p.work).filter((id) => p.work[id]!.job === 'j3');
      expect(mine.map((b) => b.work).sort()).toEqual(ids.sort());
      // The board with it, laid anew in the order of its runs.
      const all = [...bars, ...mine].sort((a, b) => a.runAt - b.runAt);
      const anew = judge(
        p,
        all.map((b) => b.work),
        Object.fromEntries(all.map((b) => [b.work, b.machine])),
      );
      expect(check(p, anew.bars).wrong).toEqual([]);
      const runs = new Map(anew.bars.map((b) => [b.work, b.runAt]));
      for (const b of bars)
        expect({ seed, work: b.work, laterS: Math.max(0, (runs.get(b.work) ?? 0) - b.runAt) }).toEqual({ seed, work: b.work, laterS: 0 });
      expect(at).toBe(Math.max(...anew.bars.filter((b) => ids.includes(b.work)).map((b) => b.end)));
      expect(because.reduce((sum, b) => sum + b.s, 0)).toBe(at - p.asOf);
      const behind = judge(p, order, on).bars.filter((b) => ids.includes(b.work));
      const last = Math.max(...behind.map((b) => b.end));
      expect(at).toBeLessThanOrEqual(last);
      if (at < last) inGaps++;
    }
    expect(inGaps).toBeGreaterThan(30);
  });
  it('holds with people that are shared', () => {
    for (let seed = 61; seed <= 80; seed++) {
      const p = randomBoard({ ...small, seed, everything: true });
      const { order, on } = standing(p, 'j4');
      const of = piecesOf(p);
      const laying = layingOf(of, p);
      laying.layAll(inOrder(of.pieces, order, on));
      putIntoGaps(
        laying,
        Object.keys(p.work).filter((id) => p.work[id]!.job === 'j4'),
      );
      expect({ seed, wrong: check(p, judged(p, of, laying.list).bars).wrong }).toEqual({ seed, wrong: [] });
    }
  });
  it('goes into the first gap that is long enough, its set-up in it', () => {
    const work = (job: string, runS: number, ink: string) => ({
      ...{ job, step: 's', name: job, pieces: 100, links: [], gates: [], inOneGo: false, state: 'free' as const },
      ...{ ways: [{ machine: 'm', makeReadyS: 600, runS, hands: 0, extra: 0 }] as const, keys: { ink } },
    });
    const p: Problem = {
      ...{ asOf: 0, crews: {}, moved: { shift: 0, day: 0, later: 0, frozenS: 0 } },
      lanes: {
        m: {
          ...{ name: 'M', open: [[0, 24 * HOUR]], keys: { ink: 'black' }, freeAt: 0, places: 1, setupRate: 60 },
          change: [{ key: 'ink', s: 1200 }],
        },
      },
      work: {
        a: { ...work('a', HOUR, 'black'), pin: { start: HOUR, by: '', why: '' } },
        b: { ...work('b', HOUR, 'red'), pin: { start: 5 * HOUR, by: '', why: '' } },
        c: work('c', HOUR, 'red'),
      },
      jobs: Object.fromEntries(['a', 'b', 'c'].map((j) => [j, { name: j, dues: [], latePerHour: 1, heldPerHour: 0 }])),
    };
    const order = ['a', 'b'];
    // Before the first it would have to be washed twice: an hour, its set-up and 40 minutes do not go into one hour. Behind it b’s bar would begin with another set-up.
    expect(promise(p, { order, on: {} }, 'c')).toMatchObject({ at: 5 * HOUR + 600 + 1200 + HOUR + 600 + HOUR });
    const black: Problem = { ...p, work: { ...p.work, c: work('c', HOUR, 'black') } };
    expect(promise(black, { order, on: {} }, 'c')).toMatchObject({ at: HOUR + 600 + HOUR + 600 + HOUR, bars: [{ start: 2 * HOUR + 600 }] });
  });
});

describe('overtime', () => {
  it('is worked behind every day, not in a break', () => {
    const open: [number, number][] = [
      [6 * HOUR, 10 * HOUR],
      [10.5 * HOUR, 14 * HOUR],
      [30 * HOUR, 38 * HOUR],
    ];
    expect(longerHours(open, 2 * HOUR)).toEqual([
      [6 * HOUR, 10 * HOUR],
      [10.5 * HOUR, 16 * HOUR],
      [30 * HOUR, 40 * HOUR],
    ]);
  });
  it('takes the people of the machine along, where it shares them', () => {
    const p = randomBoard({ ...small, seed: 1 });
    const [machine, other] = Object.keys(p.lanes) as [string, string];
    const open: [number, number][] = [[0, 8 * HOUR]];
    const way = { machine, makeReadyS: 0, runS: HOUR, hands: 2, extra: 0 };
    const [id, work] = Object.entries(p.work)[0]!;
    const shared = {
      ...p,
      lanes: { ...p.lanes, [machine]: { ...p.lanes[machine]!, open } },
      work: { [id]: { ...work, ways: [way] as const } },
      crews: { c: { of: [machine, other], present: [[0, 8 * HOUR, 3] as const] } },
    };
    expect(withOvertime(shared, machine, 2 * HOUR).crews['c']?.present).toEqual([
      [0, 8 * HOUR, 3],
      [8 * HOUR, 10 * HOUR, 2],
    ]);
  });
  it('on the machine a job waits for the longest brings it sooner, never later', () => {
    let sooner = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const p = randomBoard({ ...small, seed });
      const { order, on } = standing(p, 'j3');
      const { at, because } = promise(p, { order, on }, 'j3');
      const [machine] = waitedFor(because);
      if (machine === undefined) continue;
      const over = promise(withOvertime(p, machine), { order, on }, 'j3').at;
      if (over < at) sooner++;
    }
    expect(sooner).toBeGreaterThan(8);
  });
});
