import * as z from 'zod';
import { EditSchema, JobSpecSchema, localMoment, ShelfSchema } from '@druckerei/core';
import { FindingSaid } from './plants';
import type { Endpoint } from './endpoint';
import { JOB_STATES, Summary } from './orders';

const params = z.strictObject({ id: z.uuid() });
const EXAMPLE = { id: '00000000-0000-4000-8000-000000000000' };

const version = z.number().int().min(1);
const reason = z.string().trim().min(3, 'says in a few words why').max(300);
/** A release: of the whole job, or of some things before the rest; a later one of the same revises it, with a reason. */
export const Release = z.object({
  nr: z.number().int(),
  at: z.number(),
  by: z.string(),
  scope: z.array(z.string()).nullable(),
  reason: z.string(),
});
/** An answer to a gate, as the job's page lists it. */
export const GateAnswer = z.object({
  id: z.number().int(),
  gate: z.string(),
  version: z.string(),
  answer: z.enum(['yes', 'no', 'back']),
  takesBack: z.number().int().nullable(),
  note: z.string(),
  by: z.string(),
  at: z.number(),
});
export const Alternative = z.object({
  job: z.uuid(),
  alt: z.number().int(),
  name: z.string(),
  state: z.enum(JOB_STATES),
  version: z.number().int(),
  summary: Summary,
});
export type Alternative = z.infer<typeof Alternative>;

const Assumption = z.object({ code: z.string(), args: z.record(z.string(), z.union([z.number(), z.string()])) });
/** How two plans differ: totals, findings, what each ready date rests on, and the places of the specification. */
export const Differences = z.object({
  totals: z.array(z.object({ key: z.string(), unit: z.string(), before: z.number(), after: z.number() })),
  come: z.array(FindingSaid),
  gone: z.array(FindingSaid),
  assumes: z.object({ before: z.array(Assumption), after: z.array(Assumption) }),
  edits: z.array(z.object({ place: z.string(), was: z.string(), now: z.string() })),
});
export type Differences = z.infer<typeof Differences>;

/** A line of a job's history: who did what, when. */
export const Happened = z.object({
  at: z.number(),
  by: z.string(),
  what: z.string(),
  version: z.number().int().nullable(),
  edits: z.array(z.object({ place: z.string(), was: z.string(), now: z.string() })),
  note: z.string(),
});
export type Happened = z.infer<typeof Happened>;

export const Job = z.object({
  id: z.uuid(),
  number: z.number().int(),
  customer: z.string(),
  /** The job this is another plan of; null for the job itself. */
  alternativeOf: z.uuid().nullable(),
  altName: z.string(),
  /** Orders it works for. */
  orders: z.array(z.object({ id: z.uuid(), number: z.number().int(), customer: z.string(), item: z.string() })),
  answers: z.array(GateAnswer),
  state: z.enum(JOB_STATES),
  version: z.number().int(),
  spec: JobSpecSchema,
  plant: z.string(),
  shelf: ShelfSchema,
  releases: z.array(Release),
});
export type Job = z.infer<typeof Job>;

