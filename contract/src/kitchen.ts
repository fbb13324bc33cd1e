import * as z from 'zod';
import { BaseInkSchema, DRAW_DOWN_ANSWERS, MeasurementSchema } from '@druckerei/core';
import type { Endpoint } from './endpoint';

const ID = '00000000-0000-4000-8000-000000000000';
const INK = ['planner', 'ink'] as const;
const PRESS = ['planner', 'ink', 'press'] as const;
const inkName = z.string().trim().min(1, 'names the ink').max(30);
const kg = z.number().min(0.0001, 'must be at least a tenth of a gram').max(2_000, 'is more than a kitchen mixes at once');
const reason = z.string().trim().max(300);
const lab = z.tuple([z.number(), z.number(), z.number()]).readonly();
const spectrum = z.array(z.number()).readonly();
const part = z.object({ base: z.string(), parts: z.number() });
const partIn = z.strictObject({ base: z.string().min(1).max(120), parts: z.number().min(0.01).max(100_000) });
const ofInk = z.strictObject({ job: z.uuid(), ink: inkName });
const EXAMPLE_LAB = { lab: [50, 0, 0] as [number, number, number], mode: 'M1' as const, backing: 'white' as const, from: 'typed' as const };

export const InkRow = z.object({
  job: z.uuid(),
  number: z.number().int(),
  title: z.string(),
  customer: z.string(),
  state: z.string(),
  ink: z.string(),
  stone: z.string(),
  kg: z.number(),
  /** Where it stands: no sample, sample, mixed, drawn down, and what was answered. */
  stands: z.enum(['noSample', 'sample', 'mixed', 'drawn', 'adjust', 'accepted']),
  lab: lab.nullable(),
  deltaE: z.number().nullable(),
  /** When its press is set up for it on the accepted board; null where it is not on it. */
  wantedAt: z.number().nullable(),
});
export type InkRow = z.infer<typeof InkRow>;
export const Pail = z.object({
  id: z.uuid(),
  code: z.string(),
  batch: z.uuid(),
  ink: z.string(),
  number: z.number().int(),
  kg: z.number(),
  place: z.string(),
  free: z.boolean(),
  lab: lab.nullable(),
});
export type Pail = z.infer<typeof Pail>;
export const RecipeRow = z.object({ id: z.string(), name: z.string(), parts: z.array(part), filmGsm: z.number(), lab });
export const KitchenPage = z.object({
  timeZone: z.string(),
  inks: z.array(InkRow),
  bases: z.array(BaseInkSchema),
  recipes: z.array(RecipeRow),
  pails: z.array(Pail),
});
export type KitchenPage = z.infer<typeof KitchenPage>;

export const DrawDown = z.object({
  id: z.uuid(),
  batch: z.uuid(),
  measured: z.object({ lab, spectrum: spectrum.optional(), mode: z.string(), backing: z.string(), from: z.string() }),
  verdict: z.object({ deltaE: z.number(), inside: z.boolean(), unlike: z.boolean(), deltaEUnderA: z.number().nullable() }),
  by: z.string(),
  at: z.number(),
  answer: z.object({ answer: z.enum(DRAW_DOWN_ANSWERS), reason: z.string(), by: z.string(), at: z.number() }).nullable(),
});
export type DrawDown = z.infer<typeof DrawDown>;
export const Batch = z.object({
  id: z.uuid(),
  number: z.number().int(),
  recipe: z.array(part),
  filmGsm: z.number(),
  stock: z.string(),
  place: z.string(),
  by: z.string(),
  at: z.number(),
  weighings: z.array(
    z.object({
      base: z.string(),
      pail: z.string().nullable(),
      kg: z.number(),
      lot: z.string(),
      reason: z.string(),
      by: z.string(),
      at: z.number(),
    }),
  ),
  pails: z.array(Pail),
});
export type Batch = z.infer<typeof Batch>;
/** Everything about an ink of a job. */
export const InkDesk = z.object({
  job: z.uuid(),
  number: z.number().int(),
  title: z.string(),
  ink: z.string(),
  stone: z.string(),
  stockName: z.string(),
  paper: z.object({ reflectance: spectrum, measured: z.boolean() }),
  neededKg: z.number(),
  filmGsm: z.number(),
  food: z.boolean(),
  stands: z.array(z.string()),
  sample: z.object({ measured: DrawDown.shape.measured, tolerance: z.number(), by: z.string(), at: z.number() }).nullable(),
  batches: z.array(Batch),
  drawDowns: z.array(DrawDown),
  /** Inks of the same stone before and after it, for overprints. */
  neighbours: z.array(z.string()),
  /** Those of them that print before it. */
  before: z.array(z.string()),
});
export type InkDesk = z.infer<typeof InkDesk>;

