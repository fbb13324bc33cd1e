import * as z from 'zod';
import { GATE_KINDS } from '@druckerei/core';
import type { Endpoint } from './endpoint';
import { level } from './orders';

const finding = z.object({ code: z.string(), level, args: z.record(z.string(), z.union([z.number(), z.string()])) });
/** A job; `drawn` is the version its picture is of, where one is shown. */
const job = { job: z.uuid(), number: z.number().int(), title: z.string(), drawn: z.number().int().optional() };
const gate = z.enum(GATE_KINDS);
const unit = z.enum(['sheet', 'metre', 'piece']);
const why = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('gate'), gate, who: z.string() }),
  z.object({ kind: z.literal('paper'), name: z.string() }),
  z.object({ kind: z.literal('child'), number: z.number().int(), title: z.string() }),
  z.object({ kind: z.literal('finding'), finding }),
  z.object({ kind: z.literal('work'), machineS: z.number() }),
]);

/** One thing somebody looks after today; its kind says who and where it is mended. Moments are epoch seconds. */
export const TodayLine = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('late'), ...job, customer: z.string(), lateS: z.number(), dueAt: z.number(), passed: z.boolean(), why }),
  z.object({
    ...{ kind: z.literal('gate'), ...job, gate, version: z.string(), who: z.string() },
    ...{ byAt: z.number().nullable(), late: z.boolean(), refused: z.boolean() },
  }),
  z.object({ kind: z.literal('blocked'), ...job, finding, blocking: z.number().int() }),
  z.object({ kind: z.literal('child'), ...job, child: z.uuid(), childNumber: z.number().int(), childTitle: z.string() }),
  z.object({ kind: z.literal('ready'), ...job, customer: z.string(), dueAt: z.number().nullable() }),
  z.object({ kind: z.literal('short'), ...job, finding }),
  z.object({ kind: z.literal('goes'), ...job, quantity: z.number(), pieces: z.string(), dueAt: z.number(), ready: z.boolean() }),
  z.object({
    kind: z.literal('order'),
    stock: z.string(),
    name: z.string(),
    unit,
    short: z.number(),
    orderByAt: z.number(),
    late: z.boolean(),
  }),
  z.object({
    kind: z.literal('stopped'),
    ...job,
    machine: z.string(),
    name: z.string(),
    reason: z.string(),
    sinceAt: z.number().nullable(),
  }),
  z.object({
    ...{ kind: z.literal('next'), ...job, machine: z.string(), name: z.string(), step: z.string(), runs: z.boolean() },
    ...{ startAt: z.number(), waits: z.array(z.string()), locked: z.array(z.string()), dryAt: z.number().nullable() },
  }),
  z.object({ kind: z.literal('ink'), ...job, ink: z.string(), kg: z.number(), stands: z.string() }),
  z.object({
    kind: z.literal('comes'),
    stock: z.string(),
    name: z.string(),
    unit,
    quantity: z.number(),
    day: z.string(),
    late: z.boolean(),
  }),
  z.object({
    kind: z.literal('pull'),
    ...job,
    stock: z.string(),
    name: z.string(),
    unit,
    lot: z.string(),
    place: z.string(),
    quantity: z.number(),
  }),
  z.object({ kind: z.literal('backup'), at: z.number().nullable(), failed: z.string(), late: z.boolean() }),
  z.object({ kind: z.literal('disk'), freeBytes: z.number(), low: z.boolean() }),
  z.object({ kind: z.literal('clock'), backS: z.number() }),
  z.object({ kind: z.literal('refused'), times: z.number().int(), names: z.array(z.string()) }),
]);
export type TodayLine = z.infer<typeof TodayLine>;
export type TodayKind = TodayLine['kind'];

/** What a role looks after. */
export const Today = z.object({
  asOf: z.number(),
  timeZone: z.string(),
  lines: z.array(TodayLine),
  /** What these roles look at, whether there is any or not. */
  kinds: z.array(z.string()),
  /** How many there are of a kind where not all are shown. */
  more: z.array(z.object({ kind: z.string(), all: z.number().int() })),
});
export type Today = z.infer<typeof Today>;

export const today = {
  'today.read': {
    method: 'get',
    path: '/api/today',
    who: 'signed-in',
    says: 'What this person’s roles look after today: what is late, waits, can be released, falls short, comes, goes, runs next, is to match, pull, order or keep.',
    reply: Today,
  },
} as const satisfies Record<string, Endpoint>;
