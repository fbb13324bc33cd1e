import * as z from 'zod';
import type { Endpoint } from './endpoint';

const ID = '00000000-0000-4000-8000-000000000000';
const whole = z.number().int('must be a whole number').min(1, 'must be at least 1').max(1e9);
const note = z.string().trim().max(300);
const lotId = z
  .string()
  .trim()
  .min(1, 'names the lot')
  .max(40)
  .regex(/^[\p{L}\p{N}._-]+$/u, 'may hold letters, digits and . _ - only');
const day = z.iso.date('is a day such as 2026-12-03');
const STORE = ['planner', 'store'] as const;

/** What may happen to a lot. Issue and back go out, return and in come in; a recount says what is there; measure keeps a caliper; a counter-entry takes a move back. */
export const MOVE_KINDS = ['issue', 'return', 'recount', 'back', 'trim', 'measure', 'counter'] as const;
export type MoveKind = (typeof MOVE_KINDS)[number];

export const Lot = z.object({
  id: z.string(),
  stock: z.string(),
  quantity: z.number().int(),
  reserved: z.number().int(),
  owner: z.enum(['works', 'customer']),
  caliperUm: z.number().nullable(),
  place: z.string(),
});
export const Reservation = z.object({
  id: z.uuid(),
  job: z.uuid(),
  number: z.number().int(),
  lot: z.string(),
  stock: z.string(),
  quantity: z.number().int(),
  by: z.string(),
});
export const Purchase = z.object({
  id: z.uuid(),
  stock: z.string(),
  quantity: z.number().int(),
  comesOn: z.string(),
  note: z.string(),
  by: z.string(),
});
/** A stock as the store reads it: what is there, promised, coming and wanted; what to order by when, and what could be cut from something larger. */
export const StockLine = z.object({
  stock: z.string(),
  unit: z.enum(['sheet', 'metre', 'piece']),
  free: z.number(),
  reserved: z.number(),
  coming: z.number(),
  customers: z.number(),
  wanted: z.number(),
  /** What jobs used of it a week, lately, and for how many weeks the free stock lasts so; null: nothing was used. */
  usedAWeek: z.number(),
  weeks: z.number().nullable(),
  jobs: z.array(z.object({ job: z.uuid(), number: z.number().int(), quantity: z.number(), byS: z.number() })),
  shortage: z.object({ short: z.number(), firstByS: z.number(), orderByS: z.number() }).nullable(),
  buy: z.object({ quantity: z.number(), cost: z.number(), perThousand: z.number(), atBreak: z.boolean() }).nullable(),
  trims: z.array(z.object({ from: z.string(), fromOne: z.number(), sheets: z.number(), wasteShare: z.number(), free: z.number() })),
});
export type StockLine = z.infer<typeof StockLine>;
export const StockPage = z.object({
  plant: z.string(),
  lines: z.array(StockLine),
  lots: z.array(Lot),
  reservations: z.array(Reservation),
  purchases: z.array(Purchase),
});
export type StockPage = z.infer<typeof StockPage>;
export const LotMove = z.object({
  id: z.uuid(),
  kind: z.enum(['in', ...MOVE_KINDS]),
  quantity: z.number().int(),
  caliperUm: z.number().nullable(),
  number: z.number().int().nullable(),
  note: z.string(),
  by: z.string(),
  at: z.number(),
  takenBack: z.boolean(),
});

