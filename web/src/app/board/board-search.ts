import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { filter, interval, merge, startWith, type Subscription, switchMap } from 'rxjs';
import type { BoardFound, Task } from '@druckerei/contract';
import type { Failure } from '../shared/api';
import { Changes } from '../shared/changes';
import { Server } from '../shared/server';

const LOOK_MS = 700;

/** The search for a better board: a task of the server, followed until it ends; what it found stands until it is taken or left. */
@Injectable()
export class BoardSearch {
  private readonly server = inject(Server);
  private readonly changes = inject(Changes);
  private readonly taskNow = signal<Task | null>(null);
  readonly task = this.taskNow.asReadonly();
  private following: Subscription | null = null;
  readonly searching = computed(() => {
    const state = this.task()?.state;
    return state === 'waiting' || state === 'running';
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.following?.unsubscribe());
  }

  /** What was found for a version of the board; null: nothing, or the board has moved on since. */
  foundFor(base: number | undefined): BoardFound | null {
    const task = this.task();
    const found = task?.state === 'done' ? (task.result as BoardFound | null) : null;
    return found?.base === base ? found : null;
  }
  begin(id: string, base: number, failed: (failure: Failure) => void): void {
    this.server.send('board.search', { body: { id, base } }).subscribe({
      next: (task) => {
        this.taskNow.set(task);
        this.follow(id, failed);
      },
      error: failed,
    });
  }
  private follow(id: string, failed: (failure: Failure) => void): void {
    this.following?.unsubscribe();
    this.following = merge(interval(LOOK_MS), this.changes.changes$.pipe(filter((c) => c?.id === id)))
      .pipe(
        startWith(0),
        switchMap(() => this.server.send('tasks.read', { params: { id } })),
      )
      .subscribe({
        next: (task) => {
          this.taskNow.set(task);
          if (task.state !== 'waiting' && task.state !== 'running') this.following?.unsubscribe();
        },
        error: failed,
      });
  }
  stop(failed: (failure: Failure) => void): void {
    const id = this.task()?.id;
    if (id) this.server.send('tasks.cancel', { params: { id } }).subscribe({ next: (task) => this.taskNow.set(task), error: failed });
  }
  leave(): void {
    this.taskNow.set(null);
  }
}
