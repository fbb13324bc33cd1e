import * as z from 'zod';
import { TOOL_KINDS, TOOL_STATES } from '@druckerei/core';
import type { Endpoint } from './endpoint';

const ID = '00000000-0000-4000-8000-000000000000';
const toolId = z.string().min(1).max(40);
const params = z.strictObject({ id: toolId });
const reason = z.string().trim().max(300);
const why = reason.min(3, 'says in a few words why');
const percent = z.number().min(0, 'must not be below 0 %').max(100, 'must not be above 100 %');
const STORE = ['planner', 'press', 'store'] as const;

export const WedgeStep = z.strictObject({ file: percent, plate: percent });
export const Checks = z.object({ scratches: z.boolean(), smallestUm: z.number().nullable(), wedge: z.enum(['in', 'out', 'none']) });
/** A form's card: whose it is, what it carries, how far it was made and is used up. */
export const ToolCard = z.object({
  id: z.string(),
  kind: z.enum(TOOL_KINDS),
  spec: z.string(),
  state: z.enum(TOOL_STATES),
  place: z.string(),
  owner: z.string(),
  life: z.number().int(),
  used: z.number().int(),
  job: z.uuid().nullable(),
  number: z.number().int().nullable(),
  title: z.string().nullable(),
  kept: z.boolean(),
  stone: z.string().nullable(),
  side: z.string(),
  ink: z.string(),
  version: z.string(),
  widthMm: z.number().nullable(),
  heightMm: z.number().nullable(),
  registerHoles: z.string(),
  press: z.string(),
  madeAt: z.number().nullable(),
  madeHow: z.string(),
  checks: Checks.nullable(),
  replaces: z.string().nullable(),
});
export type ToolCard = z.infer<typeof ToolCard>;
const side = z.number().min(1, 'must be at least 1 mm').max(5_000, 'is longer than any machine').nullable();
const cycles = z.number().int('is a whole number of impressions').min(0, 'must not be below 0').max(1_000_000_000);
/** A tool as it is entered by hand. */
export const ToolEntry = z.strictObject({
  key: z.uuid(),
  kind: z.enum(TOOL_KINDS),
  spec: z.string().trim().min(3, 'says what it carries').max(80),
  version: z.string().trim().max(40),
  widthMm: side,
  heightMm: side,
  life: cycles.min(1, 'must be at least 1'),
  used: cycles,
  place: z.string().trim().min(1, 'says where it lies').max(80),
  /** The works, or the customer it belongs to. */
  owner: z.string().trim().min(2, 'says whose it is').max(80),
  /** The job it was made for; null: none of ours. */
  number: z.number().int().min(1, 'is a number of a job').nullable(),
});
export type ToolEntry = z.infer<typeof ToolEntry>;
/** A plate that waits for the platesetter. */
export const QueuedForm = z.object({
  id: z.string(),
  job: z.uuid(),
  number: z.number().int(),
  title: z.string(),
  ink: z.string(),
  side: z.string(),
  press: z.string(),
  wantedAt: z.number().nullable(),
  startAt: z.number(),
  readyAt: z.number(),
  lateS: z.number(),
});
export const ToolEvent = z.object({
  id: z.uuid(),
  what: z.string(),
  reason: z.string(),
  cost: z.number().nullable(),
  facts: z.record(z.string(), z.unknown()),
  by: z.string(),
  at: z.number(),
});
export const ToolPage = z.object({
  cards: z.array(ToolCard),
  queue: z.array(QueuedForm),
  more: z.boolean(),
  asOf: z.number(),
  timeZone: z.string(),
});
export type ToolPage = z.infer<typeof ToolPage>;
/** A form a job wants, the card made for it, and kept ones that would do. */
export const FormOffer = z.object({
  stone: z.string(),
  side: z.string(),
  ink: z.string(),
  card: ToolCard.nullable(),
  offers: z.array(ToolCard),
});
export type FormOffer = z.infer<typeof FormOffer>;

/** A tool by its number, with the jobs that used it. */
export const ToolWithJobs = z.object({
  id: z.string(),
  kind: z.string(),
  spec: z.string(),
  lifeLeft: z.number().int(),
  state: z.string(),
  place: z.string(),
  jobs: z.array(z.object({ job: z.uuid(), number: z.number().int(), title: z.string(), quantity: z.number().int() })),
});

