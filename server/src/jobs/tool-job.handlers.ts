import type { jobs } from '@druckerei/contract';
import { type Edit, editAt, TOOL_ITEM, toolJob, applyEdits } from '@druckerei/core';
import { latestStart, stepWithTool } from '@druckerei/core/planning';
import { inTransaction } from '../db/pool';
import { maybeOne } from '../db/rows';
import { invalid, Refused } from '../errors';
import type { Handlers } from '../implement';
import { localMoment } from '../plants/calendar';
import { enterChild } from './child-job';
import { lockJob, planOf, requireOpen, requireVersion, saveVersion } from './find-job';
import { JOB_BY_ID } from './jobs.queries';

export const toolJobHandlers: Pick<Handlers<typeof jobs>, 'jobs.makeTool'> = {
  'jobs.makeTool': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const parent = await lockJob(db, params.id);
      const there = await maybeOne(db, JOB_BY_ID, [body.id]);
      if (there) return { job: there.id, number: there.number, version: parent.version }; // clicked twice
      if (parent.alternativeOf !== null)
        throw new Refused(409, 'alternative', 'This is an alternative: choose it first, then have its tools made.');
      requireOpen(parent);
      requireVersion(parent, body.version);
      const { plan, shelf } = await planOf(db, parent, ctx.now());
      const { timeZone } = parent.plantDocument;
      const by = localMoment(latestStart(plan, shelf, stepWithTool(plan, body.tool)), timeZone);
      const spec = toolJob({ spec: parent.spec, plan, tool: body.tool, by });
      if (!spec) throw invalid([{ path: 'tool', says: 'is none that this job uses and the works makes' }]);
      const child = await enterChild(db, ctx, parent, { id: body.id, spec, detail: { tool: body.tool }, tool: body.tool });
      const edit: Edit = editAt(parent.spec, ['choices', 'supply', body.tool], { from: 'job', job: child.job, item: TOOL_ITEM });
      const applied = applyEdits(parent.spec, [edit]);
      if (!applied.ok) throw invalid(applied.issues);
      const { version } = await saveVersion(db, ctx, parent, {
        spec: applied.made,
        edits: [edit],
        what: 'job.toolOrdered',
        detail: { number: child.number },
      });
      return { ...child, version };
    }),
};
