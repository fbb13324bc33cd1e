import { own } from '@druckerei/core';
import type { jobs, GateAnswer as GateAnswerSchema } from '@druckerei/contract';
import type * as z from 'zod';
import { signedIn } from '../context';
import { inTransaction } from '../db/pool';
import { many } from '../db/rows';
import { invalid, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import type { Handlers } from '../implement';
import { homeOf, lockJob, planOf } from './find-job';
import { ADD_EVENT, ADD_GATE_ANSWER, GATE_ANSWERS, SET_SUMMARY } from './jobs.queries';

export type GateAnswer = z.infer<typeof GateAnswerSchema>;

export const gatesHandlers: Pick<Handlers<typeof jobs>, 'jobs.answerGate'> = {
  'jobs.answerGate': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const by = signedIn(ctx);
      const asked = await lockJob(db, params.id);
      const job = asked.alternativeOf === null ? asked : await lockJob(db, homeOf(asked));
      if (job.state === 'delivered') throw new Refused(409, 'released', 'This job is delivered; what was done is kept as it was.');
      const given = await many(db, GATE_ANSWERS, [job.id]);
      if (body.answer === 'back') {
        const back = given.find((g) => g.id === body.takesBack && g.answer !== 'back');
        if (!back) throw invalid([{ path: 'takesBack', says: 'names no answer of this job' }]);
        if (body.note.length < 3) throw invalid([{ path: 'note', says: 'says in a few words why' }]);
        if (!given.some((g) => g.takesBack === back.id))
          await db.query(ADD_GATE_ANSWER, [job.id, back.gate, back.version, 'back', back.id, body.note, by.id]);
      } else {
        const gate = own(job.spec.gates ?? {}, body.gate);
        if (!gate) throw invalid([{ path: 'gate', says: 'is no gate of this job' }]);
        if (gate.version !== body.version)
          throw new Refused(409, 'stale', `It is ${gate.version} that waits for an answer, not ${body.version}: look again.`, {
            stale: { version: job.version, by: '', edits: [] },
          });
        const last = given
          .filter((g) => g.gate === body.gate && g.version === body.version && !given.some((b) => b.takesBack === g.id))
          .at(-1);
        // Clicked twice is one answer.
        if (last?.answer !== body.answer)
          await db.query(ADD_GATE_ANSWER, [job.id, body.gate, body.version, body.answer, null, body.note, by.id]);
      }
      await db.query(ADD_EVENT, [
        by.id,
        `gate.${body.answer}`,
        job.id,
        JSON.stringify({ gate: body.gate, version: body.version, note: body.note }),
      ]);
      const { shelf, summary } = await planOf(db, job, ctx.now());
      await db.query(SET_SUMMARY, [job.id, JSON.stringify(summary)]);
      await notifyChanged(db, { table: 'jobs', id: job.id, version: job.version, by: by.name });
      return { shelf, answers: await many(db, GATE_ANSWERS, [job.id]) };
    }),
};
