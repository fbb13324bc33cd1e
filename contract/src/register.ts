import * as z from 'zod';
import { MarksSchema, PRACTICE_LEVELS, ReadingSchema } from '@druckerei/core';
import type { Endpoint } from './endpoint';

const ID = '00000000-0000-4000-8000-000000000000';
const DESK = ['planner', 'press'] as const;
const stepAt = z.strictObject({ id: z.uuid(), step: z.string().min(1).max(120) });
const inkName = z.string().trim().min(1, 'names the colour').max(30);
const SHEETS = z
  .number()
  .int('must be a whole number of sheets')
  .min(0, 'must not be below 0')
  .max(10_000, 'is more than a make-ready takes');

const Term = z.union([
  z.object({ known: z.literal(true), value: z.number(), pm: z.number().nullable(), real: z.boolean() }),
  z.object({ known: z.literal(false), missing: z.enum(['any', 'side', 'tail', 'corner']) }),
]);
const setting = z.object({ by: z.enum(['lateral', 'round', 'cock']), mm: z.number(), steps: z.number().int() });
const mark = z.object({ id: z.string(), xMm: z.number(), yMm: z.number() });
const reading = z.object({ mark: z.string(), dxMm: z.number(), dyMm: z.number() });
export const ColourFit = z.object({
  ink: z.string(),
  unit: z.number().int(),
  readings: z.array(reading),
  terms: z.record(z.string(), Term),
  left: z.array(reading),
  sdMm: z.number().nullable(),
  aside: z.string().nullable(),
  advice: z.object({
    settings: z.array(setting),
    askew: z.enum(['plate', 'cylinder', 'feeder']).nullable(),
    worstMm: z.number(),
    afterMm: z.number(),
    inside: z.boolean(),
    remedies: z.array(z.string()),
    unknown: z.array(z.string()),
  }),
});
export type ColourFit = z.infer<typeof ColourFit>;
export const Turn = z.object({
  id: z.uuid(),
  what: z.enum(['read', 'set']),
  reference: z.string(),
  colours: z.array(ColourFit),
  /** What was turned, unit by unit. */
  set: z.record(z.string(), z.array(setting)),
  waste: z.number().int(),
  sheet: z.number().int().nullable(),
  from: z.string(),
  by: z.string(),
  at: z.number(),
});
export type Turn = z.infer<typeof Turn>;
export const Drift = z.object({
  ink: z.string(),
  way: z.enum(['lateral', 'round']),
  values: z.array(z.number()),
  mean: z.number(),
  low: z.number(),
  high: z.number(),
  drifts: z.boolean(),
});
export const RegisterDesk = z.object({
  job: z.uuid(),
  number: z.number().int(),
  title: z.string(),
  step: z.string(),
  stepName: z.string(),
  machine: z.string(),
  machineName: z.string(),
  inks: z.array(z.string()),
  sheetMm: z.tuple([z.number(), z.number()]),
  marks: z.array(mark),
  toleranceMm: z.number(),
  askedMm: z.number().nullable(),
  holdsMm: z.number(),
  turns: z.array(Turn),
  waste: z.number().int(),
  setupSheets: z.number(),
  drift: z.array(Drift),
  walking: z.array(
    z.object({ unit: z.number().int(), way: z.enum(['lateral', 'round']), jobs: z.number(), of: z.number(), meanMm: z.number() }),
  ),
  traps: z.array(z.object({ spreads: z.string(), into: z.string(), widthMm: z.number() })),
});
export type RegisterDesk = z.infer<typeof RegisterDesk>;
export const RegisterRow = z.object({
  job: z.uuid(),
  number: z.number().int(),
  title: z.string(),
  step: z.string(),
  stepName: z.string(),
  machineName: z.string(),
  state: z.string(),
  turns: z.number().int(),
  inside: z.boolean().nullable(),
});
const played = z.object({
  turns: z.array(z.object({ worstMm: z.number(), settings: z.record(z.string(), z.array(setting)) })),
  waste: z.number().int(),
  inside: z.boolean(),
});

/** A round at the practice press. */
export const Score = z.object({
  id: z.uuid(),
  by: z.string(),
  level: z.string(),
  turns: z.number().int(),
  waste: z.number().int(),
  inside: z.boolean(),
  idealTurns: z.number().int(),
  idealWaste: z.number().int(),
  score: z.number().int(),
  at: z.number(),
});