export const tools = {
  'tools.list': {
    method: 'get',
    path: '/api/tools',
    who: 'signed-in',
    says: 'Tools of the store by their number and the jobs that used them, the newest first; to start a job from a tool number.',
    query: z.strictObject({ id: toolId.optional() }),
    reply: z.array(ToolWithJobs),
    example: { query: {} },
  },
  'tools.cards': {
    method: 'get',
    path: '/api/tool-cards',
    who: 'signed-in',
    says: 'Cards of forms, by what they are and where they stand, and the platesetter’s queue.',
    query: z.strictObject({
      find: z.string().max(80).optional(),
      state: z.enum(['work', 'kept', 'gone', 'all']).optional(),
      job: z.uuid().optional(),
    }),
    reply: ToolPage,
    example: { query: {} },
  },
  'tools.read': {
    method: 'get',
    path: '/api/tool-cards/:id',
    who: 'signed-in',
    says: 'A card and what happened to it.',
    params,
    reply: z.object({ card: ToolCard, log: z.array(ToolEvent) }),
    example: { params: { id: 'F-000' } },
  },
  'tools.enter': {
    method: 'post',
    path: '/api/tool-cards',
    who: STORE,
    says: 'Enters a tool that came into the store: made elsewhere, bought, or the customer’s. The same key twice is one tool.',
    body: ToolEntry,
    reply: ToolCard,
    example: {
      body: {
        key: ID,
        kind: 'cuttingDie',
        spec: 'sleeve, four up',
        version: '',
        widthMm: 700,
        heightMm: 500,
        life: 500_000,
        used: 0,
        place: 'die rack 3',
        owner: 'works',
        number: null,
      },
    },
  },
  'tools.move': {
    method: 'post',
    path: '/api/tool-cards/:id/move',
    who: STORE,
    says: 'Moves a form on: to the press, into the store, out of the house, to recycling. The same key twice is one move; a form that moved meanwhile is refused.',
    params,
    body: z.strictObject({
      key: z.uuid(),
      was: z.enum(TOOL_STATES),
      to: z.enum(TOOL_STATES),
      place: z.string().trim().max(80).optional(),
      reason,
    }),
    reply: ToolCard,
    example: { params: { id: 'F-000' }, body: { key: ID, was: 'checked', to: 'onPress', reason: '' } },
  },
  'tools.check': {
    method: 'post',
    path: '/api/tool-cards/:id/check',
    who: STORE,
    says: 'Writes down what was seen on a form: scratches, the smallest element, its test wedge. One that does not pass is spoilt.',
    params,
    body: z.strictObject({
      key: z.uuid(),
      scratches: z.boolean(),
      smallestUm: z.number().min(1, 'must be at least 1 µm').max(2_000, 'is no small element').nullable(),
      steps: z.array(WedgeStep).max(40),
      registerHoles: z.string().trim().max(40).optional(),
    }),
    reply: ToolCard,
    example: { params: { id: 'F-000' }, body: { key: ID, scratches: false, smallestUm: 20, steps: [] } },
  },
  'tools.remake': {
    method: 'post',
    path: '/api/tool-cards/:id/remake',
    who: STORE,
    says: 'Makes a form again, with a reason: the old one is spoilt, a new card is planned, the price is written down.',
    params,
    body: z.strictObject({ key: z.uuid(), reason: why, version: z.string().trim().max(40).optional() }),
    reply: ToolCard,
    example: { params: { id: 'F-000' }, body: { key: ID, reason: 'scratched' } },
  },
  'tools.image': {
    method: 'post',
    path: '/api/platesetter',
    who: STORE,
    says: 'Lets the simulated platesetter image the next plates of its queue. It is a stand-in, says so, and makes a bad plate now and then.',
    body: z.strictObject({ key: z.uuid(), plates: z.number().int().min(1).max(50) }),
    reply: z.object({
      imaged: z.array(z.object({ id: z.string(), bad: z.enum(['scratch', 'weak']).nullable(), steps: z.array(WedgeStep) })),
    }),
    example: { body: { key: ID, plates: 1 } },
  },
  'tools.offers': {
    method: 'get',
    path: '/api/jobs/:id/forms',
    who: 'signed-in',
    says: 'Forms a job wants, the cards made for it, and kept forms of the job it repeats that would do.',
    params: z.strictObject({ id: z.uuid() }),
    reply: z.array(FormOffer),
    example: { params: { id: ID } },
  },
  'tools.take': {
    method: 'post',
    path: '/api/jobs/:id/forms',
    who: STORE,
    says: 'Takes kept forms for a job: they are not made again.',
    params: z.strictObject({ id: z.uuid() }),
    body: z.strictObject({ key: z.uuid(), tools: z.array(toolId).min(1).max(60) }),
    reply: z.array(FormOffer),
    example: { params: { id: ID }, body: { key: ID, tools: ['F-000'] } },
  },
} as const satisfies Record<string, Endpoint>;
