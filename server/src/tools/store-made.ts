import { randomUUID } from 'node:crypto';
import { familyOf, type ToolKind } from '@druckerei/core';
import { rollersMade } from '@druckerei/core/planning';
import { type Ctx, signedIn } from '../context';
import type { Db } from '../db/pool';
import { maybeOne } from '../db/rows';
import { notifyChanged } from '../events/event-hub';
import { type JobFound, planOf } from '../jobs/find-job';
import { addCard, CUTTING_DIE, CYLINDER, FOIL_DIE, formsOfJob, stepOf } from './forms-of-job';
import { ADD_TOOL_EVENT, MADE_FOR, SET_STATE } from './tools.queries';

type Card = Parameters<typeof addCard>[1];

/**
 * What a job of the works made lies in the tool store from here on: a die under a card of the job it was made for; each cylinder under one of its own, for a job
 * or for the store. Which job it was is told, as a step of it may begin.
 */
export async function storeMade(db: Db, ctx: Ctx, job: JobFound): Promise<void> {
  const parent = await maybeOne(db, MADE_FOR, [job.id]);
  const makes = new Set(Object.values(job.spec.products).flatMap((p) => (p.kind === 'made' ? (familyOf(p.family).makes ?? []) : [])));
  if (makes.has('cylinder')) await storeCylinders(db, ctx, job, parent);
  else if (parent)
    await store(db, ctx, job.number, {
      ...(makes.has('cuttingDie') ? CUTTING_DIE : FOIL_DIE),
      spec: job.spec.name.slice(0, 120),
      job: parent.job,
      stone: parent.tool,
      version: '',
      steps: stepOf(parent.tool),
    });
}

/** Each cylinder by its ink, size and owner; under the job that prints with it, else under the one that made it. */
async function storeCylinders(db: Db, ctx: Ctx, job: JobFound, parent: { job: string; tool: string } | undefined): Promise<void> {
  const made = await planOf(db, job, ctx.now());
  for (const { part, sizeMm, ...card } of rollersMade({ ...made.planned, plant: job.plantDocument }))
    await store(db, ctx, job.number, {
      ...CYLINDER,
      ...card,
      job: parent?.job ?? job.id,
      stone: parent ? `${parent.tool}.${part}` : part,
      widthMm: sizeMm[0],
      heightMm: sizeMm[1],
      steps: [],
    });
}

/** A card that is there already goes back into the store; else a new one. */
async function store(db: Db, ctx: Ctx, madeBy: number, card: Card): Promise<void> {
  const isSame = (known: { kind: ToolKind; stone: string | null }): boolean => known.stone === card.stone && known.kind === card.kind;
  const there = card.job === null ? [] : await formsOfJob(db, card.job);
  const id = there.find(isSame)?.id ?? (await addCard(db, card));
  await db.query(SET_STATE, [id, 'stored', null, 0]);
  await db.query(ADD_TOOL_EVENT, [randomUUID(), id, 'stored', '', null, JSON.stringify({ madeBy }), signedIn(ctx).id]);
  await notifyChanged(db, { table: 'tools', id, version: 0, by: signedIn(ctx).name });
}
