import { JobSpecSchema, localMoment } from '@druckerei/core';
import * as z from 'zod';
import type { Endpoint } from './endpoint';
import { Task } from './tasks';

const ID = '00000000-0000-4000-8000-000000000000';
const at = z.number().int();
/** Which version of the board somebody saw: a change of another is refused with both. */
const base = z.number().int().min(0);
export const BOARD_WHY = ['search', 'move', 'back', 'pin', 'accept'] as const;
/** What somebody decided of a step: it begins then, or not before. */
export const BoardPin = z.strictObject({
  start: at.optional(),
  notBefore: at.optional(),
  by: z.string().max(200),
});
export type BoardPin = z.infer<typeof BoardPin>;

export const BoardBar = z.object({
  work: z.string(),
  job: z.uuid(),
  step: z.string(),
  name: z.string(),
  machine: z.string(),
  start: at,
  makeReadyAt: at,
  runAt: at,
  end: at,
  changes: z.array(z.object({ key: z.string(), from: z.string(), to: z.string(), s: z.number() })),
  runs: z.boolean(),
  /** Not on the accepted version yet: released since. */
  fresh: z.boolean(),
  /** Nobody released it: as it would lie. */
  quoted: z.boolean(),
  /** Where the accepted version has it, when that is another time or machine. */
  off: z.object({ machine: z.string(), start: at }).nullable(),
  pin: BoardPin.nullable(),
});
export type BoardBar = z.infer<typeof BoardBar>;

export const BoardBecause = z.object({
  kind: z.enum(['own', 'behind', 'wait', 'gate', 'closed']),
  what: z.string(),
  number: z.number().int().nullable(),
  s: z.number(),
});
export type BoardBecause = z.infer<typeof BoardBecause>;
export const BoardJob = z.object({
  job: z.uuid(),
  number: z.number().int(),
  title: z.string(),
  customer: z.string(),
  /** Of several deliveries the one with the least to spare. */
  dueAt: at.nullable(),
  /** When what is due then is there. */
  readyAt: at,
  /** When all of it is. */
  endAt: at,
  /** Money that its lateness costs. */
  lateMoney: z.number(),
  because: z.array(BoardBecause),
});
export type BoardJob = z.infer<typeof BoardJob>;
const money = z.object({ late: z.number(), change: z.number(), ways: z.number(), held: z.number(), moved: z.number() });
export const BoardBreach = z.object({
  code: z.enum(['pin', 'longestWait', 'hands', 'hours', 'noWay', 'circle', 'gate']),
  work: z.string(),
  byS: z.number(),
});

/** A machine stands for a repair, or is worked longer. */
export const BoardHours = z.object({ machine: z.string(), from: at, until: at, opens: z.boolean(), why: z.string() });
export type BoardHours = z.infer<typeof BoardHours>;

export const BoardPage = z.object({
  nr: base,
  asOf: at,
  timeZone: z.string(),
  currency: z.string(),
  by: z.string(),
  at: at.nullable(),
  why: z.enum(BOARD_WHY).nullable(),
  lanes: z.array(z.object({ machine: z.string(), name: z.string(), open: z.array(z.tuple([at, at])) })),
  /** Hours that are other than the calendars. */
  hours: z.array(BoardHours.extend({ id: z.uuid(), by: z.string() })),
  bars: z.array(BoardBar),
  jobs: z.array(BoardJob),
  money,
  /** By how much money its lateness has grown since it was accepted. */
  grown: z.number(),
  /** From so much on another order is looked for by itself. */
  growthMoney: z.number(),
  least: z.number(),
  breaches: z.array(BoardBreach),
  reserveS: z.number(),
});
export type BoardPage = z.infer<typeof BoardPage>;

const who = ['planner'] as const;
const move = z.union([
  z.strictObject({ base, work: z.string().max(300), beside: z.string().max(300), side: z.enum(['before', 'behind']) }),
  /** Onto another machine, into the first gap there in which nobody else’s run begins later. */
  z.strictObject({ base, work: z.string().max(300), on: z.string().max(120) }),
  /** The whole job before everything that does not run. */
  z.strictObject({ base, first: z.uuid() }),
]);
export type BoardMove = z.infer<typeof move>;
/** As the works’ clock shows them. */
export const HoursAsked = z.strictObject({
  machine: z.string().min(1).max(120),
  from: localMoment,
  until: localMoment,
  opens: z.boolean(),
  why: z.string().trim().max(200),
});
export type HoursAsked = z.infer<typeof HoursAsked>;
/** So many entries of hours are tried together at most. */
export const MOST_HOURS = 200;
/** What is tried in a copy of the board. */
const copy = <H extends z.ZodType>(hours: H) => ({ hours: z.array(hours).max(MOST_HOURS), first: z.uuid().nullable() });
const REPAIR = { machine: 'a', from: '2026-12-03T06:00', until: '2026-12-05T22:00', opens: false, why: 'repair' };
/** What a change would come to, before it is made. */
export const BoardEffect = z.object({
  /** Money more than now. */
  money: z.number(),
  changeS: z.number(),
  jobs: z.array(z.object({ job: z.string(), number: z.number().int(), byS: z.number(), lateS: z.number() })),
});
export type BoardEffect = z.infer<typeof BoardEffect>;

