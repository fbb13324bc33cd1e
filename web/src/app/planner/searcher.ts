import { inject, Injectable, type OnDestroy, signal } from '@angular/core';
import { filter, interval, merge, type Subscription, switchMap } from 'rxjs';
import type { Task } from '@druckerei/contract';
import { LAYOUT_ITERATIONS, say } from '@druckerei/core';
import type { FoundLayout } from '@druckerei/core/planning';
import { ApiCaller, type Failure } from '../shared/api';
import { Changes } from '../shared/changes';

export type SearchState =
  | { kind: 'idle' }
  | { kind: 'searching'; part: string; done: number; of: number; bound: number | null }
  | { kind: 'found'; part: string; found: FoundLayout }
  | { kind: 'failed'; part: string; says: string };

/** News come by the stream; where they do not, it is looked every few seconds. */
const LOOK_MS = 2_000;

/** A long search on the server's queue, as a signal: one at a time. It goes on when this page is left, and stops when it is told to. */
@Injectable()
export class Searcher implements OnDestroy {
  readonly state = signal<SearchState>({ kind: 'idle' });
  private readonly api = inject(ApiCaller);
  private readonly changes = inject(Changes);
  private task: string | null = null;
  private watching: Subscription | null = null;

  /** Searches for the layout of a part of a job, as it was saved in a version. */
  layout(job: string, version: number, part: string): void {
    this.forget();
    const id = crypto.randomUUID();
    this.task = id;
    this.state.set({ kind: 'searching', part, done: 0, of: LAYOUT_ITERATIONS, bound: null });
    this.watching = this.api
      .call('tasks.layout', { body: { id, job, version, part } })
      .pipe(
        switchMap(() => merge(interval(LOOK_MS), this.changes.changes$.pipe(filter((c) => c === null || c.id === id)))),
        switchMap(() => this.api.call('tasks.read', { params: { id } })),
      )
      .subscribe({
        next: (task) => {
          this.take(part, task);
        },
        error: (f: Failure) => {
          this.end({ kind: 'failed', part, says: f.detail ?? f.title });
        },
      });
  }

  /** Stops what runs and forgets what was found. */
  cancel(): void {
    const id = this.state().kind === 'searching' ? this.task : null;
    this.forget();
    if (id !== null) this.api.call('tasks.cancel', { params: { id } }).subscribe({ error: () => undefined });
  }

  ngOnDestroy(): void {
    this.forget();
  }

  private take(part: string, task: Task): void {
    switch (task.state) {
      case 'waiting':
      case 'running':
        this.state.set({ kind: 'searching', part, done: task.done, of: task.of ?? LAYOUT_ITERATIONS, bound: task.progress?.bound ?? null });
        break;
      case 'done':
        if (task.result && 'found' in task.result) this.end({ kind: 'found', part, found: task.result });
        break;
      case 'failed':
        this.end({ kind: 'failed', part, says: task.says || say('searcher.thisPartHasNoSheet') });
        break;
      case 'cancelled':
        this.end({ kind: 'idle' });
        break;
    }
  }

  private end(state: SearchState): void {
    this.watching?.unsubscribe();
    this.watching = null;
    this.task = null;
    this.state.set(state);
  }
  private forget(): void {
    this.end({ kind: 'idle' });
  }
}
