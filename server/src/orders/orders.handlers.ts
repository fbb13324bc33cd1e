import { randomUUID } from 'node:crypto';
import type { Customer, orders, OrderRow, OrderTotals } from '@druckerei/contract';
import type { JobSpec } from '@druckerei/core';
import { signedIn } from '../context';
import { inTransaction } from '../db/pool';
import { Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import type { Handlers } from '../implement';
import { plantInForce } from '../plants/shelf';
import { ADD_EVENT, ADD_ITEM, ADD_JOB, ADD_SPEC } from '../jobs/jobs.queries';
import { planFor, writeLines } from '../jobs/plan-for';
import { afterOf, chosenBy, cursorOf, FIRST } from './order-list';
import { ADD_CUSTOMER, ADD_LINE, ADD_ORDER, CUSTOMER_BY_ID, CUSTOMERS, ORDER_JOB, ORDER_PAGES, ORDER_TOTALS } from './orders.queries';

export const ordersHandlers: Handlers<typeof orders> = {
  'customers.list': async (_asked, ctx) => (await ctx.db.query<Customer>(CUSTOMERS)).rows,
  'customers.create': async ({ body }, ctx) => {
    await ctx.db.query(ADD_CUSTOMER, [body.id, body.name, body.address]).catch((e: unknown) => {
      if ((e as { code?: string }).code === '23505') throw new Refused(409, 'name-taken', `There is a customer “${body.name}” already.`);
      throw e;
    });
    return (await ctx.db.query<Customer>(CUSTOMER_BY_ID, [body.id])).rows[0] as Customer;
  },
  'orders.list': async ({ query }, ctx) => {
    const { sort, rows: most } = query;
    const [key, number] = query.after === undefined ? FIRST[sort] : afterOf(query.after);
    const { rows } = await ctx.db.query<OrderRow & { dueKey: string }>(ORDER_PAGES[sort], [...chosenBy(query), key, number, most + 1]);
    const page = rows.slice(0, most);
    const last = page.at(-1);
    return {
      rows: page,
      next: rows.length > most && last ? cursorOf(sort === 'customer' ? last.customer : last.dueKey, last.number) : null,
    };
  },
  'orders.totals': async ({ query }, ctx) => (await ctx.db.query<OrderTotals>(ORDER_TOTALS, chosenBy(query))).rows[0] as OrderTotals,
  'orders.create': async ({ body }, ctx) => {
    const by = signedIn(ctx);
    return inTransaction(ctx.db, async (db) => {
      const customer = (await db.query<Customer>(CUSTOMER_BY_ID, [body.customer])).rows[0];
      if (!customer)
        throw new Refused(400, 'invalid', 'Some fields need another look.', {
          fields: [{ path: 'customer', says: 'is not in the list of customers' }],
        });
      const made = (await db.query<{ number: number }>(ADD_ORDER, [body.id, body.customer, by.id])).rows[0];
      if (!made) return (await db.query<{ job: string; number: number }>(ORDER_JOB, [body.id])).rows[0] as { job: string; number: number };
      const job = randomUUID();
      const { hash, plant } = await plantInForce(db);
      const lines = new Map(Object.keys(body.spec.items).map((item) => [item, randomUUID()]));
      const spec: JobSpec = {
        ...body.spec,
        items: Object.fromEntries(Object.entries(body.spec.items).map(([id, item]) => [id, { ...item, orderLine: lines.get(id) ?? null }])),
      };
      const { summary, picture } = await planFor(db, spec, plant, ctx.now(), customer);
      await db.query(ADD_JOB, [job, made.number, spec.name, JSON.stringify(summary), picture]);
      for (const [item, line] of lines) {
        await db.query(ADD_LINE, [line, body.id, spec.name, 1]);
        await db.query(ADD_ITEM, [job, item, line]);
      }
      await writeLines(db, spec, plant, job);
      await db.query(ADD_SPEC, [job, 1, JSON.stringify(spec), hash, '[]', by.id, randomUUID()]);
      await db.query(ADD_EVENT, [by.id, 'order.entered', job, JSON.stringify({ number: made.number })]);
      await notifyChanged(db, { table: 'jobs', id: job, version: 1, by: by.name });
      return { job, number: made.number };
    });
  },
};
