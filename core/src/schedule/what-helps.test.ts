import { dispatchBest } from './dispatch';
import { check } from './check';
import { inOrder, judged, layingOf } from './judge';
import { piecesOf } from './pieces';
import type { Lane, Problem, Work } from './problem';
import { randomBoard } from './random-board.fixture';
import { jobFirst, moveWithFollowers } from './move-job';
import { restOf, withSplit } from './split-run';
import { overtimeHelp, soonerHelp, splitHelp, whatHelps } from './what-helps';

const HOUR = 3600;
const lane: Lane = { name: '', open: [[0, 100 * HOUR]], keys: {}, freeAt: 0, places: 1, setupRate: 0, change: [] };
const work = (job: string, hours: number): Work => ({
  ...{ job, step: '', name: '', pieces: 1, ways: [{ machine: 'press', makeReadyS: 0, runS: hours * HOUR, hands: 0, extra: 0 }] },
  ...{ links: [], keys: {}, gates: [], inOneGo: false, state: 'free' },
});
const job = (id: string, hours: number, latePerHour = 10) => ({
  name: id,
  dues: [{ work: id, pieces: 1, at: hours * HOUR }],
  latePerHour,
  heldPerHour: 0,
});

describe('what would help', () => {
  it('is tried: the late job before the one it waits for, and before the one before that', () => {
    const p: Problem = {
      asOf: 0,
      lanes: { press: lane },
      crews: {},
      work: { long: work('long', 8), middle: work('middle', 2), late: work('late', 1) },
      // The long one has time until 12, the middle one until 10, the late one was due at 2.
      jobs: { long: job('long', 12), middle: job('middle', 10), late: job('late', 2) },
      moved: { shift: 0, day: 0, later: 0, frozenS: 0 },
    };
    const of = piecesOf(p);
    const laying = layingOf(of, p);
    laying.layAll(inOrder(of.pieces, ['long', 'middle', 'late'], {}));
    // By hand: 9 h late as it stands. Before the middle one: 9:00, 7 h late, the middle one 1 h late. Before the long one: in time, the middle one 1 h late.
    expect(laying.total).toBe(90);
    expect(whatHelps(laying, 'late')).toEqual([
      { kind: 'before', work: 'late', beside: 'long', soonerS: 10 * HOUR, money: 10 - 90 },
      { kind: 'first', soonerS: 10 * HOUR, money: 10 - 90 },
      { kind: 'before', work: 'late', beside: 'middle', soonerS: 2 * HOUR, money: 80 - 90 },
    ]);
    expect(laying.total).toBe(90);
  });
  it('tells what then comes to be, leaves the board as it was, and says nothing of a job it does not know', () => {
    for (let seed = 1; seed <= 15; seed++) {
      const p = randomBoard({ jobs: 8, steps: 5, machines: 6, load: 0.9, tightness: 0.6, seed, everything: seed % 3 === 0 });
      const laying = layingOf(piecesOf(p), p);
      dispatchBest(laying);
      const starts = (): number[] => laying.list.map((x) => x.start);
      for (const { id } of laying.jobs) {
        const [before, total, ended] = [starts(), laying.total, laying.jobs.find((j) => j.id === id)!.end];
        const help = whatHelps(laying, id).find((h) => h.kind === 'before');
        expect(starts()).toEqual(before);
        if (help?.kind !== 'before') continue;
        const [piece, other] = [help.work, help.beside].map((w) => laying.list.find((x) => x.id === w)!);
        const order = laying.order();
        expect(moveWithFollowers(laying, piece!, other!, 'before')).toBe(true);
        expect(laying.total - total).toBeCloseTo(help.money, 6);
        expect(ended - laying.jobs.find((j) => j.id === id)!.end).toBe(help.soonerS);
        laying.layAll(order);
      }
      expect(whatHelps(laying, 'nobody')).toEqual([]);
    }
  });
  it('puts a whole job first where its pieces could begin, and lets no machine wait for what has to come', () => {
    const p: Problem = {
      ...{ asOf: 0, crews: {}, moved: { shift: 0, day: 0, later: 0, frozenS: 0 } },
      lanes: { press: lane, folder: lane },
      work: {
        ...{ one: work('one', 4), two: work('two', 4), three: work('three', 4) },
        // The rush: its paper comes at 6, it is printed for 1 h and folded for 1 h.
        rush: { ...work('rush', 1), gates: [{ key: 'paper', at: 6 * HOUR, holds: 'run' }] },
        fold: {
          ...work('rush', 1),
          ways: [{ machine: 'folder', makeReadyS: 0, runS: HOUR, hands: 0, extra: 0 }],
          links: [{ of: 'rush', by: 'pieces', waitS: 0, why: '' }],
        },
      },
      jobs: {
        one: job('one', 90),
        two: job('two', 90),
        three: job('three', 90),
        rush: { ...job('rush', 8), dues: [{ work: 'fold', pieces: 1, at: 8 * HOUR }] },
      },
    };
    const of = piecesOf(p);
    const laying = layingOf(of, p);
    laying.layAll(inOrder(of.pieces, ['one', 'two', 'three', 'rush', 'fold'], {}));
    laying.layAll(jobFirst(laying, 'rush'));
    // By hand: the first two run while the paper is on its way, 0 to 8; the rush is printed at 8 and folded at 9.
    expect(Object.fromEntries(laying.list.map((x) => [x.id, x.start / HOUR]))).toEqual({ one: 0, two: 4, rush: 8, fold: 9, three: 9 });
  });
  it('takes along what a job does after a piece that is moved', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const p = randomBoard({ jobs: 8, steps: 5, machines: 6, load: 0.9, tightness: 0.6, seed, everything: true });
      const of = piecesOf(p);
      const laying = layingOf(of, p);
      dispatchBest(laying);
      const piece = laying.list.find((x) => x.job.id === 'j5' && x.prev && !x.prev.running && x.prev.job.id !== 'j5');
      if (!piece?.prev || !moveWithFollowers(laying, piece, piece.prev, 'before')) continue;
      expect({ seed, wrong: check(p, judged(p, of, laying.list).bars).wrong }).toEqual({ seed, wrong: [] });
    }
  });
  it('is overtime on the machine it waits for: two nights between 8-hour days become two hours shorter each', () => {
    const days: [number, number][] = [0, 1, 2].map((d) => [d * 24 * HOUR, (d * 24 + 8) * HOUR]);
    const p: Problem = {
      ...{ asOf: 0, crews: {}, moved: { shift: 0, day: 0, later: 0, frozenS: 0 } },
      lanes: { press: { ...lane, open: days } },
      work: { long: work('long', 17), late: work('late', 2) },
      jobs: { long: job('long', 60), late: job('late', 20) },
    };
    // By hand: 17 h and 2 h are 8, 8 and 3: it ends at 51. With two hours more a day 10 and 9: at 33.
    expect(overtimeHelp(p, { order: ['long', 'late'], on: {} }, 'late')).toMatchObject({
      machine: 'press',
      soonerS: 18 * HOUR,
      money: -180,
    });
    expect(overtimeHelp(p, { order: ['late', 'long'], on: {} }, 'late')).toBeNull();
  });
  it('is what has to come a day sooner, of the step where that brings the most, and no sooner than now', () => {
    const withGates = (paper: number, approval: number): Problem => ({
      ...{ asOf: 0, crews: {}, moved: { shift: 0, day: 0, later: 0, frozenS: 0 } },
      lanes: { press: lane, folder: lane },
      work: {
        late: { ...work('late', 1), gates: [{ key: 'paper', at: paper * HOUR, holds: 'run' }] },
        fold: {
          ...work('late', 1),
          ways: [{ machine: 'folder', makeReadyS: 0, runS: HOUR, hands: 0, extra: 0 }],
          links: [{ of: 'late', by: 'pieces', waitS: 0, why: '' }],
          gates: [{ key: 'gate:proof', at: approval * HOUR, holds: 'makeReady' }],
        },
      },
      jobs: { late: { ...job('late', 8), dues: [{ work: 'fold', pieces: 1, at: 8 * HOUR }] } },
    });
    const accepted = { order: ['late', 'fold'], on: {} };
    // By hand: paper at 30, printed and folded by 32, 24 h late at 10 an hour; a day sooner at 6, by 8, in time.
    expect(soonerHelp(withGates(30, 0), accepted, 'late')).toEqual({
      kind: 'sooner',
      work: 'late',
      byS: 24 * HOUR,
      soonerS: 24 * HOUR,
      money: -240,
    });
    // Paper at 10 comes now at the soonest. With a proof at 20 that brings nothing; the proof a day sooner lets it end at 12 instead of 21.
    expect(soonerHelp(withGates(10, 0), accepted, 'late')).toMatchObject({ work: 'late', soonerS: 10 * HOUR });
    expect(soonerHelp(withGates(10, 20), accepted, 'late')).toMatchObject({ work: 'fold', soonerS: 9 * HOUR });
    expect(soonerHelp(withGates(0, 0), accepted, 'late')).toBeNull();
  });
});

