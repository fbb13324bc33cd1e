import * as z from 'zod';
import { CHILD_WAYS, COUNT_UNITS, ENTRY_KINDS, PILE_STATES, SHORTAGE_WAYS } from '@druckerei/core';
import type { Endpoint } from './endpoint';

const ID = '00000000-0000-4000-8000-000000000000';
const params = z.strictObject({ id: z.uuid() });
const machineId = z.string().min(1).max(120);
/** What a batch may hold; a terminal that was away for a week sends many. */
export const MOST_ENTRIES = 500;

const UNIT = z.enum(COUNT_UNITS).nullable();
const Units = z.object({
  takes: z.string().nullable(),
  gives: z.string().nullable(),
  takesPer: z.number(),
  givesPer: z.number(),
  takesUnit: UNIT,
  givesUnit: UNIT,
  unit: UNIT,
  perCycle: z.number(),
  whole: z.boolean(),
});
/** How a step stood by the clock when its newest entry was written. */
const Times = z.object({
  state: z.enum(['waiting', 'setup', 'running', 'stopped', 'done']),
  open: z.enum(['setup', 'run']).nullable(),
  setupS: z.number(),
  runS: z.number(),
  stops: z.record(z.string(), z.object({ seconds: z.number(), times: z.number() })),
  since: z.number().nullable(),
  stopReason: z.string(),
});
const Tally = z.object({
  received: z.number(),
  good: z.number(),
  waste: z.record(z.string(), z.number()),
  wasted: z.number(),
  samples: z.number(),
  destroyed: z.number(),
  recounted: z.number(),
  run: z.number(),
  goodCycles: z.number(),
});
/** A pile where it lies, in its own unit. */
export const Pile = z.object({
  id: z.uuid(),
  nr: z.number().int(),
  code: z.string(),
  job: z.uuid(),
  number: z.number().int(),
  flow: z.string(),
  step: z.string(),
  /** The step that laid it, and whose pieces lie on it where it parts a sheet into several orders. */
  stepName: z.string(),
  unit: z.string(),
  state: z.enum(PILE_STATES),
  place: z.string(),
  inHand: z.number(),
  next: z.string(),
  waitUntil: z.number().nullable(),
});
export type Pile = z.infer<typeof Pile>;
/** A step on the floor: as released, by the clock, and as counted. */
export const StepNow = z.object({
  job: z.uuid(),
  number: z.number().int(),
  title: z.string(),
  customer: z.string(),
  release: z.number().int(),
  balanced: z.boolean(),
  step: z.string(),
  stone: z.string(),
  seq: z.number().int(),
  of: z.number().int(),
  name: z.string(),
  summary: z.string(),
  machine: z.string(),
  machineName: z.string(),
  process: z.string(),
  units: Units,
  /** Planned: cycles, good cycles, seconds. */
  run: z.number(),
  goodWanted: z.number(),
  perHour: z.number(),
  setupS: z.number(),
  runS: z.number(),
  /** As the accepted board has it; as planned where it is not there. */
  startAt: z.number(),
  /** It has begun, and these the board has before it on this machine have not: number and step. */
  overrules: z.array(z.string()),
  runningPpm: z.number(),
  /** Cycles of what lies before it that are reserve. */
  reserve: z.number(),
  /** For counting by scale and by height: a piece it gives, and the share of them the order leaves open; null: not to be counted so. */
  measure: z.object({ pieceKg: z.number(), kgPpm: z.number(), pieceUm: z.number(), umPpm: z.number(), openPpm: z.number() }).nullable(),
  next: z.array(z.object({ step: z.string(), name: z.string(), machineName: z.string(), waitS: z.number() })),
  /** The orders a sheet is parted into here, each with copies a cycle, what is wanted of it and what was counted; empty: it makes one thing. */
  orders: z.array(z.object({ flow: z.string(), name: z.string(), per: z.number(), wanted: z.number(), good: z.number() })),
  /** What it waits for: steps not done, piles still to dry. */
  waits: z.array(z.string()),
  /** Mixed inks without an accepted draw-down: the run does not begin. */
  locked: z.array(z.string()),
  /** The line is to be cleared before it, and nobody has said yet that it is. */
  toClear: z.boolean(),
  /** The version the line is to be cleared of; null: it is to be cleared of the job before. */
  clearOf: z.string().nullable(),
  /** When what comes to it has dried; null: it is dry, or nobody knows yet. The run does not begin before, unless somebody tried it. */
  dryAt: z.number().nullable(),
  /** What is measured at it: between what it may lie, and the newest reading. */
  measures: z.array(
    z.object({
      key: z.string(),
      name: z.string(),
      allowed: z.string(),
      unit: z.string(),
      asked: z.boolean(),
      value: z.number().nullable(),
      says: z.string(),
      within: z.boolean(),
      by: z.string(),
    }),
  ),
  /** Its web may break: what a break is reckoned by; null: there is none. */
  breaks: z.object({ turnMm: z.number(), pathM: z.number(), registerM: z.number() }).nullable(),
  /** Faults are cut out of a reel at it, between lengths; null: none are. */
  cutsOut: z.object({ lengthM: z.number() }).nullable(),
  /** Readings of the steps before that lie outside: the run does not begin. */
  outside: z.array(z.string()),
  /** Units to wash after what this machine prints before it; null: nothing was printed before, or nothing is now. */
  washUp: z
    .object({
      minutes: z.number(),
      units: z.array(z.object({ unit: z.number().int(), from: z.string(), to: z.string(), wash: z.enum(['none', 'wash', 'deep']) })),
    })
    .nullable(),
  times: Times,
  tally: Tally,
});
export type StepNow = z.infer<typeof StepNow>;
export const SetupSheet = z.object({
  scene: z.unknown(),
  rows: z.array(z.tuple([z.string(), z.string()])),
  lists: z.array(z.object({ title: z.string(), head: z.array(z.string()), rows: z.array(z.array(z.string())) })),
  cautions: z.array(z.string()),
});
export type SetupSheet = z.infer<typeof SetupSheet>;
export const Handover = z.object({ id: z.uuid(), by: z.string(), at: z.number(), note: z.string() });
export type Handover = z.infer<typeof Handover>;
/** What a terminal keeps: the step that runs, those that come with their setup sheets, piles near them, words of the shift before. */
export const Terminal = z.object({
  machine: machineId,
  name: z.string(),
  asOf: z.number(),
  timeZone: z.string(),
  steps: z.array(StepNow),
  sheets: z.record(z.string(), SetupSheet),
  piles: z.array(Pile),
  handovers: z.array(Handover),
  /** The newest entries of this machine that are in all this: what a device wrote and finds here, it need not add. */
  newest: z.array(z.uuid()),
});
export type Terminal = z.infer<typeof Terminal>;

