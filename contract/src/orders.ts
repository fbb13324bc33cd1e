import * as z from 'zod';
import { JobSpecSchema } from '@druckerei/core';
import type { Endpoint } from './endpoint';

export const Customer = z.object({
  id: z.uuid(),
  name: z.string(),
  address: z.string(),
  palletKg: z.number().nullable(),
  palletMm: z.number().nullable(),
});
export type Customer = z.infer<typeof Customer>;
export const NewCustomer = z.strictObject({
  id: z.uuid(),
  name: z.string().trim().min(1, 'is empty').max(120),
  address: z.string().trim().max(400),
});

/** Draft; some parts released; all released; a released one being revised; delivered and kept. */
export const JOB_STATES = ['draft', 'part', 'released', 'revising', 'delivered'] as const;
export type JobState = (typeof JOB_STATES)[number];
export const level = z.enum(['release', 'start', 'close', 'decide', 'know']);
/** The stored summary of the last saved plan: what a list shows. */
export const Summary = z.object({
  good: z.number(),
  pulled: z.number(),
  pulledUnit: z.enum(['sheet', 'metre']),
  plates: z.number(),
  machineS: z.number(),
  readyAt: z.number(),
  money: z.number(),
  chance: z.number().nullable(),
  river: z.array(z.number()),
  worst: z.object({ code: z.string(), level, args: z.record(z.string(), z.union([z.number(), z.string()])) }).nullable(),
  blocking: z.number(),
  undecided: z.number(),
  pieces: z.string(),
  needs: z.array(z.object({ stock: z.string(), quantity: z.number(), byS: z.number() })),
  tools: z.array(z.string()),
  mixed: z.array(z.object({ ink: z.string(), stone: z.string(), kg: z.number() })).default([]),
  of: z.object({ core: z.string(), spec: z.string(), plant: z.string(), shelf: z.string() }),
});

/** What a row of the list carries of it. The picture is an address of its own, which a browser keeps. */
export const ListSummary = Summary.omit({ of: true, needs: true, tools: true, mixed: true });

export const OrderRow = z.object({
  job: z.uuid(),
  number: z.number().int(),
  title: z.string(),
  customer: z.string(),
  quantity: z.number().int(),
  state: z.enum(JOB_STATES),
  dueAt: z.number().nullable(),
  version: z.number().int(),
  summary: ListSummary,
});
export type OrderRow = z.infer<typeof OrderRow>;

/** Which orders: words that begin a word of title, customer or number; a state, or what blocks a release. */
const filter = {
  find: z.string().trim().max(80).optional(),
  state: z.enum(['all', 'draft', 'blocked', 'late', 'released', 'delivered']).optional(),
};
export type OrderFilter = z.infer<z.ZodObject<typeof filter>>;
export const ORDER_SORTS = ['due', 'customer', 'newest'] as const;
export const OrderTotals = z.object({
  orders: z.number().int(),
  machineS: z.number(),
  sheets: z.number(),
  metres: z.number(),
  undecided: z.number().int(),
});
export type OrderTotals = z.infer<typeof OrderTotals>;

/** An order as its page shows it: what was ordered, what is delivered when and where, which jobs make it, and how it adds up. */
export const OrderPage = z.object({
  id: z.uuid(),
  number: z.number().int(),
  customer: z.string(),
  madeAt: z.number(),
  by: z.string(),
  lines: z.array(
    z.object({
      id: z.uuid(),
      title: z.string(),
      quantity: z.number().int(),
      deliveries: z.array(
        z.object({ nr: z.number().int(), by: z.string(), dueAt: z.number(), quantity: z.number().int(), to: z.string() }),
      ),
      jobs: z.array(
        z.object({
          job: z.uuid(),
          number: z.number().int(),
          title: z.string(),
          item: z.string(),
          state: z.enum(JOB_STATES),
          readyAt: z.number(),
          money: z.number(),
          good: z.number(),
          orders: z.number().int(),
        }),
      ),
    }),
  ),
});
export type OrderPage = z.infer<typeof OrderPage>;

export const NewOrder = z.strictObject({ id: z.uuid(), customer: z.uuid('names a customer'), spec: JobSpecSchema });

const EXAMPLE = '00000000-0000-4000-8000-000000000000';
export const orders = {
  'customers.list': {
    method: 'get',
    path: '/api/customers',
    who: ['planner', 'admin'],
    says: 'Customers by name.',
    reply: z.array(Customer),
  },
  'customers.create': {
    method: 'post',
    path: '/api/customers',
    who: ['planner', 'admin'],
    says: 'Enters a customer; the same id twice is the same customer.',
    body: NewCustomer,
    reply: Customer,
    example: { body: { id: EXAMPLE, name: 'Example customer', address: '' } },
  },
  'orders.list': {
    method: 'get',
    path: '/api/orders',
    who: 'signed-in',
    says: 'A page of the orders in hand, after the place named; the next due first, or by customer, or the newest first.',
    query: z.strictObject({
      ...filter,
      sort: z.enum(ORDER_SORTS).default('due'),
      after: z.string().max(400).optional(),
      rows: z.coerce.number().int().min(1).max(200).default(100),
    }),
    reply: z.object({ rows: z.array(OrderRow), next: z.string().nullable() }),
  },
  'orders.totals': {
    method: 'get',
    path: '/api/orders/totals',
    who: 'signed-in',
    says: 'Sums over all orders that are chosen, not over a page.',
    query: z.strictObject(filter),
    reply: OrderTotals,
  },
  'orders.csv': {
    method: 'get',
    path: '/api/orders.csv',
    who: 'signed-in',
    says: 'The orders that are chosen as CSV, at most 50,000; what a spreadsheet would take for a formula is made plain text.',
    query: z.strictObject(filter),
    reply: 'file',
    mime: 'text/csv',
  },
  'orders.json': {
    method: 'get',
    path: '/api/orders.json',
    who: 'signed-in',
    says: 'The same as JSON.',
    query: z.strictObject(filter),
    reply: 'file',
    mime: 'application/json',
  },
  'orders.read': {
    method: 'get',
    path: '/api/orders/:id',
    who: 'signed-in',
    says: 'An order with its lines, deliveries and the jobs that make them.',
    params: z.strictObject({ id: z.uuid() }),
    reply: OrderPage,
    example: { params: { id: '00000000-0000-4000-8000-000000000000' } },
  },
  'customers.last': {
    method: 'get',
    path: '/api/customers/:id/last',
    who: ['planner', 'admin'],
    says: 'The newest jobs of a customer, to start from one of them.',
    params: z.strictObject({ id: z.uuid() }),
    reply: z.array(z.object({ job: z.uuid(), number: z.number().int(), title: z.string(), quantity: z.number().int() })),
    example: { params: { id: '00000000-0000-4000-8000-000000000000' } },
  },
  'orders.create': {
    method: 'post',
    path: '/api/orders',
    who: ['planner'],
    says: 'Enters an order with its job; the same id twice is the same order.',
    body: NewOrder,
    reply: z.object({ job: z.uuid(), number: z.number().int() }),
    example: { body: { id: EXAMPLE, customer: EXAMPLE, spec: {} } },
  },
} as const satisfies Record<string, Endpoint>;