export const register = {
  'register.list': {
    method: 'get',
    path: '/api/register',
    who: 'signed-in',
    says: 'Steps whose register can be read: printing, foil and die steps of released jobs.',
    reply: z.array(RegisterRow),
  },
  'register.read': {
    method: 'get',
    path: '/api/register/:id/:step',
    who: 'signed-in',
    says: 'A step at the register desk: marks, tolerance, every turn with its fit and advice, drift over the run, units that walk.',
    params: stepAt,
    reply: RegisterDesk,
    example: { params: { id: ID, step: 'card.card.print.front' } },
  },
  'register.send': {
    method: 'post',
    path: '/api/register/:id/:step/readings',
    who: DESK,
    says: 'Readings of one pull: of each colour at each mark, against the reference. Its sheets count as set-up waste. The same id twice is one reading.',
    params: stepAt,
    body: z.strictObject({
      id: z.uuid(),
      reference: inkName,
      marks: MarksSchema,
      colours: z
        .array(z.strictObject({ ink: inkName, readings: z.array(ReadingSchema).min(1, 'needs a reading').max(200) }))
        .min(1, 'needs a colour')
        .max(12),
      sheets: SHEETS,
      sheet: z.number().int().min(0).max(1e9).nullable(),
      from: z.enum(['typed', 'file', 'simulated']),
    }),
    reply: RegisterDesk,
    example: {
      params: { id: ID, step: 'card.card.print.front' },
      body: {
        id: ID,
        reference: 'K',
        marks: [{ id: 'G1', xMm: 10, yMm: 10 }],
        colours: [{ ink: 'C', readings: [{ mark: 'G1', dxMm: 0.1, dyMm: 0 }] }],
        sheets: 0,
        sheet: null,
        from: 'typed',
      },
    },
  },
  'register.set': {
    method: 'post',
    path: '/api/register/:id/:step/settings',
    who: DESK,
    says: 'What was turned at the units after a reading.',
    params: stepAt,
    body: z.strictObject({
      id: z.uuid(),
      settings: z.record(
        inkName,
        z
          .array(z.strictObject({ by: z.enum(['lateral', 'round', 'cock']), mm: z.number().min(-5).max(5), steps: z.number().int() }))
          .max(3),
      ),
    }),
    reply: RegisterDesk,
    example: {
      params: { id: ID, step: 'card.card.print.front' },
      body: { id: ID, settings: { C: [{ by: 'lateral', mm: -0.1, steps: -10 }] } },
    },
  },
  'register.simulate': {
    method: 'post',
    path: '/api/register/:id/:step/simulated-reading',
    who: DESK,
    says: 'What the simulated camera reads of the next pull: hidden misregister that follows from job and step, what was set since, drift and noise. It is a stand-in and says so.',
    params: stepAt,
    body: z.strictObject({ marks: MarksSchema, reference: inkName }),
    reply: z.object({ colours: z.array(z.object({ ink: z.string(), readings: z.array(reading) })), says: z.string() }),
    example: { params: { id: ID, step: 'card.card.print.front' }, body: { marks: [{ id: 'G1', xMm: 10, yMm: 10 }], reference: 'K' } },
  },
  'register.file': {
    method: 'post',
    path: '/api/register-files',
    who: DESK,
    says: 'Reads readings out of a CSV (ink, mark, dx, dy); nothing is kept.',
    upload: 2_000_000,
    reply: z.object({
      inks: z.array(z.object({ ink: z.string(), readings: z.array(reading) })),
      bad: z.array(z.object({ line: z.number().int(), says: z.string() })),
    }),
  },
  'register.score': {
    method: 'post',
    path: '/api/practice',
    who: 'signed-in',
    says: 'A game on the practice press: its settings turn by turn. The server plays it again and keeps the score.',
    body: z.strictObject({
      id: z.uuid(),
      seed: z
        .number()
        .int()
        .min(0)
        .max(2 ** 31),
      level: z.enum(PRACTICE_LEVELS),
      turns: z
        .array(
          z.record(
            inkName,
            z
              .array(z.strictObject({ by: z.enum(['lateral', 'round', 'cock']), mm: z.number().min(-5).max(5), steps: z.number().int() }))
              .max(3),
          ),
        )
        .min(1)
        .max(40),
    }),
    reply: z.object({ own: played, ideal: played, score: z.number().int() }),
    example: { body: { id: ID, seed: 1, level: 'shifts', turns: [{}] } },
  },
  'register.scores': {
    method: 'get',
    path: '/api/practice',
    who: 'signed-in',
    says: 'Scores of the practice press, the newest first.',
    reply: z.array(Score),
  },
} as const satisfies Record<string, Endpoint>;
