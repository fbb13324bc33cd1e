import type { Task, tasks } from '@druckerei/contract';
import { type Ctx, signedIn } from '../context';
import { inTransaction } from '../db/pool';
import { many, maybeOne, one } from '../db/rows';
import { notFound, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import { isUploaded, keepUpload } from '../files/uploads';
import type { Handlers } from '../implement';
import { findJob } from '../jobs/find-job';
import { CUSTOMERS } from '../orders/orders.queries';
import { ADD_TASK, CANCEL_TASK, ENQUEUE, SET_QUEUE_ID, TASK_BY_ID, TASK_OWNER } from './tasks.queries';

/** A file that ended a server is not read again by the next one. */
const ATTEMPTS: Record<Task['kind'], number> = { layout: 5, import: 5, zones: 1, board: 5 };

export const tasksHandlers: Handlers<typeof tasks> = {
  'tasks.layout': async ({ body }, ctx) => {
    await findJob(ctx.db, body.job);
    return begin(ctx, body.id, 'layout', { job: body.job, version: body.version, part: body.part });
  },
  'tasks.import': async ({ body }, ctx) => {
    if (!(await isUploaded(ctx.db, body.file))) throw notFound('This file');
    return begin(ctx, body.id, 'import', { file: body.file });
  },
  'tasks.read': ({ params }, ctx) => readTask(ctx, params.id),
  'tasks.cancel': async ({ params }, ctx) => {
    const by = signedIn(ctx);
    const task = await maybeOne(ctx.db, TASK_OWNER, [params.id]);
    if (!task) throw notFound('This task');
    if (task.by !== by.id && !by.roles.includes('admin'))
      throw new Refused(403, 'not-yours', 'Somebody else asked for this; only they or an administrator may stop it.');
    await ctx.db.query(CANCEL_TASK, [params.id]);
    await notifyChanged(ctx.db, { table: 'tasks', id: params.id, version: 1, by: by.name });
    return readTask(ctx, params.id);
  },

  'imports.send': async ({ file }, ctx) => {
    if (file.byteLength === 0) throw new Refused(422, 'empty', 'The file is empty.');
    const { read } = await ctx.threads.run({ kind: 'read', bytes: file }, () => undefined, ctx.gone);
    const known = new Set((await many(ctx.db, CUSTOMERS)).map((c) => c.name.toLowerCase()));
    const hash = await keepUpload(ctx.db, file);
    const names = read.customers.filter((name) => !known.has(name.toLowerCase()));
    return { file: hash, preview: { ...read.preview, customersNew: names.slice(0, 100) } };
  },
};

async function readTask(ctx: Ctx, id: string): Promise<Task> {
  const task = await maybeOne(ctx.db, TASK_BY_ID, [id]);
  if (!task) throw notFound('This task');
  return task;
}

/** Notes the task and puts it on the queue in one transaction: neither is there without the other. Clicked twice is one task. */
export async function begin(ctx: Ctx, id: string, kind: Task['kind'], ask: object): Promise<Task> {
  await inTransaction(ctx.db, async (db) => {
    const made = await db.query(ADD_TASK, [id, kind, JSON.stringify(ask), signedIn(ctx).id]);
    if (made.rowCount === 0) return;
    const queued = await one(db, ENQUEUE, [kind, id, ATTEMPTS[kind]]);
    await db.query(SET_QUEUE_ID, [id, queued.id]);
  });
  return readTask(ctx, id);
}
