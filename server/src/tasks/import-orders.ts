import { createHash } from 'node:crypto';
import { availableParallelism } from 'node:os';
import type { BadRow, Customer } from '@druckerei/contract';
import * as z from 'zod';
import { inTransaction } from '../db/pool';
import { many } from '../db/rows';
import { notifyChanged } from '../events/event-hub';
import { readUpload } from '../files/uploads';
import { ADD_CUSTOMER, CUSTOMERS } from '../orders/orders.queries';
import { enterOrders } from '../orders/enter-orders';
import { plantInForce } from '../plants/read-plant';
import { readStore } from '../plants/shelf';
import type { TaskCtx, TaskWork } from './task-work';
import { IS_WANTED } from './tasks.queries';
import { BAD_SHOWN } from './read-orders';
import type { RowPlanned, RowRead } from './thread-messages';

const Ask = z.object({ file: z.string() });
const MOST_THREADS = 4;

/** A uuid that is the same for the same words: a row of a file is one order, however often and by whom the file is imported. RFC 9562, version 8 (own hash). */
function idFor(...words: (string | number)[]): string {
  const h = createHash('sha256').update(words.join('|')).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-8${h.slice(13, 16)}-a${h.slice(17, 20)}-${h.slice(20, 32)}`;
}

/** Makes an order of every good row of a file. Rows are read and planned in threads, orders entered by the hundred; what was entered before a crash stays, and is not made again. */
export const importOrders: TaskWork = async (asked, cx) => {
  const { file } = Ask.parse(asked);
  const { db, threads, signal } = cx;
  const bytes = await readUpload(db, file, signal);
  const plant = await plantInForce(db);
  const store = await readStore(db, null, cx.now());
  const customers = new Customers(cx, file, await many(db, CUSTOMERS));
  const bad: BadRow[] = [];
  let [made, there, first] = [0, 0, null as number | null];
  const enter = async ({ rows, ...said }: { rows: RowPlanned[]; bad: BadRow[]; of: number }): Promise<void> => {
    const orders = await Promise.all(
      rows.map(async (row) => ({ ...row, id: idFor(file, row.line), customer: await customers.named(row) })),
    );
    let fresh = 0;
    await inTransaction(db, async (client) => {
      const entered = await enterOrders(client, orders, { by: cx.by, plant });
      for (const { number } of entered.values()) first = Math.min(first ?? number, number);
      fresh = entered.size;
      if ((await client.query(IS_WANTED, [cx.id, cx.attempt])).rowCount === 0) throw new Error('stopped');
    });
    made += fresh;
    there += rows.length - fresh;
    bad.push(...said.bad);
    cx.tell(made + there + bad.length, said.of);
  };
  const every = Math.max(1, Math.min(availableParallelism(), MOST_THREADS));
  await Promise.all(
    Array.from({ length: every }, async (_, share) => {
      // Entering follows planning; the thread plans on meanwhile.
      let entering = Promise.resolve();
      await threads.run(
        { kind: 'plans', bytes, first: share, every, plant: plant.plant, store, now: cx.now() },
        (said) => {
          if (said.kind !== 'planned') return;
          entering = entering.then(() => enter(said));
          entering.catch(() => undefined); // heard below
        },
        signal,
      );
      await entering;
    }),
  );
  await notifyChanged(db, { table: 'jobs', id: cx.id, version: 1, by: '' });
  return { made, there, customers: customers.added, bad: bad.sort((a, b) => a.line - b.line).slice(0, BAD_SHOWN), first };
};

type Named = Pick<Customer, 'id' | 'name'>;
/** Customers by name, whatever their case; one not known is entered with the address of its first order. */
class Customers {
  added = 0;
  private readonly known: Map<string, Promise<Named>>;

  constructor(
    private readonly cx: TaskCtx,
    private readonly file: string,
    customers: readonly Named[],
  ) {
    this.known = new Map(customers.map((c) => [c.name.toLowerCase(), Promise.resolve(c)]));
  }

  named(row: RowRead): Promise<Named> {
    const key = row.customer.toLowerCase();
    const known = this.known.get(key) ?? this.enter(key, row);
    this.known.set(key, known);
    return known;
  }

  private async enter(key: string, { customer, spec }: RowRead): Promise<Named> {
    const made = { id: idFor(this.file, 'customer', key), name: customer.slice(0, 120) };
    this.added++;
    await this.cx.db.query(ADD_CUSTOMER, [made.id, made.name, Object.values(spec.items)[0]?.deliveries[0]?.to ?? '']);
    return made;
  }
}
