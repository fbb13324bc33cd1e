import type { Pool } from 'pg';
import type { FileReader } from './file-reader';
import type { Threads } from './threads';

/** What a task may use while it runs. */
export interface TaskCtx {
  db: Pool;
  threads: Threads;
  reader: FileReader;
  now: () => number;
  id: string;
  attempt: number;
  /** Whoever asked for it. */
  by: string;
  signal: AbortSignal;
  /** Tells how far it is; a few times a second reach the browsers. */
  tell: (done: number, of: number, progress?: object) => void;
}
export type TaskWork = (ask: unknown, cx: TaskCtx) => Promise<object>;
