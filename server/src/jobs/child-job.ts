import type { JobSpec } from '@druckerei/core';
import { type Ctx, signedIn } from '../context';
import type { Db } from '../db/pool';
import { maybeOne } from '../db/rows';
import { notFound } from '../errors';
import { notifyChanged } from '../events/event-hub';
import { SET_CHILD } from '../floor/floor.queries';
import { NEXT_NUMBER, SET_LIST_KEYS } from '../orders/orders.queries';
import type { JobFound } from './find-job';
import { ADD_EVENT, ADD_JOB, ADD_SPEC } from './jobs.queries';
import { planFor } from './plan-for';

export interface ChildJob {
  id: string;
  spec: JobSpec;
  /** For the history: how it makes up what is short, or which tool it makes. */
  detail: object;
  /** The use of the tool it makes; null: it makes pieces of the order. */
  tool: string | null;
}

/** A job of its own, with counts of its own, that makes something for another: it has no order line, and says whose child it is. */
export async function enterChild(db: Db, ctx: Ctx, parent: JobFound, child: ChildJob): Promise<{ job: string; number: number }> {
  const by = signedIn(ctx);
  const { id, spec, detail, tool } = child;
  const made = await planFor(db, id, spec, parent.plantDocument, ctx.now(), parent);
  const number = (await maybeOne(db, NEXT_NUMBER))?.number;
  if (number === undefined) throw notFound('A number');
  await db.query(ADD_JOB, [id, number, spec.name, JSON.stringify(made.summary), made.picture, null, 0, '']);
  await db.query(SET_CHILD, [id, parent.id, tool]);
  await db.query(SET_LIST_KEYS, [id]);
  await db.query(ADD_SPEC, [id, 1, JSON.stringify(spec), parent.plant, '[]', by.id, id]);
  await db.query(ADD_EVENT, [by.id, 'job.entered', id, JSON.stringify({ number, childOf: parent.number, ...detail })]);
  await db.query(ADD_EVENT, [by.id, 'job.child', parent.id, JSON.stringify({ number, ...detail })]);
  for (const job of [id, parent.id]) await notifyChanged(db, { table: 'jobs', id: job, version: 1, by: by.name });
  return { job: id, number };
}
