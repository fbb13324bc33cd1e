import { EventEmitter } from 'node:events';
import { type JobHelpers, makeWorkerUtils, run, Logger as QueueLogger, type Runner, type WorkerUtils } from 'graphile-worker';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import * as z from 'zod';
import { QUEUE_SCHEMA } from '../db/migrate';
import { notifyChanged } from '../events/event-hub';
import { purgeUploads } from '../files/uploads';
import { searchForBoard } from '../board/search-board';
import { importOrders } from './import-orders';
import { readZones } from '../zones/read-zones';
import { searchForLayout } from './search-for-layout';
import { BEAT, BEGIN_TASK, END_TASK, FORGET_WORKERS, HELD, IS_WANTED, SILENT, SWEEP, TELL_TASK } from './tasks.queries';
import type { TaskWork } from './task-work';
import type { FileReader } from './file-reader';
import type { Threads } from './threads';
import { many, maybeOne } from '../db/rows';

/** Queues that do not wait for each other: a file that takes long to read holds up no search and no import, nor does a search of the board. */
const QUEUES: Record<string, TaskWork>[] = [
  { layout: searchForLayout, import: importOrders },
  { zones: readZones },
  { board: searchForBoard },
];

/** What a task says that nobody will take up again. */
const LOST = 'The server ended while this was done, and it was not taken up again. Begin it anew.';
const BEAT_MS = 1_000;
const LOOK_MS = 400;
const TELL_MS = 250;
const PURGE_MS = 600_000;
const Payload = z.object({ id: z.uuid() });

export interface RunnerParts {
  db: Pool;
  log: Logger;
  threads: Threads;
  reader: FileReader;
  now: () => number;
  /** Seconds without a sign of life after which a worker's work is taken over. */
  silentS?: number;
}

/**
 * Takes long work from the queues and does it, one piece of each at a time, in a thread or a process. Any number of these may run, in any process on any machine; each says every
 * second that it lives, and frees what a silent one held. The library alone would wait four hours.
 */
export class TaskRunner {
  private readonly events = new EventEmitter();
  private readonly pools = new Set<string>();
  /** Which job each of them does now. */
  private readonly busy = new Map<string, string>();
  private runners: Runner[] = [];
  private utils: WorkerUtils | null = null;
  private beating: NodeJS.Timeout | null = null;
  private purged = 0;

  constructor(private readonly parts: RunnerParts) {
    this.events.on('pool:create', ({ workerPool }: { workerPool: { id: string } }) => this.pools.add(workerPool.id));
  }

  async start(): Promise<this> {
    const { db, log, silentS = 20 } = this.parts;
    const logger = new QueueLogger(() => (level, message) => {
      log[level.toString() === 'error' ? 'error' : 'debug']({ queue: message }, 'queue');
    });
    const options = { pgPool: db, schema: QUEUE_SCHEMA, logger };
    this.utils = await makeWorkerUtils(options);
    // Only for those that take work now it is said that they live: what a lost one held is to be taken over.
    this.pools.clear();
    this.runners = [];
    for (const queue of QUEUES)
      this.runners.push(
        await run({
          ...options,
          events: this.events,
          concurrency: 1,
          noHandleSignals: true,
          pollInterval: 2_000,
          taskList: Object.fromEntries(
            Object.entries(queue).map(([kind, work]) => [
              kind,
              (payload: unknown, helpers: JobHelpers) => this.take(work, payload, helpers),
            ]),
          ),
        }),
      );
    const beat = async (): Promise<void> => {
      for (const id of this.pools) await db.query(BEAT, [id]);
      const silent = (await many(db, SILENT, [silentS])).map((r) => r.id);
      // A job whose giving back was lost with the database is held by one of us who does something else, or nothing.
      silent.push(...(await many(db, HELD, [[...this.pools]])).filter((h) => !this.busy.has(h.by)).map((h) => h.by));
      if (silent.length > 0) await this.utils?.forceUnlockWorkers(silent);
      for (const { id } of await many(db, SWEEP, [LOST])) await notifyChanged(db, { table: 'tasks', id, version: 0, by: '' });
      if (Date.now() - this.purged > PURGE_MS) {
        this.purged = Date.now();
        await purgeUploads(db);
      }
    };
    const forgive = (error: unknown): void => {
      log.debug({ err: error }, 'no heartbeat');
    };
    await db.query(FORGET_WORKERS);
    await beat();
    this.beating = setInterval(() => void beat().catch(forgive), BEAT_MS);
    // A database that goes away ends the library's runs: begin again, all of them, when it is back.
    const { runners } = this;
    void Promise.all(runners.map((r) => r.promise)).catch(async (error: unknown) => {
      log.warn({ err: error }, 'queue lost');
      await Promise.all(runners.map((r) => r.stop().catch(() => undefined)));
      if (this.beating) setTimeout(() => void this.again(), BEAT_MS);
    });
    return this;
  }

