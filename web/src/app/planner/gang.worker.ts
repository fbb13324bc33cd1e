/// <reference lib="webworker" />
import { solveGang } from '@druckerei/core/planning';
import type { GangAnswer, GangQuestion } from './gang-solver';

/* One question, then it is ended: who gives up waiting ends it sooner. */

const say = (answer: GangAnswer): void => {
  postMessage(answer);
};

addEventListener('message', ({ data: { spec, plant, shelf, gang } }: MessageEvent<GangQuestion>) => {
  try {
    const solved = solveGang(spec, plant, shelf, gang, (done, of) => {
      say({ kind: 'told', done, of });
    });
    say({ kind: 'solved', solved });
  } catch (error) {
    say({ kind: 'failed', says: error instanceof Error ? error.message : String(error) });
  }
});
