import fc from 'fast-check';
import { lostByTable } from '../flow/loss-table';
import { CURVE_AT, lostBySetup, lossScene, tableFrom } from './loss-curve';

describe('losses as a curve', () => {
  test.each([
    ['setup alone', { setup: 200, runningPpm: 0 }, 5_000, 200, 'by hand'],
    ['running alone: 1,000 good at 2 %', { setup: 0, runningPpm: 20_000 }, 980, 20, 'by hand: 1,000 run, 20 lost'],
    ['both', { setup: 225, runningPpm: 20_000 }, 980, 245, 'by hand: 225 + 20'],
    ['nothing lost', { setup: 0, runningPpm: 0 }, 777, 0, 'by hand'],
  ])('%s', (_name, school, good, lost, _source) => {
    expect(lostBySetup(school, good)).toBe(lost);
  });
  it('starts a table that says what the other school says, at every quantity of the curve', () => {
    const school = { setup: 225, runningPpm: 20_000 };
    const table = tableFrom(school);
    for (const good of CURVE_AT) expect(lostByTable(table, good)).toBe(lostBySetup(school, good));
  });
  it('loses more in pieces and less in share, the more is run', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2_000 }),
        fc.integer({ min: 0, max: 200_000 }),
        fc.integer({ min: 1, max: 100_000 }),
        (setup, runningPpm, good) => {
          const [few, many] = [lostBySetup({ setup, runningPpm }, good), lostBySetup({ setup, runningPpm }, good * 2)];
          // One piece of rounding each way.
          return many >= few && many <= 2 * few + 1;
        },
      ),
    );
  });
  it('draws the school in force in full, the other beside it, and says both', () => {
    const scene = lossScene(
      'Offset',
      { setup: 225, runningPpm: 20_000 },
      [
        [1_000, 300],
        [10_000, 500],
      ],
      'table',
    );
    expect(scene.shapes.filter((s) => s.kind === 'path').map((s) => [s.role, s.ref])).toEqual([
      ['fold', 'other school'],
      ['cut', 'school in force'],
    ]);
    expect(scene.says).toContain('By the table');
    expect(lossScene('Offset', { setup: 1, runningPpm: 0 }, null, 'setupRunning').shapes.filter((s) => s.kind === 'path')).toHaveLength(1);
  });
});