  private async again(): Promise<void> {
    if (this.beating) clearInterval(this.beating);
    await this.start().catch((error: unknown) => {
      this.parts.log.debug({ err: error }, 'queue not back yet');
      this.beating = setTimeout(() => void this.again(), BEAT_MS);
    });
  }

  /** What runs is given back to the queue: a thread's work has no half. */
  async stop(): Promise<void> {
    if (this.beating) clearInterval(this.beating);
    this.beating = null;
    await Promise.all(this.runners.map((r) => r.stop().catch(() => undefined)));
    await Promise.resolve(this.utils?.release()).catch(() => undefined);
  }

  private async take(work: TaskWork, payload: unknown, helpers: JobHelpers): Promise<void> {
    const { id } = Payload.parse(payload);
    const attempt = helpers.job.attempts;
    const pool = helpers.job.locked_by ?? '';
    this.busy.set(pool, helpers.job.id);
    try {
      await this.workOn(work, id, attempt, helpers);
    } finally {
      this.busy.delete(pool);
    }
  }

  private async workOn(work: TaskWork, id: string, attempt: number, helpers: JobHelpers): Promise<void> {
    const { db, threads, reader, now, log } = this.parts;
    const begun = await maybeOne(db, BEGIN_TASK, [id, attempt]);
    if (!begun) return; // cancelled while it waited
    const told = (): Promise<void> => notifyChanged(db, { table: 'tasks', id, version: attempt, by: '' });
    const own = new AbortController();
    const signal = AbortSignal.any([own.signal, helpers.abortSignal]);
    const looking = setInterval(() => {
      void db.query(IS_WANTED, [id, attempt]).then(
        ({ rowCount }) => {
          if (rowCount === 0) own.abort();
        },
        () => undefined,
      );
    }, LOOK_MS);
    let last = 0;
    const tell = (done: number, of: number, progress?: object): void => {
      if (Date.now() - last < TELL_MS) return;
      last = Date.now();
      void db
        .query(TELL_TASK, [id, attempt, done, of, progress ? JSON.stringify(progress) : null])
        .then(told)
        .catch(() => undefined);
    };
    const end = (state: string, result: object | null, says: string): Promise<unknown> =>
      db.query(END_TASK, [id, attempt, state, result ? JSON.stringify(result) : null, says]);
    try {
      await told();
      const result = await work(begun.ask, { db, threads, reader, now, id, attempt, by: begun.madeBy, signal, tell });
      await end('done', result, '');
    } catch (error) {
      if (own.signal.aborted) await end('cancelled', null, '');
      else if (signal.aborted || isPassing(error))
        throw error; // the queue gives it to another attempt
      else {
        log.warn({ err: error, task: id }, 'task failed');
        await end('failed', null, error instanceof Error ? error.message : String(error));
      }
    } finally {
      clearInterval(looking);
      await told().catch(() => undefined);
    }
  }
}

/** The database went away, or lacked disk, memory or connections (class 53): not the task's fault. Source: PostgreSQL, error codes. */
export const isPassing = (error: unknown): boolean =>
  /ECONN|Connection terminated|57P0|^53\d|timeout/.test(`${(error as { code?: string }).code ?? ''} ${String(error)}`);