/** A machine on which a step could be done instead; and what stands against it, in words (null: nothing). */
export const BoardMachine = z.object({ machine: z.string(), name: z.string(), against: z.string().nullable() });
export type BoardMachine = z.infer<typeof BoardMachine>;

/** By how much, and money more than now; below 0 the whole is cheaper. */
const helps = { soonerS: z.number(), money: z.number() };
/** What would let a job end sooner: a step before another, or on another machine; the whole job before everything; a machine worked longer; what has to come sooner. */
export const BoardHelp = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('before'), work: z.string(), beside: z.string(), ...helps }),
  z.object({ kind: z.literal('first'), ...helps }),
  z.object({ kind: z.literal('on'), work: z.string(), machine: z.string(), name: z.string(), ...helps }),
  z.object({ kind: z.literal('overtime'), machine: z.string(), byS: z.number(), ...helps }),
  z.object({ kind: z.literal('sooner'), work: z.string(), byS: z.number(), ...helps }),
  z.object({ kind: z.literal('split'), work: z.string(), beside: z.string(), pieces: z.number(), at, ...helps }),
]);
export type BoardHelp = z.infer<typeof BoardHelp>;

/** When work that is not released would be ready, if it were now. */
export const BoardPromise = z.object({
  /** It is on the board already: when it ends there. */
  onBoard: z.boolean(),
  at,
  timeZone: z.string(),
  because: z.array(BoardBecause),
  /** With the machine worked longer every day that it waits for the longest; null where that brings nothing. */
  overtime: z.object({ machine: z.string(), byS: z.number(), at }).nullable(),
});
export type BoardPromise = z.infer<typeof BoardPromise>;

