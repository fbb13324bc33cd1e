import { z } from 'zod';
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

export const JOB_STATES = ['draft', 'released'] as const;
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
  of: z.object({ core: z.string(), spec: z.string(), plant: z.string(), shelf: z.string() }),
});

/** What a row of the list carries of it. The picture is an address of its own, which a browser keeps. */
export const ListSummary = Summary.omit({ of: true });

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
  state: z.enum(['all', 'draft', 'blocked', 'released']).optional(),
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
