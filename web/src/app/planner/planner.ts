import { Injectable, signal } from '@angular/core';
import type { Compared, Edit, JobSpec, Plant, Scene, Shelf } from '@druckerei/core';
import type { Moved, RiskCurve, Substitute } from '@druckerei/core/planning';
import type { Answer, Ask, Planning, Preview } from './plan-messages';
import { spawnPlanner } from './plan.spawn';

/** The plan worker as signals. One per screen (provided by the screen): latest wins, nothing waits in a line. */
@Injectable()
export class Planner {
  readonly planning = signal<Planning | null>(null);
  readonly scene = signal<Scene | null>(null);
  readonly preview = signal<{ before: Preview; after: Preview | null } | null>(null);
  readonly compared = signal<{ rows: Compared[]; others: Substitute[]; done: boolean } | null>(null);
  /** What another plant would move. */
  readonly moved = signal<Moved | null>(null);
  /** Extra sheets against risk, of the item asked for. */
  readonly risk = signal<RiskCurve | null>(null);
  readonly fault = signal<string | null>(null);
  private readonly worker = spawnPlanner();
  private stone: string | null = null;
  private seq = 0;
  private busy = false;
  private waiting: Ask | null = null;

  constructor() {
    this.worker.onmessage = ({ data }: MessageEvent<Answer>) => {
      this.take(data);
    };
  }

  plan(spec: JobSpec, plant: Plant, shelf: Shelf): void {
    const ask: Ask = { kind: 'plan', seq: ++this.seq, spec, plant, shelf, stone: this.stone };
    if (this.busy) this.waiting = ask;
    else this.send(ask);
  }

  choose(stone: string | null): void {
    this.stone = stone;
    if (stone !== null) this.worker.postMessage({ kind: 'scene', stone } satisfies Ask);
  }

  ask(edits: Edit[]): void {
    this.preview.set(null);
    this.worker.postMessage({ kind: 'preview', seq: this.seq, edits } satisfies Ask);
  }
  askMoved(plant: Plant): void {
    this.worker.postMessage({ kind: 'moved', seq: this.seq, plant } satisfies Ask);
  }
  askRisk(item: string): void {
    this.worker.postMessage({ kind: 'risk', seq: this.seq, item } satisfies Ask);
  }
  compare(): void {
    this.compared.set({ rows: [], others: [], done: false });
    this.worker.postMessage({ kind: 'compare', seq: ++this.seq } satisfies Ask);
  }
  cancelCompare(): void {
    this.worker.postMessage({ kind: 'cancel' } satisfies Ask);
    this.compared.set(null);
  }
  stop(): void {
    this.worker.terminate();
  }

  private send(ask: Ask): void {
    this.busy = true;
    this.worker.postMessage(ask);
  }

  private take(answer: Answer): void {
    switch (answer.kind) {
      case 'planned':
        this.busy = false;
        this.planning.set(answer.planning);
        this.fault.set(null);
        if (answer.scene || this.stone === null) this.scene.set(answer.scene);
        if (this.waiting) {
          const next = this.waiting;
          this.waiting = null;
          this.send(next);
        }
        break;
      case 'scene':
        if (answer.stone === this.stone) this.scene.set(answer.scene);
        break;
      case 'previewed':
        this.preview.set({ before: answer.before, after: answer.after });
        break;
      case 'moved':
        this.moved.set(answer.moved);
        break;
      case 'risk':
        this.risk.set(answer.curve);
        break;
      case 'substitute':
        this.compared.update((c) => c && { ...c, others: [...c.others, answer.row] });
        break;
      case 'compared':
        this.compared.update((c) =>
          c === null ? c : answer.done ? { ...c, done: true } : { ...c, rows: [...c.rows, answer.row], done: false },
        );
        break;
      case 'failed':
        this.busy = false;
        this.fault.set(answer.says);
        break;
    }
  }
}
