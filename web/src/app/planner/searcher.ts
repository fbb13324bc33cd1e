import { Injectable, type OnDestroy, signal } from '@angular/core';
import { type AnyLayoutProgress, type FoundLayout, type JobSpec, LAYOUT_ITERATIONS, type Plant, type Shelf, say } from '@druckerei/core';
import type { SearchAnswer, SearchAsk } from './search-messages';
import { spawnSearch } from './search.spawn';

export type SearchState =
  | { kind: 'idle' }
  | { kind: 'searching'; part: string; progress: AnyLayoutProgress | null; of: number }
  | { kind: 'found'; part: string; found: FoundLayout }
  | { kind: 'failed'; part: string; says: string };

/** Long searches as a signal: one at a time, in a worker of its own that lives for one question. */
@Injectable()
export class Searcher implements OnDestroy {
  readonly state = signal<SearchState>({ kind: 'idle' });
  private worker: Worker | null = null;

  layout(spec: JobSpec, plant: Plant, shelf: Shelf, part: string): void {
    this.end();
    this.state.set({ kind: 'searching', part, progress: null, of: LAYOUT_ITERATIONS });
    const worker = spawnSearch();
    this.worker = worker;
    worker.onmessage = ({ data }: MessageEvent<SearchAnswer>) => {
      if (this.worker === worker) this.take(part, data);
    };
    worker.postMessage({ spec, plant, shelf, part, iterations: LAYOUT_ITERATIONS } satisfies SearchAsk);
  }

  /** Stops what runs and forgets what was found. */
  cancel(): void {
    this.end();
    this.state.set({ kind: 'idle' });
  }

  ngOnDestroy(): void {
    this.end();
  }

  private take(part: string, answer: SearchAnswer): void {
    switch (answer.kind) {
      case 'progress':
        this.state.set({ kind: 'searching', part, progress: answer.progress, of: LAYOUT_ITERATIONS });
        break;
      case 'found':
        this.end();
        this.state.set(
          answer.found ? { kind: 'found', part, found: answer.found } : { kind: 'failed', part, says: say('searcher.thisPartHasNoSheet') },
        );
        break;
      case 'failed':
        this.end();
        this.state.set({ kind: 'failed', part, says: answer.says });
        break;
    }
  }

  private end(): void {
    this.worker?.terminate();
    this.worker = null;
  }
}
