import { seeded } from '../quantity/seeded';
import { layingOf } from './judge';
import { estimateMove } from './move-estimate';
import { piecesOf } from './pieces';
import type { Problem, Work } from './problem';
import { randomBoard } from './random-board.fixture';

const HOUR = 3600;
/** One machine that never closes, jobs of one step that are all late already: minutes of make-ready and run, ink, money an hour. */
function onePress(
  jobs: readonly (readonly [makeReady: number, run: number, ink: string, late: number])[],
  more: Partial<Problem['lanes'][string]> = {},
): Problem {
  return {
    asOf: 0,
    lanes: {
      press: {
        ...{ name: '', open: [[0, 10_000 * HOUR]], keys: { ink: 'black' }, freeAt: 0, places: 1, setupRate: 60 },
        change: [{ key: 'ink', s: 1_200, lighterS: 2_400 }],
        ...more,
      },
    },
    crews: {},
    work: Object.fromEntries(
      jobs.map(([makeReady, run, ink], i): [string, Work] => [
        `w${i}`,
        {
          ...{ job: `j${i}`, step: '', name: '', pieces: 1, links: [], keys: { ink }, gates: [], inOneGo: false, state: 'free' },
          ways: [{ machine: 'press', makeReadyS: makeReady * 60, runS: run * 60, hands: 0, extra: 0 }],
        },
      ]),
    ),
    jobs: Object.fromEntries(
      jobs.map(([, , , late], i) => [
        `j${i}`,
        { name: '', dues: [{ work: `w${i}`, pieces: 1, at: 0 }], latePerHour: late, heldPerHour: 0 },
      ]),
    ),
    moved: { shift: 0, day: 0, later: 0, frozenS: 0 },
  };
}
const laid = (p: Problem) => {
  const laying = layingOf(piecesOf(p), p);
  laying.feel();
  return laying;
};

describe('what a move is thought to cost', () => {
  it('is what worked by hand: two jobs change places', () => {
    // First 30 + 60 min at 10 an hour, second 30 + 30 min at 40; the same ink. Ends at 1:30 and 2:30: 15 + 100. The other way round 1:00 and 2:30: 40 + 25.
    const laying = laid(
      onePress([
        [30, 60, 'black', 10],
        [30, 30, 'black', 40],
      ]),
    );
    const [first, second] = laying.list;
    expect(laying.total).toBeCloseTo(115, 9);
    expect(estimateMove(second!, first!, 'before')).toBeCloseTo(65 - 115, 9);
    expect(estimateMove(first!, second!, 'behind')).toBeCloseTo(65 - 115, 9);
    // Where it stands already nothing is told.
    expect(estimateMove(second!, first!, 'behind')).toBeNull();
  });
  it('is what the move then costs, to the cent, where everything is late and nothing stands still', () => {
    const random = seeded(4);
    const below = (n: number) => Math.floor(random() * n);
    let some = 0;
    for (let plant = 0; plant < 20; plant++) {
      const jobs = Array.from(
        { length: 9 },
        () => [10 + below(30), 20 + below(200), ['black', 'yellow', 'navy blue'][below(3)]!, 5 + below(50)] as const,
      );
      for (let i = 0; i < 30; i++) {
        const laying = laid(onePress(jobs));
        const [piece, other] = [laying.list[below(9)]!, laying.list[below(9)]!];
        const side = below(2) === 0 ? 'before' : 'behind';
        const thought = estimateMove(piece, other, side);
        const before = laying.total;
        if (piece === other || !laying.moveBeside(piece, other, side)) continue;
        expect(thought).not.toBeNull();
        expect(laying.total - before).toBeCloseTo(thought!, 6);
        some++;
      }
    }
    expect(some).toBeGreaterThan(300);
  });
  it('cannot be told of a bench, and counts what a piece is held by', () => {
    const bench = laid(
      onePress(
        [
          [30, 60, 'black', 10],
          [30, 30, 'black', 40],
        ],
        { places: 2 },
      ),
    );
    expect(estimateMove(bench.list[1]!, bench.list[0]!, 'before')).toBeNull();
    // Its paper comes at 8:00: before the other it would only make that wait.
    const p = onePress([
      [30, 60, 'black', 10],
      [30, 30, 'black', 40],
    ]);
    const held = laid({ ...p, work: { ...p.work, w1: { ...p.work['w1']!, gates: [{ key: 'paper', at: 8 * HOUR, holds: 'run' }] } } });
    // It ends at 8:30 in any case; the other 8 h 30 min later: 8:30 + 30 + 60 min instead of 1:30.
    expect(estimateMove(held.list[1]!, held.list[0]!, 'before')).toBeCloseTo(8.5 * 10, 9);
  });
  it('changes nothing of the board', () => {
    const laying = laid(randomBoard({ jobs: 12, steps: 5, machines: 9, load: 1, tightness: 0.6, seed: 2 }));
    const [before, starts] = [laying.total, laying.list.map((x) => x.start)];
    for (const x of laying.list) if (x.prev) estimateMove(x, x.prev, 'before');
    expect([laying.total, laying.list.map((x) => x.start)]).toEqual([before, starts]);
  });
});