export const Match = z.object({
  parts: z.array(part),
  lab,
  spectrum,
  deltaE: z.number(),
  deltaEUnderA: z.number().nullable(),
  pricePerKg: z.number(),
  leftOverShare: z.number(),
  withinWish: z.boolean(),
});
export type Match = z.infer<typeof Match>;
const weighed = z.strictObject({
  base: z.string().min(1).max(120),
  pail: z.uuid().optional(),
  kg,
  lot: z.string().trim().max(40),
});

/** A batch with a lot of a base in it, and all its lots. */
export const LotTrace = z.object({
  batch: z.uuid(),
  number: z.number().int(),
  ink: z.string(),
  job: z.uuid(),
  jobNumber: z.number().int(),
  title: z.string(),
  kg: z.number(),
  lots: z.array(z.object({ base: z.string(), lot: z.string(), kg: z.number() })),
});

export const kitchen = {
  'kitchen.read': {
    method: 'get',
    path: '/api/kitchen',
    who: 'signed-in',
    says: 'Inks that open jobs want mixed and where each stands; base inks, recipes and pails.',
    reply: KitchenPage,
  },
  'kitchen.ink': {
    method: 'get',
    path: '/api/kitchen/:job/:ink',
    who: 'signed-in',
    says: 'An ink of a job: stock and film, how much is needed, sample, batches, draw-downs.',
    params: ofInk,
    reply: InkDesk,
    example: { params: { job: ID, ink: 'moss green' } },
  },
  'kitchen.sample': {
    method: 'post',
    path: '/api/kitchen/:job/:ink/sample',
    who: INK,
    says: 'Writes down the customer’s sample and its tolerance; the newest counts.',
    params: ofInk,
    body: z.strictObject({
      id: z.uuid(),
      measured: MeasurementSchema,
      tolerance: z.number().min(0.1, 'must be at least 0.1').max(20, 'is no tolerance'),
    }),
    reply: InkDesk,
    example: { params: { job: ID, ink: 'moss green' }, body: { id: ID, measured: EXAMPLE_LAB, tolerance: 2 } },
  },
  'kitchen.match': {
    method: 'post',
    path: '/api/kitchen/:job/:ink/match',
    who: INK,
    says: 'Recipes for the sample on the job’s stock, the best first; says whether all recipes were looked at.',
    params: ofInk,
    body: z.strictObject({
      most: z.number().int().min(1, 'must be 1 or more').max(6, 'is more than a recipe should hold'),
      wish: z.number().min(0.1, 'must be at least 0.1').max(10, 'is no wish'),
      leftOverShare: z.number().min(0).max(1, 'is at most all of it'),
      bases: z.array(z.string().max(120)).max(80).optional(),
    }),
    reply: z.object({ found: z.array(Match), exact: z.boolean(), tried: z.number().int(), seconds: z.number() }),
    example: { params: { job: ID, ink: 'moss green' }, body: { most: 3, wish: 1, leftOverShare: 0 } },
  },
  'kitchen.recipe': {
    method: 'post',
    path: '/api/recipes',
    who: INK,
    says: 'Keeps a recipe in the house library.',
    body: z.strictObject({
      id: z.string().trim().min(1).max(40),
      name: z.string().trim().min(1, 'gives the recipe a name').max(60),
      parts: z.array(partIn).min(1).max(8),
      filmGsm: z.number().min(0.1).max(60),
    }),
    reply: RecipeRow,
    example: { body: { id: 'R-x', name: 'Trial', parts: [{ base: 'clear', parts: 100 }], filmGsm: 1.2 } },
  },
  'kitchen.batch': {
    method: 'post',
    path: '/api/kitchen/:job/:ink/batches',
    who: INK,
    says: 'Writes down a batch as it was weighed, with the lot of every base, and the pails it went into; the same id twice is one batch.',
    params: ofInk,
    body: z.strictObject({
      id: z.uuid(),
      recipe: z.array(partIn).min(1).max(8),
      weighed: z.array(weighed).min(1).max(20),
      pails: z.number().int().min(1, 'must be 1 or more').max(40),
      place: z.string().trim().max(80),
    }),
    reply: InkDesk,
    example: {
      params: { job: ID, ink: 'moss green' },
      body: { id: ID, recipe: [{ base: 'clear', parts: 100 }], weighed: [{ base: 'clear', kg: 1, lot: 'A1' }], pails: 1, place: '' },
    },
  },
  'kitchen.add': {
    method: 'post',
    path: '/api/batches/:id/additions',
    who: INK,
    says: 'Writes down what was added to a batch after a draw-down.',
    params: z.strictObject({ id: z.uuid() }),
    body: z.strictObject({ id: z.uuid(), weighed: z.array(weighed).min(1).max(8), reason: reason.min(3, 'says in a few words why') }),
    reply: InkDesk,
    example: { params: { id: ID }, body: { id: ID, weighed: [{ base: 'clear', kg: 0.1, lot: 'A1' }], reason: 'too strong' } },
  },
  'kitchen.simulate': {
    method: 'post',
    path: '/api/batches/:id/simulated-reading',
    who: INK,
    says: 'A reading of the simulated spectrophotometer: what the model prints of what is in the pail, off by a little that belongs to the batch, with noise. It is a stand-in and says so.',
    params: z.strictObject({ id: z.uuid() }),
    body: z.strictObject({ reading: z.number().int().min(1).max(1_000) }),
    reply: z.object({ measured: DrawDown.shape.measured, says: z.string() }),
    example: { params: { id: ID }, body: { reading: 1 } },
  },
  'kitchen.drawDown': {
    method: 'post',
    path: '/api/batches/:id/draw-downs',
    who: INK,
    says: 'Writes a measured draw-down down and judges it against the sample.',
    params: z.strictObject({ id: z.uuid() }),
    body: z.strictObject({ id: z.uuid(), measured: MeasurementSchema }),
    reply: InkDesk,
    example: { params: { id: ID }, body: { id: ID, measured: EXAMPLE_LAB } },
  },
  'kitchen.answer': {
    method: 'post',
    path: '/api/draw-downs/:id/answer',
    who: INK,
    says: 'Accepts a draw-down, sends it back to be adjusted, or decides by name and with a reason outside the tolerance.',
    params: z.strictObject({ id: z.uuid() }),
    body: z.strictObject({ answer: z.enum(DRAW_DOWN_ANSWERS), reason }),
    reply: InkDesk,
    example: { params: { id: ID }, body: { answer: 'accept', reason: '' } },
  },
  'kitchen.correct': {
    method: 'post',
    path: '/api/draw-downs/:id/correction',
    who: INK,
    says: 'What to add to the batch of a draw-down so that the next comes nearer.',
    params: z.strictObject({ id: z.uuid() }),
    body: z.strictObject({ mostShare: z.number().min(0.001).max(1), allBases: z.boolean() }),
    reply: z.object({ add: z.array(z.object({ base: z.string(), kg: z.number() })), lab, deltaE: z.number(), modelOff: z.number() }),
    example: { params: { id: ID }, body: { mostShare: 0.5, allBases: true } },
  },
  'kitchen.pail': {
    method: 'post',
    path: '/api/pails/:id',
    who: PRESS,
    says: 'What is left in a pail, where it stands, and whether other jobs may have it.',
    params: z.strictObject({ id: z.uuid() }),
    body: z.strictObject({ kg: z.number().min(0, 'must not be below 0').max(2_000), place: z.string().trim().max(80), free: z.boolean() }),
    reply: Pail,
    example: { params: { id: ID }, body: { kg: 0.4, place: 'shelf 3', free: true } },
  },
  'kitchen.file': {
    method: 'post',
    path: '/api/kitchen-files',
    who: INK,
    says: 'Reads measurements out of a text file (CSV, or the exchange format of ISO 28178); nothing is kept.',
    upload: 2_000_000,
    reply: z.object({
      rows: z.array(z.object({ name: z.string(), lab, spectrum: spectrum.optional(), notes: z.array(z.string()) })),
      bad: z.array(z.object({ line: z.number().int(), says: z.string() })),
    }),
  },
  'kitchen.trace': {
    method: 'get',
    path: '/api/ink-lots/:lot',
    who: 'signed-in',
    says: 'Where a lot of a base went: batches, jobs; and from a batch back to every lot in it.',
    params: z.strictObject({ lot: z.string().min(1).max(40) }),
    reply: z.array(LotTrace),
    example: { params: { lot: 'A1' } },
  },
} as const satisfies Record<string, Endpoint>;
