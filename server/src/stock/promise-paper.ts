import { randomUUID } from 'node:crypto';
import type { StockNeed } from '@druckerei/core/planning';
import type { Db } from '../db/pool';
import { many } from '../db/rows';
import { notifyChanged } from '../events/event-hub';
import { ADD_RESERVATION, END_RESERVATIONS_OF_JOB, FREE_LOTS } from './stock.queries';

interface Promised {
  job: string;
  by: { id: string; name: string };
  /** Why what the job held before is given free. */
  reason: string;
}

/**
 * A release promises paper: what the plan pulls of the works' stock is reserved for the job, lot by lot, the oldest first, in place of what it held before. What is not
 * there is not promised; the findings have said so. Every job that counts on the same lots is told.
 */
export async function promisePaper(db: Db, needs: readonly StockNeed[], { job, by, reason }: Promised): Promise<void> {
  const ended = await many(db, END_RESERVATIONS_OF_JOB, [job, reason]);
  const touched = new Set(ended.map((r) => r.lot));
  const wanted = new Map<string, number>();
  for (const { stock, quantity } of needs) wanted.set(stock, (wanted.get(stock) ?? 0) + Math.ceil(quantity));
  for (const [stock, quantity] of wanted) {
    let left = quantity;
    for (const { lot, free } of await many(db, FREE_LOTS, [stock])) {
      if (left <= 0) break;
      const taken = Math.min(left, free);
      await db.query(ADD_RESERVATION, [randomUUID(), job, lot, taken, by.id]);
      touched.add(lot);
      left -= taken;
    }
  }
  for (const lot of touched) await notifyChanged(db, { table: 'stock', id: lot, version: 1, by: by.name });
}
