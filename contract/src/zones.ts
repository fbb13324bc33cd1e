import * as z from 'zod';
import type { Endpoint } from './endpoint';

const ID = '00000000-0000-4000-8000-000000000000';
const stepAt = z.strictObject({ id: z.uuid(), step: z.string().min(1).max(120) });
const hash = z.string().regex(/^[0-9a-f]{64}$/, 'is a name of 64 hexadecimal digits');
const DESK = ['planner', 'press', 'ink'] as const;
/** A separation a file may be, in bytes. */
export const MOST_SEPARATION_BYTES = 200_000_000;

export const ZoneInk = z.object({
  ink: z.string(),
  /** Of each zone, percent of its area on the sheet; what the duct opens to, percent. Null: no separation yet. */
  percent: z.array(z.number()).nullable(),
  opening: z.array(z.number()).nullable(),
  file: z.string().nullable(),
});
/** A copy, or the sheet, where it lies: mm from the lower left, turned to the right. */
const Place = z.object({ x: z.number(), y: z.number(), w: z.number(), h: z.number(), turn: z.number() });
export const ZoneDesk = z.object({
  job: z.uuid(),
  number: z.number().int(),
  title: z.string(),
  step: z.string(),
  machine: z.string(),
  machineName: z.string(),
  sheetMm: z.tuple([z.number(), z.number()]),
  zoneMm: z.number(),
  zones: z.number().int(),
  copies: z.array(Place),
  inks: z.array(ZoneInk),
  /** What all inks together lay on the heaviest spot, and where it lies on the sheet, mm from the lower left. Null: not known, see `differ`. */
  totalInk: z.object({ percent: z.number(), inks: z.number().int(), at: z.array(z.object({ x: z.number(), y: z.number() })) }).nullable(),
  /** The separations are of different sizes: they cannot be laid over each other. */
  differ: z.boolean(),
  /** What the paper takes, percent. */
  limitPercent: z.number().nullable(),
  curve: z.object({ a: z.number(), b: z.number(), d: z.number(), from: z.number().int(), off: z.number() }),
  /** Settings logged for this press, enough or not. */
  logged: z.number().int(),
});
export type ZoneDesk = z.infer<typeof ZoneDesk>;
export const ZonesDone = z.object({
  read: z.array(z.object({ ink: z.string(), width: z.number(), height: z.number(), mean: z.number() })),
  /** Of a PDF: inks of the pass it has no colour of, and its colours that the pass does not print. */
  absent: z.array(z.string()),
  leftAside: z.array(z.string()),
  seconds: z.number(),
});
export type ZonesDone = z.infer<typeof ZonesDone>;

export const zones = {
  'zones.read': {
    method: 'get',
    path: '/api/jobs/:id/zones/:step',
    who: 'signed-in',
    says: 'Coverage of every ink zone of a pass, and what the ducts open to.',
    params: stepAt,
    reply: ZoneDesk,
    example: { params: { id: ID, step: 'card.card.print.front' } },
  },
  'zones.raster': {
    method: 'get',
    path: '/api/jobs/:id/zones/:step/rasters/:ink',
    who: 'signed-in',
    says: 'The newest separation of an ink in blocks (0 no ink, 255 full, rows from the top, base 64), and where it lies on the sheet.',
    params: stepAt.extend({ ink: z.string().min(1).max(30) }),
    reply: z.object({ across: z.number().int(), values: z.string(), places: z.array(Place) }),
    example: { params: { id: ID, step: 'card.card.print.front', ink: 'K' } },
  },
  'zones.send': {
    method: 'post',
    path: '/api/separations',
    who: DESK,
    says: 'Sends a separation (a PNG, or a TIFF in strips) or a PDF; it is read as a task.',
    upload: MOST_SEPARATION_BYTES,
    reply: z.object({ file: hash }),
  },
  'zones.begin': {
    method: 'post',
    path: '/api/tasks/zones',
    who: DESK,
    says: 'Reads a separation that was sent, or a PDF page for all inks, and lays it on every copy of a pass; can be cancelled like any task.',
    body: z.strictObject({
      id: z.uuid(),
      job: z.uuid(),
      step: z.string().min(1).max(120),
      /** Null: every ink of the pass, from a PDF. */
      ink: z.string().min(1).max(30).nullable(),
      file: hash,
      name: z.string().trim().max(120),
      /** Of a PDF. */
      page: z.number().int().min(1, 'counts from 1').max(9_999),
      /** A separation in which white is 0 holds ink as it is; a picture of it is the other way round. */
      inkIsDark: z.boolean(),
    }),
    reply: z.object({ id: z.uuid() }),
    example: {
      body: { id: ID, job: ID, step: 'card.card.print.front', ink: 'K', file: '0'.repeat(64), name: 'k.png', page: 1, inkIsDark: true },
    },
  },
  'zones.csv': {
    method: 'get',
    path: '/api/jobs/:id/zones/:step/zones.csv',
    who: 'signed-in',
    says: 'Coverage and opening of every zone, ink by ink.',
    params: stepAt,
    reply: 'file',
    mime: 'text/csv',
    example: { params: { id: ID, step: 'card.card.print.front' } },
  },
  'zones.log': {
    method: 'post',
    path: '/api/jobs/:id/zones/:step/settings',
    who: DESK,
    says: 'Logs openings that printed well: the press’s curve is fitted to them.',
    params: stepAt,
    body: z.strictObject({
      id: z.uuid(),
      ink: z.string().min(1).max(30),
      openings: z.array(z.number().min(0, 'must not be below 0 %').max(100, 'must not be above 100 %')).min(1).max(200),
    }),
    reply: ZoneDesk,
    example: { params: { id: ID, step: 'card.card.print.front' }, body: { id: ID, ink: 'K', openings: [10] } },
  },
} as const satisfies Record<string, Endpoint>;
