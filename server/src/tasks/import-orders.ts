import { createHash } from 'node:crypto';
import { availableParallelism } from 'node:os';
import type { Customer } from '@druckerei/contract';
import { z } from 'zod';
import { inTransaction } from '../db/pool';
import { notFound } from '../errors';
import { notifyChanged } from '../events/event-hub';
import { FILE_BY_HASH } from '../jobs/jobs.queries';
import { ADD_CUSTOMER, CUSTOMERS } from '../orders/orders.queries';
import { enterOrders } from '../orders/enter-orders';
import { plantInForce } from '../plants/read-plant';
import { readStore } from '../plants/shelf';
import type { TaskCtx, TaskWork } from './task-work';
import { IS_WANTED } from './tasks.queries';
import type { PlanMade, RowRead } from './thread-messages';

const Ask = z.object({ file: z.string() });
const MOST_THREADS = 4;

/** A uuid that is the same for the same words: an import tried again makes no order twice. RFC 9562, version 8 (own hash). */
function idFor(...words: (string | number)[]): string {
  const h = createHash('sha256').update(words.join('|')).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-8${h.slice(13, 16)}-a${h.slice(17, 20)}-${h.slice(20, 32)}`;
}

/** Makes an order of every good row of a file. Plans are made in threads, orders entered by the hundred; what was entered before a crash stays, and is not made again. */
export const importOrders: TaskWork = async (asked, cx) => {
  const { file } = Ask.parse(asked);
  const { db, threads, signal } = cx;
  const bytes = (await db.query<{ bytes: Buffer }>(FILE_BY_HASH, [file, 'text/csv'])).rows[0]?.bytes;
  if (!bytes) throw notFound('This file');
  const { read } = await threads.run({ kind: 'read', bytes, rows: true }, undefined, signal);
  const { customers, added } = await customersOf(read.rows, cx);
  const plant = await plantInForce(db);
  const store = await readStore(db, null);
  const share = Math.ceil(read.rows.length / Math.max(1, Math.min(availableParallelism(), MOST_THREADS)));
  const shares = Array.from({ length: Math.ceil(read.rows.length / Math.max(share, 1)) }, (_, i) =>
    read.rows.slice(i * share, (i + 1) * share),
  );
  let done = 0;
  let first: number | null = null;
  const enter = async (rows: readonly RowRead[], plans: readonly PlanMade[]): Promise<void> => {
    const orders = rows.flatMap((row, i) => {
      const [customer, made] = [customers.get(row.customer.toLowerCase()), plans[i]];
      return customer && made ? [{ id: idFor(cx.id, row.line), customer, spec: row.spec, made }] : [];
    });
    await inTransaction(db, async (client) => {
      const entered = await enterOrders(client, orders, { by: cx.by, plant });
      for (const { number } of entered.values()) first = Math.min(first ?? number, number);
      if ((await client.query(IS_WANTED, [cx.id, cx.attempt])).rowCount === 0) throw new Error('stopped');
    });
    done += rows.length;
    cx.tell(done, read.rows.length);
  };
  await Promise.all(
    shares.map(async (rows) => {
      // Entering follows planning; the thread plans on meanwhile.
      let entering = Promise.resolve();
      await threads.run(
        { kind: 'plans', plant: plant.plant, store, now: cx.now(), specs: rows.map((r) => r.spec) },
        (said) => {
          if (said.kind === 'planned') {
            entering = entering.then(() => enter(rows.slice(said.from, said.from + said.plans.length), said.plans));
            entering.catch(() => undefined); // heard below
          }
        },
        signal,
      );
      await entering;
    }),
  );
  await notifyChanged(db, { table: 'jobs', id: cx.id, version: 1, by: '' });
  return { made: done, customers: added, bad: read.bad, first };
};

type Named = Pick<Customer, 'id' | 'name'>;
/** Customers of the rows by name, whatever their case; those not known are entered. */
async function customersOf(rows: readonly RowRead[], { db, id }: TaskCtx): Promise<{ customers: Map<string, Named>; added: number }> {
  const known = new Map((await db.query<Customer>(CUSTOMERS)).rows.map((c): [string, Named] => [c.name.toLowerCase(), c]));
  let added = 0;
  for (const row of rows) {
    const key = row.customer.toLowerCase();
    if (known.has(key)) continue;
    const customer = { id: idFor(id, 'customer', key), name: row.customer.slice(0, 120) };
    await db.query(ADD_CUSTOMER, [customer.id, customer.name, Object.values(row.spec.items)[0]?.deliveries[0]?.to ?? '']);
    known.set(key, customer);
    added++;
  }
  return { customers: known, added };
}
