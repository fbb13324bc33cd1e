import { dispatchBest } from './dispatch';
import { inOrder, layingOf } from './judge';
import { piecesOf } from './pieces';
import type { Lane, Problem, Work } from './problem';
import { randomBoard } from './random-board.fixture';
import { whyThen } from './why-late';

const HOUR = 3600;

describe('why a job ends when it does', () => {
  it('is told from its end back: own work, who stood before, what dried, closed hours', () => {
    const lane: Lane = {
      name: '',
      open: [
        [6 * HOUR, 22 * HOUR],
        [30 * HOUR, 46 * HOUR],
      ],
      keys: {},
      freeAt: 0,
      places: 1,
      setupRate: 0,
      change: [],
    };
    const work = (job: string, machine: string, hours: number, more: Partial<Work> = {}): Work => ({
      job,
      step: '',
      name: '',
      pieces: 1,
      ways: [{ machine, makeReadyS: HOUR, runS: hours * HOUR, hands: 0, extra: 0 }],
      links: [],
      keys: {},
      gates: [],
      inOneGo: false,
      state: 'free',
      ...more,
    });
    const p: Problem = {
      asOf: 0,
      lanes: { press: lane, cutter: lane },
      crews: {},
      work: {
        before: work('2408', 'press', 5),
        print: work('2411', 'press', 3),
        cut: work('2411', 'cutter', 1, { links: [{ of: 'print', by: 'pieces', waitS: 12 * HOUR, why: 'drying' }] }),
      },
      jobs: { 2408: { name: '', dues: [], latePerHour: 0, heldPerHour: 0 }, 2411: { name: '', dues: [], latePerHour: 0, heldPerHour: 0 } },
      moved: { shift: 0, day: 0, later: 0, frozenS: 0 },
    };
    const of = piecesOf(p);
    layingOf(of, p).layAll(inOrder(of.pieces, ['before', 'print', 'cut'], {}));
    // Printed behind 2408 from 12:00 to 16:00, dry at 04:00, cut from 06:00 to 07:00.
    expect(whyThen(of, '2411')).toEqual([
      { kind: 'own', what: 'cutter', s: HOUR },
      { kind: 'closed', what: 'cutter', s: 2 * HOUR },
      { kind: 'wait', what: 'drying', s: 12 * HOUR },
      { kind: 'own', what: 'press', s: 4 * HOUR },
      { kind: 'behind', what: 'press', s: 6 * HOUR, job: '2408' },
      { kind: 'closed', what: 'press', s: 6 * HOUR },
    ]);
  });
  it('adds up to the time from now to its end, on any board', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const p = randomBoard({ jobs: 8, steps: 5, machines: 6, load: 0.9, tightness: 0.6, seed, everything: seed % 2 === 0 });
      const of = piecesOf(p);
      dispatchBest(layingOf(of, p));
      for (const job of of.jobs) {
        const parts = whyThen(of, job.id);
        expect({ seed, job: job.id, sum: parts.reduce((sum, b) => sum + b.s, 0) }).toEqual({ seed, job: job.id, sum: job.end });
      }
    }
  });
});