export const board = {
  'board.read': {
    method: 'get',
    path: '/api/board',
    who: 'signed-in',
    says: 'Every released step on its machine in time, as the accepted order and the floor have it; which jobs are late, by how much and why. With a job that is not released, or the next of all that are not, as they would lie if they were.',
    query: z.strictObject({ quoted: z.union([z.uuid(), z.literal('all')]).optional() }),
    reply: BoardPage,
  },
  'board.csv': {
    method: 'get',
    path: '/api/board.csv',
    who: 'signed-in',
    says: 'The board as CSV, a row a bar, by machine and start; times as the works’ clock shows them.',
    reply: 'file',
    mime: 'text/csv',
  },
  'board.ics': {
    method: 'get',
    path: '/api/board.ics',
    who: 'signed-in',
    says: 'The board as iCalendar (RFC 5545), of one machine where it is named: a bar keeps its identity, and a new version of the board moves it.',
    query: z.strictObject({ machine: z.string().max(120).optional() }),
    reply: 'file',
    mime: 'text/calendar',
  },
  'board.search': {
    method: 'post',
    path: '/api/board/search',
    who,
    says: 'Looks for a better board; the same id twice is one search. What it finds is a proposal.',
    body: z.strictObject({ id: z.uuid(), base }),
    reply: Task,
    example: { body: { id: ID, base: 0 } },
  },
  'board.take': {
    method: 'post',
    path: '/api/board/take',
    who,
    says: 'Takes what a search found as the new board. Refused when the board has moved on since.',
    body: z.strictObject({ task: z.uuid(), base }),
    reply: z.object({ nr: base }),
    example: { body: { task: ID, base: 0 } },
  },
  'board.help': {
    method: 'get',
    path: '/api/board/jobs/:id/help',
    who,
    says: 'What would let a job end sooner, found by trying it: moves, overtime; the cheapest first. Nothing is changed.',
    params: z.strictObject({ id: z.uuid() }),
    reply: z.array(BoardHelp),
    example: { params: { id: ID } },
  },
  'board.promise': {
    method: 'post',
    path: '/api/board/promise',
    who,
    says: 'When a specification would be ready if it were released now: put into the gaps of the board, nobody else’s run moved; and with overtime where it waits the longest. Nothing is changed.',
    body: z.strictObject({ spec: JobSpecSchema, job: z.uuid().nullable() }),
    reply: BoardPromise,
    example: { body: { job: null, spec: {} } },
  },
  'board.try': {
    method: 'post',
    path: '/api/board/try',
    who,
    says: 'What moving a step before or behind another, onto another machine, or a job before everything would come to; nothing is changed.',
    body: move,
    reply: BoardEffect,
    example: { body: { base: 0, work: 'a', beside: 'b', side: 'before' } },
  },
  'board.move': {
    method: 'post',
    path: '/api/board/move',
    who,
    says: 'Moves a step before or behind another, onto another machine, or a job before everything: a new version of the board. On another machine its job is released again for it, in one with the board. Refused when the board has moved on since.',
    body: move,
    reply: z.object({ nr: base }),
    example: { body: { base: 0, work: 'a', beside: 'b', side: 'before' } },
  },
  'board.machines': {
    method: 'get',
    path: '/api/board/machines',
    who,
    says: 'Machines on which a released step could be done instead, and what stands against each: what has begun, what is made, what would hold the release.',
    query: z.strictObject({ work: z.string().max(300) }),
    reply: z.array(BoardMachine),
    example: { query: { work: 'a' } },
  },
  'board.accept': {
    method: 'post',
    path: '/api/board/accept',
    who,
    says: 'Accepts the board as it is laid now: its starts are the plan from now on. Refused when the board has moved on since.',
    body: z.strictObject({ base }),
    reply: z.object({ nr: base }),
    example: { body: { base: 0 } },
  },
  'board.tryCopy': {
    method: 'post',
    path: '/api/board/copy/try',
    who,
    says: 'What a copy of the board would come to: machines stand, or are worked longer, and a job goes before everything. Nothing is changed.',
    body: z.strictObject({ base, ...copy(HoursAsked) }),
    reply: BoardEffect,
    example: { body: { base: 0, hours: [REPAIR], first: null } },
  },
  'board.takeCopy': {
    method: 'post',
    path: '/api/board/copy/take',
    who,
    says: 'Takes what was tried in a copy: its hours, and a version of the board where a job goes before everything. Refused when the board has moved on since; the same ids twice are one entry.',
    body: z.strictObject({ base, ...copy(HoursAsked.extend({ id: z.uuid() })) }),
    reply: z.object({ nr: base }),
    example: { body: { base: 0, hours: [{ ...REPAIR, id: ID }], first: null } },
  },
  'board.readHours': {
    method: 'post',
    path: '/api/board/hours/read',
    who,
    says: 'Reads the hours of a machine out of a calendar file (iCalendar, RFC 5545), as far ahead as the board knows hours; nothing is kept.',
    query: z.strictObject({ machine: z.string().min(1).max(120), opens: z.enum(['true', 'false']) }),
    upload: 1_000_000,
    reply: z.object({ hours: z.array(HoursAsked), left: z.array(z.object({ what: z.string(), why: z.string() })) }),
    example: { query: { machine: 'a', opens: 'false' } },
  },
  'board.endHours': {
    method: 'post',
    path: '/api/board/hours/:id/end',
    who,
    says: 'Takes back that a machine stands or is worked longer: its calendar counts again.',
    params: z.strictObject({ id: z.uuid() }),
    reply: z.object({ id: z.uuid() }),
    example: { params: { id: ID } },
  },
  'board.pin': {
    method: 'post',
    path: '/api/board/pin',
    who,
    says: 'Pins a step where it begins, or not before a moment; or takes its pin away: a new version of the board. Refused when the board has moved on since.',
    body: z.strictObject({
      base,
      work: z.string().max(300),
      /** A moment as the works’ clock shows it. */
      pin: z
        .discriminatedUnion('kind', [
          z.strictObject({ kind: z.literal('here') }),
          z.strictObject({ kind: z.literal('notBefore'), by: localMoment }),
        ])
        .nullable(),
    }),
    reply: z.object({ nr: base }),
    example: { body: { base: 1, work: 'a', pin: null } },
  },
  'board.back': {
    method: 'post',
    path: '/api/board/back',
    who,
    says: 'Goes back to the version before: a version of its own.',
    body: z.strictObject({ base: z.number().int().min(1) }),
    reply: z.object({ nr: base }),
    example: { body: { base: 1 } },
  },
} as const satisfies Record<string, Endpoint>;
