import { randomUUID } from 'node:crypto';
import { familyOf, type JobSpec } from '@druckerei/core';
import { type Ctx, signedIn } from '../context';
import type { Db } from '../db/pool';
import { maybeOne } from '../db/rows';
import { notifyChanged } from '../events/event-hub';
import { addCard, CUTTING_DIE, FOIL_DIE, formsOfJob, stepOf } from './forms-of-job';
import { ADD_TOOL_EVENT, MADE_FOR, SET_STATE } from './tools.queries';

/** What a job made for another lies in the tool store from here on, under a card of that job; which one is told, as a step of it may begin. */
export async function storeMade(db: Db, ctx: Ctx, { id, number, spec }: { id: string; number: number; spec: JobSpec }): Promise<void> {
  const made = await maybeOne(db, MADE_FOR, [id]);
  if (!made) return;
  const { job, tool } = made;
  const makes = Object.values(spec.products).flatMap((p) => (p.kind === 'made' ? (familyOf(p.family).makes ?? []) : []));
  const die = makes.includes('cuttingDie') ? CUTTING_DIE : FOIL_DIE;
  const known = (await formsOfJob(db, job)).find((c) => c.stone === tool && c.kind === die.kind);
  const card =
    known?.id ??
    (await addCard(db, {
      ...die,
      spec: spec.name.slice(0, 120),
      job,
      stone: tool,
      version: '',
      steps: stepOf(tool),
    }));
  await db.query(SET_STATE, [card, 'stored', null, 0]);
  await db.query(ADD_TOOL_EVENT, [randomUUID(), card, 'stored', '', null, JSON.stringify({ madeBy: number }), signedIn(ctx).id]);
  await notifyChanged(db, { table: 'tools', id: card, version: 0, by: signedIn(ctx).name });
}
