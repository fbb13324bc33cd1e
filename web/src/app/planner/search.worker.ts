/// <reference lib="webworker" />
import { searchLayout } from '@druckerei/core';
import type { SearchAnswer, SearchAsk } from './search-messages';

/* The second worker: long searches, so that the plan goes on answering while one runs. One question, then it is done. */

const say = (answer: SearchAnswer): void => {
  postMessage(answer);
};

addEventListener('message', ({ data }: MessageEvent<SearchAsk>) => {
  try {
    const found = searchLayout(data.spec, data.plant, data.shelf, data.part, data.iterations, (progress) => {
      say({ kind: 'progress', progress });
    });
    say({ kind: 'found', found });
  } catch (error) {
    say({ kind: 'failed', says: error instanceof Error ? error.message : String(error) });
  }
});