describe('a run that is broken off', () => {
  const rated = { press: { ...lane, setupRate: 60 }, cutter: lane };
  const on = { long: 'press', late: 'press', cut: 'cutter' };
  const ways = (machine: string, makeReadyS: number, hours: number): Work['ways'] => [
    { machine, makeReadyS, runS: hours * HOUR, hands: 0, extra: 0 },
  ];
  const plant = (long: Partial<Work>): Problem => ({
    asOf: 0,
    lanes: rated,
    crews: {},
    work: {
      long: { ...work('long', 8), pieces: 8_000, ways: ways('press', HOUR / 2, 8), ...long },
      cut: { ...work('long', 1), ways: ways('cutter', 0, 1), links: [{ of: 'long', by: 'pieces', waitS: 0, why: '', batch: 3_000 }] },
      late: { ...work('late', 1), gates: [{ key: 'paper', at: 2 * HOUR, holds: 'run' }] },
    },
    jobs: { long: { ...job('long', 12), dues: [{ work: 'cut', pieces: 1, at: 12 * HOUR }] }, late: job('late', 2) },
    moved: { shift: 0, day: 0, later: 0, frozenS: 0 },
  });
  it('lets what waits behind it end sooner, at the end of a pile, for a second make-ready; told only where it helps', () => {
    const order = ['long', 'late', 'cut'];
    // By hand: the long run from 0:30 to 8:30, the late one to 9:30. Its paper comes at 2:00; by then 1,500 are made, a pile is 3,000: broken off at 3:30, the late
    // one to 4:30, made ready again to 5:00, the rest of 5,000 to 10:00, cut by 11:00. 5 h sooner at 10 an hour; half an hour at 60 more.
    expect(splitHelp(plant({}), { order, on }, 'late')).toEqual({
      kind: 'split',
      work: 'long',
      beside: 'late',
      pieces: 3_000,
      at: 3.5 * HOUR,
      soonerS: 5 * HOUR,
      money: -50 + 30,
    });
    // It runs, 6 h of it are left: 2,000 are made; at 2:00 there are 4,000, the pile is full at 6,000, at 4:00.
    const running = splitHelp(plant({ state: 'running', startedAt: -2.5 * HOUR, leftS: 6 * HOUR }), { order, on }, 'late');
    expect(running).toMatchObject({ pieces: 6_000, at: 4 * HOUR, soonerS: 2 * HOUR });
    expect(splitHelp(plant({}), { order, on }, 'long')).toBeNull();
    // Whatever the pieces, it is broken off at a whole second: 7,919 in 8 h, at the end of the pile of 3,000.
    expect(splitHelp(plant({ pieces: 7_919 }), { order, on }, 'late')).toMatchObject({
      pieces: 3_000,
      at: HOUR / 2 + Math.ceil((3_000 * 8 * HOUR) / 7_919),
    });
    // Of a run of an hour nobody breaks off the last half hour.
    expect(splitHelp(plant({ ways: ways('press', 0, 2.25), pieces: 2_000 }), { order, on }, 'late')).toBeNull();
  });
  it('is all there in its parts: time, pieces, deliveries, who follows; and holds, on any board', () => {
    let some = 0;
    for (let seed = 1; seed <= 4; seed++) {
      const p = randomBoard({ jobs: 8, steps: 4, machines: 6, load: 0.9, tightness: 0.6, seed, everything: seed % 2 === 0 });
      for (const [id, whole] of Object.entries(p.work)) {
        if (whole.state !== 'free') continue;
        const split = withSplit(p, id, 1_700);
        const [first, rest] = [split.work[id]!, split.work[restOf(id)]!];
        expect(first.pieces + rest.pieces).toBe(whole.pieces);
        expect(first.ways.map((w, i) => w.runS + rest.ways[i]!.runS)).toEqual(whole.ways.map((w) => w.runS));
        const pieces = (q: Problem): number => (q.jobs[whole.job]?.dues ?? []).reduce((sum, d) => sum + (d.share ?? 0), 0);
        if (split.jobs[whole.job]!.dues.length > 0) expect(pieces(split)).toBeCloseTo(1, 9);
        const of = piecesOf(split);
        const laying = layingOf(of, split);
        expect(check(split, judged(split, of, laying.list).bars).wrong).toEqual([]);
        some++;
      }
    }
    expect(some).toBeGreaterThan(100);
    const p = randomBoard({ jobs: 3, steps: 3, machines: 3, load: 0.9, tightness: 0.6, seed: 1 });
    expect(withSplit(p, 'nobody', 5)).toBe(p);
  });
});