export const jobs = {
  'jobs.read': {
    method: 'get',
    path: '/api/jobs/:id',
    who: 'signed-in',
    says: 'A job: its specification, the plant it is planned for, and its shelf.',
    params,
    reply: Job,
    example: { params: EXAMPLE },
  },
  'jobs.edit': {
    method: 'post',
    path: '/api/jobs/:id/edits',
    who: ['planner'],
    says: 'Saves edits made on a version; 409 with what others changed since when they touch the same places. The same key twice is the same save.',
    params,
    body: z.strictObject({ version, key: z.uuid(), edits: z.array(EditSchema).min(1).max(500) }),
    reply: z.object({
      version,
      summary: Summary,
      shelf: ShelfSchema,
      othersEdits: z.array(z.object({ edits: z.array(EditSchema), by: z.string() })),
    }),
    example: { params: EXAMPLE, body: { version: 1, key: EXAMPLE.id, edits: [{ at: ['name'], now: 'x' }] } },
  },
  'jobs.replant': {
    method: 'post',
    path: '/api/jobs/:id/plant',
    who: ['planner', 'admin'],
    says: 'Plans a draft for the settings now in force; a new version of the job. Nothing where it is planned for them already.',
    params,
    body: z.strictObject({ version }),
    reply: z.object({ version: z.number().int(), summary: Summary, plant: z.string() }),
    example: { params: EXAMPLE, body: { version: 1 } },
  },
  'jobs.release': {
    method: 'post',
    path: '/api/jobs/:id/release',
    who: ['planner'],
    says: 'Releases the whole job, or some things before the rest, as one snapshot; refused while a finding blocks it. Undecided findings are decided with a reason; what was released before is revised with one.',
    params,
    body: z.strictObject({
      version,
      decisions: z.record(z.string().max(200), reason),
      /** Ids of what is released early; left out: the whole job. */
      scope: z.array(z.string().max(200)).min(1, 'names what is released').max(100).optional(),
      reason: z.string().trim().max(300).optional(),
    }),
    reply: Release,
    example: { params: EXAMPLE, body: { version: 1, decisions: {} } },
  },
  'jobs.revise': {
    method: 'post',
    path: '/api/jobs/:id/revise',
    who: ['planner'],
    says: 'Opens a released job for a revision, with a reason; what is released stays in force until the next release.',
    params,
    body: z.strictObject({ version, reason }),
    reply: z.object({ version }),
    example: { params: EXAMPLE, body: { version: 1, reason: 'because' } },
  },
  'jobs.withdraw': {
    method: 'post',
    path: '/api/jobs/:id/withdraw',
    who: ['planner'],
    says: 'Gives a revision up: the specification goes back to the released one, as a new version.',
    params,
    body: z.strictObject({ version, reason }),
    reply: z.object({ version }),
    example: { params: EXAMPLE, body: { version: 1, reason: 'because' } },
  },
  'jobs.deliver': {
    method: 'post',
    path: '/api/jobs/:id/deliver',
    who: ['planner', 'store'],
    says: 'Marks a released job as delivered: it leaves the orders in hand and is kept. Taken back with a reason.',
    params,
    body: z.strictObject({ version, back: z.boolean(), note: z.string().trim().max(300) }),
    reply: z.object({ version, state: z.enum(JOB_STATES) }),
    example: { params: EXAMPLE, body: { version: 1, back: false, note: '' } },
  },
  'jobs.answerGate': {
    method: 'post',
    path: '/api/jobs/:id/answers',
    who: ['planner', 'press', 'finishing', 'ink', 'inspector', 'store'],
    says: 'Enters an answer to a gate, or takes one back by a counter-entry; the same answer sent twice is one.',
    params,
    body: z.strictObject({
      gate: z.string().max(120),
      version: z.string().max(40),
      answer: z.enum(['yes', 'no', 'back']),
      takesBack: z.number().int().optional(),
      note: z.string().trim().max(300),
    }),
    reply: z.object({ shelf: ShelfSchema, answers: z.array(GateAnswer) }),
    example: { params: EXAMPLE, body: { gate: 'g1', version: 'v1', answer: 'yes', note: '' } },
  },
  'jobs.again': {
    method: 'get',
    path: '/api/jobs/:id/again',
    who: ['planner'],
    says: 'The job once more: its specification for a new date and quantity, and what is kept, worn and changed.',
    params,
    query: z.strictObject({ by: localMoment, times: z.coerce.number().min(0.001).max(1000).default(1) }),
    reply: z.object({
      number: z.number().int(),
      customer: z.uuid().nullable(),
      spec: JobSpecSchema,
      kept: z.array(z.object({ code: z.string(), what: z.string() })),
      worn: z.array(z.object({ tool: z.string(), why: z.enum(['life', 'out', 'gone']), left: z.number(), need: z.number() })),
      gone: z.array(z.object({ what: z.enum(['stock', 'machine']), id: z.string() })),
      moved: Differences.pick({ totals: true, come: true, gone: true }),
    }),
    example: { params: EXAMPLE, query: { by: '2026-12-03T12:00' } },
  },
  'jobs.alternatives': {
    method: 'get',
    path: '/api/jobs/:id/alternatives',
    who: 'signed-in',
    says: 'The job itself and its other plans, each with the summary of its plan.',
    params,
    reply: z.array(Alternative),
    example: { params: EXAMPLE },
  },
  'jobs.duplicate': {
    method: 'post',
    path: '/api/jobs/:id/alternatives',
    who: ['planner'],
    says: 'Makes another plan of a job: a copy with edits, kept beside it. The same id twice is the same copy.',
    params,
    body: z.strictObject({
      id: z.uuid(),
      name: z.string().trim().min(1, 'names the alternative').max(80),
      edits: z.array(EditSchema).max(500),
    }),
    reply: Alternative,
    example: { params: EXAMPLE, body: { id: EXAMPLE.id, name: 'B', edits: [] } },
  },
  'jobs.choose': {
    method: 'post',
    path: '/api/jobs/:id/choose',
    who: ['planner'],
    says: 'Chooses an alternative: it becomes the next version of its job; the plan of before stays on record as an alternative.',
    params,
    body: z.strictObject({ version, reason }),
    reply: z.object({ job: z.uuid(), version }),
    example: { params: EXAMPLE, body: { version: 1, reason: 'because' } },
  },
  'jobs.differences': {
    method: 'get',
    path: '/api/jobs/:id/differences',
    who: 'signed-in',
    says: 'How the plan of another job, or of a release of this one, differs from this plan, or from another release.',
    params,
    query: z.strictObject({
      with: z.uuid().optional(),
      release: z.coerce.number().int().min(1).optional(),
      since: z.coerce.number().int().min(1).optional(),
    }),
    reply: Differences,
    example: { params: EXAMPLE, query: { release: '1' } },
  },
  'jobs.history': {
    method: 'get',
    path: '/api/jobs/:id/history',
    who: 'signed-in',
    says: 'Who did what to a job, the newest first.',
    params,
    reply: z.array(Happened),
    example: { params: EXAMPLE },
  },
  'jobs.join': {
    method: 'post',
    path: '/api/jobs/:id/join',
    who: ['planner'],
    says: 'Takes the items of another draft into this job: one job works for both orders. The other is emptied and kept as a plan of this one.',
    params,
    body: z.strictObject({ version, other: z.uuid() }),
    reply: z.object({ version }),
    example: { params: EXAMPLE, body: { version: 1, other: EXAMPLE.id } },
  },
  'jobs.makeTool': {
    method: 'post',
    path: '/api/jobs/:id/tools',
    who: ['planner'],
    says: 'Enters a job of the house that makes a tool for this one, ready when its step begins; this job takes the tool from it. The same id twice is one job.',
    params,
    body: z.strictObject({ id: z.uuid(), version, tool: z.string().min(1).max(200) }),
    reply: z.object({ job: z.uuid(), number: z.number().int(), version }),
    example: { params: EXAMPLE, body: { id: EXAMPLE.id, version: 1, tool: 'card.card.foil.die.crest' } },
  },
  'jobs.planCsv': {
    method: 'get',
    path: '/api/jobs/:id/plan.csv',
    who: 'signed-in',
    says: 'The plan as CSV, a line a stone.',
    params,
    reply: 'file',
    mime: 'text/csv',
    example: { params: EXAMPLE },
  },
  'jobs.gangCsv': {
    method: 'get',
    path: '/api/jobs/:id/gang.csv',
    who: 'signed-in',
    says: 'The orders that share sheets as CSV, a line an order and form: its places, copies, good sheets, and what it has over in all.',
    params,
    reply: 'file',
    mime: 'text/csv',
    example: { params: EXAMPLE },
  },
  'jobs.pagesCsv': {
    method: 'get',
    path: '/api/jobs/:id/pages.csv',
    who: 'signed-in',
    says: 'Pages of all forms on which sections lie as CSV: side, place, head, and shift against creep of each.',
    params,
    reply: 'file',
    mime: 'text/csv',
    example: { params: EXAMPLE },
  },
  'jobs.pagesJson': {
    method: 'get',
    path: '/api/jobs/:id/pages.json',
    who: 'signed-in',
    says: 'The same as JSON.',
    params,
    reply: 'file',
    mime: 'application/json',
    example: { params: EXAMPLE },
  },
  'jobs.figuresCsv': {
    method: 'get',
    path: '/api/jobs/:id/figures.csv',
    who: 'signed-in',
    says: 'Every figure of the plan as CSV.',
    params,
    reply: 'file',
    mime: 'text/csv',
    example: { params: EXAMPLE },
  },
  'jobs.planJson': {
    method: 'get',
    path: '/api/jobs/:id/plan.json',
    who: 'signed-in',
    says: 'The plan whole, as JSON.',
    params,
    reply: 'file',
    mime: 'application/json',
    example: { params: EXAMPLE },
  },
  'jobs.specJson': {
    method: 'get',
    path: '/api/jobs/:id/job.json',
    who: 'signed-in',
    says: 'The specification as a file that a new order can start from.',
    params,
    reply: 'file',
    mime: 'application/json',
    example: { params: EXAMPLE },
  },
  'jobs.ticket': {
    method: 'get',
    path: '/api/jobs/:id/ticket.pdf',
    who: 'signed-in',
    says: 'The job ticket from the snapshot; before release the plan of now, marked DRAFT on every page.',
    params,
    reply: 'file',
    mime: 'application/pdf',
    example: { params: EXAMPLE },
  },
  'jobs.picture': {
    method: 'get',
    path: '/api/jobs/:id/picture.svg',
    who: 'signed-in',
    says: 'A small picture of the product as it is in a version of the job; kept by the browser.',
    params,
    query: z.strictObject({ version: z.coerce.number().int().min(1) }),
    reply: 'file',
    mime: 'image/svg+xml',
    example: { params: EXAMPLE, query: { version: '1' } },
  },
} as const satisfies Record<string, Endpoint>;
