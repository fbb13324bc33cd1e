import type { OrderFilter, orders } from '@druckerei/contract';
import { type Ctx, signedIn } from '../context';
import { type Db, inTransaction, PLAN_FOR_VALUES } from '../db/pool';
import { many, maybeOne, one } from '../db/rows';
import { invalid, notFound, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import type { Handlers } from '../implement';
import { csvFile, jsonFile } from '../files/csv-file';
import { plantInForce } from '../plants/read-plant';
import { planFor } from '../jobs/plan-for';
import { WrittenJson } from '../replies';
import { enterOrders } from './enter-orders';
import { afterOf, chosenBy, cursorOf, FIRST } from './order-list';
import {
  ADD_CUSTOMER,
  type Chosen,
  CUSTOMER_BY_ID,
  CUSTOMER_JOBS,
  CUSTOMERS,
  LINE_JOBS,
  ORDER_BY_ID,
  ORDER_DELIVERIES,
  ORDER_EXPORT,
  ORDER_JOB,
  ORDER_LINES,
  ORDER_PAGES,
  ORDER_TOTALS,
} from './orders.queries';

export const ordersHandlers: Handlers<typeof orders> = {
  'customers.list': async (_asked, ctx) => await many(ctx.db, CUSTOMERS),
  'customers.create': async ({ body }, ctx) => {
    await ctx.db.query(ADD_CUSTOMER, [body.id, body.name, body.address]).catch((e: unknown) => {
      if ((e as { code?: string }).code === '23505') throw new Refused(409, 'name-taken', `There is a customer “${body.name}” already.`);
      throw e;
    });
    return await one(ctx.db, CUSTOMER_BY_ID, [body.id]);
  },
  'orders.list': async ({ query }, ctx) => {
    const { sort, rows: most } = query;
    const [key, number] = query.after === undefined ? FIRST[sort] : afterOf(query.after);
    const chosen = chosenBy(query, ctx.now());
    const page = await searched(ctx, chosen, (db) => one(db, ORDER_PAGES[sort](chosen), [...chosen, key, number, most]));
    const next = page.key !== null && page.number !== null ? cursorOf(page.key, page.number) : null;
    return new WrittenJson(`{"rows":${page.rows},"next":${JSON.stringify(next)}}`);
  },
  'orders.totals': async ({ query }, ctx) => {
    const chosen = chosenBy(query, ctx.now());
    return await searched(ctx, chosen, (db) => one(db, ORDER_TOTALS(chosen), chosen));
  },
  'orders.create': ({ body }, ctx) => {
    const by = signedIn(ctx);
    return inTransaction(ctx.db, async (db) => {
      const customer = await maybeOne(db, CUSTOMER_BY_ID, [body.customer]);
      if (!customer) throw invalid([{ path: 'customer', says: 'is not in the list of customers' }]);
      const plant = await plantInForce(db);
      const made = await planFor(db, null, body.spec, plant.plant, ctx.now(), customer);
      const entered = (await enterOrders(db, [{ id: body.id, customer, spec: body.spec, made }], { by: by.id, plant })).get(body.id);
      if (!entered) return await one(db, ORDER_JOB, [body.id]); // clicked twice
      await notifyChanged(db, { table: 'jobs', id: entered.job, version: 1, by: by.name });
      return entered;
    });
  },

  'orders.csv': async ({ query }, ctx) => csvFile('orders.csv', await exported(ctx, query)),
  'orders.json': async ({ query }, ctx) => jsonFile('orders.json', await exported(ctx, query)),

  'orders.read': async ({ params }, ctx) => {
    const head = await maybeOne(ctx.db, ORDER_BY_ID, [params.id]);
    if (!head) throw notFound('This order');
    const lines = await many(ctx.db, ORDER_LINES, [params.id]);
    const deliveries = await many(ctx.db, ORDER_DELIVERIES, [params.id]);
    const jobs = await many(ctx.db, LINE_JOBS, [params.id]);
    return {
      ...head,
      lines: lines.map((l) => ({
        ...l,
        deliveries: deliveries.filter((d) => d.line === l.id),
        jobs: jobs.filter((j) => j.line === l.id),
      })),
    };
  },

  'customers.last': async ({ params }, ctx) => await many(ctx.db, CUSTOMER_JOBS, [params.id]),
};

/** Words are rare or stand in every title: the way to what they find is chosen for just these. */
const searched = <T>(ctx: Ctx, [words]: Chosen, work: (db: Db) => Promise<T>): Promise<T> =>
  words === ''
    ? work(ctx.db)
    : inTransaction(ctx.db, async (db) => {
        await db.query(PLAN_FOR_VALUES);
        return work(db);
      });

/** The chosen orders as rows for a file. */
async function exported(ctx: Ctx, filter: OrderFilter): Promise<Record<string, string | number>[]> {
  const chosen = chosenBy(filter, ctx.now());
  return await searched(ctx, chosen, (db) => many(db, ORDER_EXPORT(chosen), [...chosen, MOST_EXPORTED]));
}
const MOST_EXPORTED = 50_000;
