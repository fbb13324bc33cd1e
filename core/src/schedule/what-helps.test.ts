import { dispatchBest } from './dispatch';
import { inOrder, layingOf } from './judge';
import { piecesOf } from './pieces';
import type { Lane, Problem, Work } from './problem';
import { randomBoard } from './random-board.fixture';
import { whatHelps } from './what-helps';

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
      { work: 'late', beside: 'long', soonerS: 10 * HOUR, money: 10 - 90 },
      { work: 'late', beside: 'middle', soonerS: 2 * HOUR, money: 80 - 90 },
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
        const [help] = whatHelps(laying, id);
        expect(starts()).toEqual(before);
        if (!help) continue;
        const [piece, other] = [help.work, help.beside].map((w) => laying.list.find((x) => x.id === w)!);
        expect(laying.moveBeside(piece!, other!, 'before')).toBe(true);
        expect(laying.total - total).toBeCloseTo(help.money, 6);
        expect(ended - laying.jobs.find((j) => j.id === id)!.end).toBe(help.soonerS);
        laying.undo();
      }
      expect(whatHelps(laying, 'nobody')).toEqual([]);
    }
  });
});
