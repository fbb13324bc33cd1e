import { Injectable, type OnDestroy, signal } from '@angular/core';
import type { JobSpec, Plant, Shelf } from '@druckerei/core';
import type { GangSolved } from '@druckerei/core/planning';
import { spawnGangSolver } from './gang.spawn';

export interface GangQuestion {
  spec: JobSpec;
  plant: Plant;
  shelf: Shelf;
  gang: string;
}
export type GangAnswer =
  { kind: 'told'; done: number; of: number } | { kind: 'solved'; solved: GangSolved | null } | { kind: 'failed'; says: string };
export type SolveState =
  | { kind: 'idle' }
  | { kind: 'solving'; gang: string; done: number; of: number }
  | { kind: 'solved'; gang: string; spec: JobSpec; solved: GangSolved | null }
  | { kind: 'failed'; gang: string; says: string };

/** The search for the forms of a gang as a signal, in a worker of its own: one at a time, so that what is typed meanwhile is planned at once. */
@Injectable()
export class GangSolver implements OnDestroy {
  readonly state = signal<SolveState>({ kind: 'idle' });
  private worker: Worker | null = null;

  solve(question: GangQuestion): void {
    this.stop();
    const { gang, spec } = question;
    this.state.set({ kind: 'solving', gang, done: 0, of: 1 });
    const worker = spawnGangSolver();
    this.worker = worker;
    worker.onmessage = ({ data }: MessageEvent<GangAnswer>) => {
      switch (data.kind) {
        case 'told':
          this.state.set({ kind: 'solving', gang, done: data.done, of: data.of });
          return;
        case 'solved':
          this.end({ kind: 'solved', gang, spec, solved: data.solved });
          return;
        case 'failed':
          this.end({ kind: 'failed', gang, says: data.says });
      }
    };
    worker.onerror = ({ message }) => {
      this.end({ kind: 'failed', gang, says: message });
    };
    worker.postMessage(question);
  }
  /** Gives up what is looked for, and forgets what was found. */
  cancel(): void {
    this.end({ kind: 'idle' });
  }
  ngOnDestroy(): void {
    this.stop();
  }

  private end(state: SolveState): void {
    this.stop();
    this.state.set(state);
  }
  private stop(): void {
    this.worker?.terminate();
    this.worker = null;
  }
}