export const LogLine = z.object({
  id: z.uuid(),
  seq: z.number().int(),
  kind: z.enum(ENTRY_KINDS),
  step: z.string().nullable(),
  machine: z.string(),
  pile: z.string().nullable(),
  quantity: z.number().nullable(),
  value: z.number().nullable(),
  reason: z.string(),
  note: z.string(),
  witness: z.string(),
  marks: z.array(z.string()),
  by: z.string(),
  device: z.string(),
  at: z.number(),
  receivedAt: z.number(),
  skewS: z.number(),
  takenBack: z.boolean(),
});
export type LogLine = z.infer<typeof LogLine>;
export const JobFloor = z.object({
  steps: z.array(StepNow.extend({ inHand: z.number(), off: z.number() })),
  piles: z.array(Pile),
  differences: z.array(z.object({ step: z.string().nullable(), pile: z.string(), off: z.number() })),
  waste: z.array(z.object({ reason: z.string(), pieces: z.number(), kg: z.number() })),
  children: z.array(z.object({ job: z.uuid(), number: z.number().int(), title: z.string(), state: z.string(), pieces: z.number() })),
  log: z.array(LogLine),
  more: z.boolean(),
});
export type JobFloor = z.infer<typeof JobFloor>;

export const MachineNow = z.object({
  machine: machineId,
  name: z.string(),
  step: StepNow.nullable(),
  next: StepNow.nullable(),
  waiting: z.number().int(),
  last: z.object({ kind: z.enum(ENTRY_KINDS), at: z.number(), by: z.string() }).nullable(),
  unread: z.number().int(),
});
export type MachineNow = z.infer<typeof MachineNow>;

export const Shortage = z.object({
  short: z.number(),
  options: z.array(
    z.object({
      way: z.enum(SHORTAGE_WAYS),
      not: z.enum(['printed', 'noStock', 'belowLeast', 'noMachine']).nullable(),
      money: z.number(),
      pulled: z.number(),
      machineS: z.number(),
      readyAt: z.number().nullable(),
      keptForms: z.boolean(),
    }),
  ),
});
export type Shortage = z.infer<typeof Shortage>;

export const LearnedPage = z.object({
  losses: z.array(
    z.object({
      process: z.string(),
      machine: z.string().nullable(),
      jobs: z.number().int(),
      meanPpm: z.number(),
      sdPpm: z.number(),
      setupFactor: z.number().nullable(),
      setupSpread: z.number().nullable(),
      enough: z.boolean(),
    }),
  ),
  together: z.object({ spread: z.number(), jobs: z.number().int() }).nullable(),
  leftAside: z.array(
    z.object({ number: z.number().int(), process: z.string(), machine: z.string(), what: z.enum(['setup', 'running']), times: z.number() }),
  ),
  times: z.array(
    z.object({
      machine: z.string(),
      jobs: z.number().int(),
      planPerHour: z.number(),
      netPerHour: z.number(),
      netQuarters: z.tuple([z.number(), z.number()]),
      setupS: z.number().nullable(),
      setupRepeatS: z.number().nullable(),
      stoppedShare: z.number(),
      stops: z.array(z.object({ reason: z.string(), seconds: z.number(), times: z.number() })),
    }),
  ),
});
export type LearnedPage = z.infer<typeof LearnedPage>;

