import type { Net } from '../../flow/net';
import { Ledger, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { LINDMOOR, SHELF } from '../line-1.fixture';
import { type Arrival, layOutTime } from './ready';

const DAY = 86_400;
/** One step on a machine that never closes: ten minutes to set up, an hour to run. */
function laidOut(arrivals: readonly Arrival[]): { afterAt: number; endAt: number } {
  const net: Net = {
    flows: {},
    steps: {
      glue: {
        ...{ process: 'any', stone: 'glue', takes: [], gives: [], whole: true, machine: 'm' },
        ...{ loss: { setupCycles: 0, runningPpm: 0, samples: 0 }, needs: [], waits: [], cautions: [] },
      },
    },
    wanted: {},
  };
  const ledger = new Ledger();
  ledger.figure('glue.setupS', SUM, { setup: typed(600, 's', 'setup') });
  ledger.figure('glue.runS', SUM, { run: typed(3_600, 's', 'run') });
  layOutTime(net, LINDMOOR, { ...SHELF, open: { any: [[0, Number.MAX_SAFE_INTEGER]] } }, arrivals, undefined, ledger);
  return { afterAt: ledger.value('glue.afterAt'), endAt: ledger.value('glue.endAt') };
}
const comes = (days: number, code = 'assume.stock', step = 'glue'): Arrival => ({ step, at: SHELF.asOf + days * DAY, code, args: {} });

describe('when a step may begin', () => {
  it('is now where nothing has to come, and it ends after its set-up and run', () => {
    expect(laidOut([])).toEqual({ afterAt: SHELF.asOf, endAt: SHELF.asOf + 4_200 });
  });
  it('is when the last thing that it needs has come, in whatever order they are listed, of one kind or of several', () => {
    for (const arrivals of [
      [comes(2), comes(9)],
      [comes(9), comes(2)],
      [comes(9), comes(2), comes(4, 'assume.tool')],
      [comes(4), comes(2), comes(9, 'assume.tool'), comes(1, 'assume.tool')],
    ])
      expect(laidOut(arrivals).afterAt).toBe(SHELF.asOf + 9 * DAY);
    // What another step waits for does not hold it.
    expect(laidOut([comes(9, 'assume.stock', 'pack')]).afterAt).toBe(SHELF.asOf);
  });
});
