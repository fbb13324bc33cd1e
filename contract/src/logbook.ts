import * as z from 'zod';
import type { Endpoint } from './endpoint';

const count = z.number().min(0);

/** A step of a closed job: what its plan set aside beside what was counted. */
const row = z.object({
  job: z.number().int(),
  title: z.string(),
  customer: z.string(),
  stocks: z.array(z.string()),
  process: z.string(),
  machine: z.string(),
  at: z.number(),
  allowedSetup: count,
  setup: count,
  allowedPpm: count,
  cycles: count,
  lost: count,
  setupS: count,
  runS: count,
  planPerHour: count,
  stops: z.record(z.string(), z.object({ seconds: z.number(), times: z.number() })),
  waste: z.record(z.string(), z.number()),
  samples: z.number(),
  destroyed: z.number(),
  pieceKg: count,
});
const promise = z.object({
  job: z.number().int(),
  title: z.string(),
  customer: z.string(),
  stocks: z.array(z.string()),
  due: z.number(),
  delivered: z.number(),
});
/** Settings that were changed, so that a picture in time shows what changed when. */
const changed = z.object({ at: z.number(), by: z.string(), reason: z.string() });

export const LogbookPage = z.object({
  asOf: z.number(),
  rows: z.array(row),
  promises: z.array(promise),
  changes: z.array(changed),
  /** The period holds more steps than are sent; the newest are. */
  more: z.boolean(),
});
export type LogbookPage = z.infer<typeof LogbookPage>;

/** How far back a picture may look. */
export const MOST_LOGBOOK_DAYS = 3_650;
const query = z.strictObject({ days: z.coerce.number().int().min(1).max(MOST_LOGBOOK_DAYS).optional() });

export const logbook = {
  'logbook.read': {
    method: 'get',
    path: '/api/logbook',
    who: 'signed-in',
    says: 'Steps of jobs delivered in the last so many days (a year where nothing is said): planned and counted; promises, and changes of settings.',
    query,
    reply: LogbookPage,
    example: { query: { days: '90' } },
  },
  'logbook.csv': {
    method: 'get',
    path: '/api/logbook.csv',
    who: 'signed-in',
    says: 'The same steps as CSV, a line a step.',
    query,
    reply: 'file',
    mime: 'text/csv',
    example: { query: { days: '90' } },
  },
} as const satisfies Record<string, Endpoint>;