export const stock = {
  'stock.read': {
    method: 'get',
    path: '/api/stock',
    who: 'signed-in',
    says: 'Every stock with its lots, what is promised and coming, what open jobs want, and what to order by when.',
    reply: StockPage,
  },
  'stock.addLot': {
    method: 'post',
    path: '/api/lots',
    who: STORE,
    says: 'Counts a new lot in: bought, or sent by a customer.',
    body: z.strictObject({
      id: lotId,
      stock: z.string().max(120),
      quantity: whole,
      owner: z.enum(['works', 'customer']),
      place: z.string().trim().max(80),
      caliperUm: z.number().positive('must be above 0').max(50_000).optional(),
      kg: z.number().positive('must be above 0').max(10_000).optional(),
      diameterMm: z.number().positive('must be above 0').max(3_000).optional(),
      coreMm: z.number().positive('must be above 0').max(1_000).optional(),
      purchase: z.uuid().optional(),
      key: z.uuid(),
      note,
    }),
    reply: Lot,
    example: { body: { id: 'L-1', stock: 'none', quantity: 1, owner: 'works', place: '', key: ID, note: '' } },
  },
  'stock.moves': {
    method: 'get',
    path: '/api/lots/:id/moves',
    who: 'signed-in',
    says: 'What happened to a lot, the newest first.',
    params: z.strictObject({ id: lotId }),
    reply: z.array(LotMove),
    example: { params: { id: 'L-1' } },
  },
  'stock.move': {
    method: 'post',
    path: '/api/lots/:id/moves',
    who: STORE,
    says: 'Enters a movement of a lot; the same key twice is one movement.',
    params: z.strictObject({ id: lotId }),
    body: z.strictObject({
      key: z.uuid(),
      kind: z.enum(MOVE_KINDS),
      quantity: z.number().int('must be a whole number').min(0, 'must not be below 0').max(1e9),
      caliperUm: z.number().positive('must be above 0').max(50_000).optional(),
      job: z.uuid().optional(),
      takesBack: z.uuid().optional(),
      note,
    }),
    reply: Lot,
    example: { params: { id: 'L-1' }, body: { key: ID, kind: 'recount', quantity: 1, note: 'counted' } },
  },
  'stock.trim': {
    method: 'post',
    path: '/api/lots/:id/trim',
    who: STORE,
    says: 'Cuts sheets of a lot to a smaller size of the same grade: so many go out of this lot, so many times more come in as a new one.',
    params: z.strictObject({ id: lotId }),
    body: z.strictObject({ key: z.uuid(), stock: z.string().max(120), sheets: whole, lot: lotId, place: z.string().trim().max(80) }),
    reply: Lot,
    example: { params: { id: 'L-1' }, body: { key: ID, stock: 'none', sheets: 1, lot: 'L-2', place: '' } },
  },
  'stock.reserve': {
    method: 'post',
    path: '/api/reservations',
    who: STORE,
    says: 'Promises sheets or metres of a lot to a job; refused where not so many are free.',
    body: z.strictObject({ id: z.uuid(), job: z.uuid(), lot: lotId, quantity: whole }),
    reply: Reservation,
    example: { body: { id: ID, job: ID, lot: 'L-1', quantity: 1 } },
  },
  'stock.free': {
    method: 'post',
    path: '/api/reservations/:id/free',
    who: STORE,
    says: 'Gives a reservation free again, with a reason.',
    params: z.strictObject({ id: z.uuid() }),
    body: z.strictObject({ reason: z.string().trim().min(3, 'says in a few words why').max(300) }),
    reply: z.object({}),
    example: { params: { id: ID }, body: { reason: 'because' } },
  },
  'stock.order': {
    method: 'post',
    path: '/api/purchases',
    who: STORE,
    says: 'Notes that a stock was ordered, and when it is to come.',
    body: z.strictObject({ id: z.uuid(), stock: z.string().max(120), quantity: whole, comesOn: day, note }),
    reply: Purchase,
    example: { body: { id: ID, stock: 'none', quantity: 1, comesOn: '2026-12-03', note: '' } },
  },
  'stock.cancelOrder': {
    method: 'post',
    path: '/api/purchases/:id/cancel',
    who: STORE,
    says: 'An order that will not come.',
    params: z.strictObject({ id: z.uuid() }),
    reply: z.object({}),
    example: { params: { id: ID } },
  },
} as const satisfies Record<string, Endpoint>;
