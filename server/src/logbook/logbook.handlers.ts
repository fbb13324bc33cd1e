import type { logbook, LogbookPage } from '@druckerei/contract';
import { logRows } from '@druckerei/core';
import type { Ctx } from '../context';
import { many } from '../db/rows';
import { csvFile } from '../files/csv-file';
import type { Handlers } from '../implement';
import { plantInForce } from '../plants/read-plant';
import { CHANGED_SINCE, LOGGED, PROMISED } from './logbook.queries';

/** Steps sent at most: a works of 400 jobs a month of seven steps, half a year. */
const MOST_STEPS = 20_000;
const A_YEAR_DAYS = 365;
const DAY_S = 86_400;

const sinceOf = ({ days = A_YEAR_DAYS }: { days?: number | undefined }, ctx: Ctx): number => ctx.now() - days * DAY_S;

export const logbookHandlers: Handlers<typeof logbook> = {
  'logbook.read': async ({ query }, ctx): Promise<LogbookPage> => {
    const since = sinceOf(query, ctx);
    const steps = await many(ctx.db, LOGGED, [since, MOST_STEPS + 1]);
    return {
      asOf: ctx.now(),
      rows: steps.slice(0, MOST_STEPS),
      promises: await many(ctx.db, PROMISED, [since, MOST_STEPS]),
      changes: await many(ctx.db, CHANGED_SINCE, [since]),
      more: steps.length > MOST_STEPS,
    };
  },

  'logbook.csv': async ({ query }, ctx) => {
    const { plant } = await plantInForce(ctx.db);
    return csvFile('logbook.csv', logRows(await many(ctx.db, LOGGED, [sinceOf(query, ctx), MOST_STEPS]), plant));
  },
};