export const floor = {
  'floor.board': {
    method: 'get',
    path: '/api/floor',
    who: 'signed-in',
    says: 'Every machine now: what runs on it, its rate, what waits for what, its last entry.',
    reply: z.object({ asOf: z.number(), timeZone: z.string(), machines: z.array(MachineNow) }),
  },
  'floor.terminal': {
    method: 'get',
    path: '/api/floor/machines/:id',
    who: 'signed-in',
    says: 'What the terminal of a machine shows and keeps for when the line is down: setup sheets of what comes next, and of the step that is asked for.',
    params: z.strictObject({ id: machineId }),
    query: z.strictObject({ job: z.uuid().optional(), step: z.string().max(200).optional() }),
    reply: Terminal,
    example: { params: { id: 'press3' } },
  },
  'floor.people': {
    method: 'get',
    path: '/api/floor/people',
    who: 'signed-in',
    says: 'Who may sign on at a terminal with a PIN.',
    reply: z.array(z.object({ id: z.uuid(), fullName: z.string(), initials: z.string() })),
  },
  'floor.signOn': {
    method: 'post',
    path: '/api/floor/sign-on',
    who: 'signed-in',
    says: 'Signs a person on at a terminal by PIN; the answer’s token goes with that person’s entries for thirty days.',
    body: z.strictObject({
      person: z.uuid(),
      pin: z.string().regex(/^\d{4,8}$/, 'is four to eight digits'),
      device: z.string().trim().min(1, 'names the device').max(80),
    }),
    reply: z.object({ token: z.string(), person: z.uuid(), fullName: z.string(), initials: z.string() }),
    example: { body: { person: ID, pin: '0000', device: 'example' } },
  },
  'floor.send': {
    method: 'post',
    path: '/api/floor/entries',
    who: 'signed-in',
    says: 'Writes entries into the floor’s log; an id sent twice is one entry. What cannot be written is named, the rest is kept.',
    body: z.strictObject({
      device: z.string().trim().min(1, 'names the device').max(80),
      /** Written at a desk by the person signed in there, not at a machine, where people sign on by PIN. */
      desk: z.boolean().optional(),
      sentAt: z.number().min(0).max(1e11),
      entries: z
        .array(z.object({ id: z.uuid(), by: z.string().max(400).optional() }).loose())
        .max(MOST_ENTRIES, `holds at most ${MOST_ENTRIES} entries`),
    }),
    oneByOne: 'entries',
    reply: z.object({ accepted: z.array(z.uuid()), refused: z.array(z.object({ id: z.uuid(), says: z.string() })), skewS: z.number() }),
    example: { body: { device: 'example', sentAt: 0, entries: [] } },
  },
  'floor.job': {
    method: 'get',
    path: '/api/jobs/:id/floor',
    who: 'signed-in',
    says: 'What was counted of a job: steps and their balance, piles and where they are, differences, waste by class, the newest of its log.',
    params,
    query: z.strictObject({ before: z.coerce.number().int().min(1).optional() }),
    reply: JobFloor,
    example: { params: { id: ID } },
  },
  'floor.csv': {
    method: 'get',
    path: '/api/jobs/:id/log.csv',
    who: 'signed-in',
    says: 'The floor’s log of a job as CSV, oldest first.',
    params,
    reply: 'file',
    mime: 'text/csv',
    example: { params: { id: ID } },
  },
  'floor.scan': {
    method: 'get',
    path: '/api/scan',
    who: 'signed-in',
    says: 'The pile a flag’s code names.',
    query: z.strictObject({ code: z.string().max(40) }),
    reply: Pile,
    example: { query: { code: '2401.AAAAAA' } },
  },
  'floor.flag': {
    method: 'get',
    path: '/api/piles/:id/flag.pdf',
    who: 'signed-in',
    says: 'The flag of a pile, to print and lay on it.',
    params,
    reply: 'file',
    mime: 'application/pdf',
    example: { params: { id: ID } },
  },
  'floor.shortage': {
    method: 'get',
    path: '/api/jobs/:id/shortage',
    who: ['planner', 'admin'],
    says: 'What can be done about pieces that will be missing of an item, each way priced.',
    params,
    query: z.strictObject({ item: z.string().max(120) }),
    reply: Shortage,
    example: { params: { id: ID }, query: { item: 'i1' } },
  },
  'floor.child': {
    method: 'post',
    path: '/api/jobs/:id/children',
    who: ['planner', 'admin'],
    says: 'Enters a child job for the pieces that will be missing; the same id twice is one job.',
    params,
    body: z.strictObject({ id: z.uuid(), item: z.string().max(120), way: z.enum(CHILD_WAYS) }),
    reply: z.object({ job: z.uuid(), number: z.number().int() }),
    example: { params: { id: ID }, body: { id: ID, item: 'i1', way: 'rerun' } },
  },
  'floor.learned': {
    method: 'get',
    path: '/api/learned',
    who: 'signed-in',
    says: 'What the works learned from its closed jobs: losses with their spread, net speeds, setups, stops.',
    reply: LearnedPage,
  },
} as const satisfies Record<string, Endpoint>;
