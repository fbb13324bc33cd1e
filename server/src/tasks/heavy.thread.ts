import { parentPort, workerData } from 'node:worker_threads';
import { correctBatch, matchRecipes } from '@druckerei/core';
import {
  dispatchBest,
  frozenIn,
  improve,
  inOrder,
  type Judged,
  judged,
  layingOf,
  leastMoney,
  piecesOf,
  standsOf,
} from '@druckerei/core/board';
import { searchLayout } from '@druckerei/core/planning';
import { plannedOn } from '../jobs/plan-for';
import { shelfFrom } from '../plants/shelf';
import { ordersOf, readOrders, tableOf } from './read-orders';
import type { ThreadAsk, ThreadSays } from './thread-messages';

/* A worker thread for one piece of heavy work: the process that started it stays free to answer, to beat and to cancel. */

const ROWS_A_MESSAGE = 100;
const say = (said: ThreadSays): void => parentPort?.postMessage(said);

const SEED = 1;
const MS_BETWEEN = 500;

function laidBoard({ problem, order, on, was, moves }: Extract<ThreadAsk, { kind: 'board' }>): { made: Judged; least: number } {
  const frozen = frozenIn(problem, was);
  const of = piecesOf(frozen, standsOf(was));
  const laying = layingOf(of, frozen);
  if (order.length > 0) laying.layAll(inOrder(of.pieces, order, on));
  else dispatchBest(laying);
  const least = leastMoney(problem);
  let told = 0;
  improve(laying, SEED, moves, ({ done, total }) => {
    if (performance.now() - told > MS_BETWEEN) {
      told = performance.now();
      say({ kind: 'progress', done, of: moves, best: total, bound: least });
    }
    return true;
  });
  return { made: judged(frozen, of, laying.list), least };
}

function work(ask: ThreadAsk): void {
  switch (ask.kind) {
    case 'layout': {
      const found = searchLayout(ask.spec, ask.plant, ask.shelf, ask.part, ask.iterations, ({ iterations, count, bound }) => {
        say({ kind: 'progress', done: iterations, of: ask.iterations, best: count, bound });
      });
      say({ kind: 'layout', found });
      break;
    }
    case 'board':
      say({ kind: 'board', ...laidBoard(ask) });
      break;
    case 'read':
      say({ kind: 'read', read: readOrders(Buffer.from(ask.bytes)) });
      break;
    case 'match':
      say({ kind: 'match', result: matchRecipes(ask.ask) });
      break;
    case 'correct':
      say({ kind: 'correct', correction: correctBatch(ask.ask) });
      break;
    case 'plans': {
      const { plant, store, now, first, every } = ask;
      const records = tableOf(Buffer.from(ask.bytes));
      const mine = records.filter((_, i) => i % every === first);
      for (let from = 0; from < mine.length; from += ROWS_A_MESSAGE) {
        const { rows, bad } = ordersOf(mine.slice(from, from + ROWS_A_MESSAGE));
        const planned = rows.map((row) => {
          const shelf = shelfFrom(store, { plant, spec: row.spec, now, palletLimit: undefined, job: null });
          const { summary, picture } = plannedOn(shelf, row.spec, plant);
          return { ...row, made: { summary, picture } };
        });
        say({ kind: 'planned', of: records.length, rows: planned, bad });
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
