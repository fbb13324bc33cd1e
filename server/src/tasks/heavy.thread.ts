import { parentPort, workerData } from 'node:worker_threads';
import { searchLayout } from '@druckerei/core';
import { plannedOn } from '../jobs/plan-for';
import { shelfFrom } from '../plants/shelf';
import { readOrders } from './read-orders';
import type { ThreadAsk, ThreadSays } from './thread-messages';

/* A worker thread for one piece of heavy work: the process that started it stays free to answer, to beat and to cancel. */

const PLANS_A_MESSAGE = 100;
const say = (said: ThreadSays): void => parentPort?.postMessage(said);

function work(ask: ThreadAsk): void {
  switch (ask.kind) {
    case 'layout': {
      const found = searchLayout(ask.spec, ask.plant, ask.shelf, ask.part, ask.iterations, ({ iterations, count, bound }) => {
        say({ kind: 'progress', done: iterations, of: ask.iterations, best: count, bound });
      });
      say({ kind: 'layout', found });
      break;
    }
    case 'read':
      say({ kind: 'read', read: readOrders(Buffer.from(ask.bytes), ask.rows) });
      break;
    case 'plans': {
      const { plant, store, now, specs } = ask;
      for (let from = 0; from < specs.length; from += PLANS_A_MESSAGE) {
        const plans = specs.slice(from, from + PLANS_A_MESSAGE).map((spec) => {
          const { summary, picture } = plannedOn(shelfFrom(store, { plant, spec, now, palletLimit: undefined, job: null }), spec, plant);
          return { summary, picture };
        });
        say({ kind: 'planned', from, plans });
      }
      say({ kind: 'plans' });
      break;
    }
  }
}

try {
  work(workerData as ThreadAsk);
} catch (error) {
  say({ kind: 'refused', says: error instanceof Error ? error.message : String(error) });
}
