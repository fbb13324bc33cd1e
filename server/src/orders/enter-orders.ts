import { randomUUID } from 'node:crypto';
import { type JobSpec, orderedQuantity, type Plant } from '@druckerei/core';
import type { Db } from '../db/pool';
import { many } from '../db/rows';
import { deliveryRows, type PlannedJob } from '../jobs/plan-for';
import { ENTER_DELIVERIES, ENTER_EVENTS, ENTER_ITEMS, ENTER_JOBS, ENTER_LINES, ENTER_ORDERS, ENTER_SPECS } from './enter-orders.queries';

/** An order to be entered, planned already. */
export interface OrderToEnter {
  id: string;
  customer: { id: string; name: string };
  spec: JobSpec;
  made: Pick<PlannedJob, 'summary' | 'picture'>;
}
export interface OrderEntered {
  job: string;
  number: number;
}

/**
 * Enters orders with their jobs, one or thousands, in eight statements; part of the caller's transaction. Orders that are there already (the same id) are
 * left alone and missing in the answer.
 */
export async function enterOrders(
  db: Db,
  orders: readonly OrderToEnter[],
  { by, plant }: { by: string; plant: { hash: string; plant: Plant } },
): Promise<Map<string, OrderEntered>> {
  const rows = (of: readonly unknown[]): string => JSON.stringify(of);
  const numbers = new Map(
    (await many(db, ENTER_ORDERS, [rows(orders.map((o) => ({ id: o.id, customer: o.customer.id }))), by])).map((r) => [r.id, r.number]),
  );
  const entered = orders.flatMap((o) => {
    const number = numbers.get(o.id);
    return number === undefined ? [] : [{ ...withLines(o.spec), order: o, number, job: randomUUID() }];
  });
  const lines = entered.flatMap((e) =>
    e.lines.map(([item, line]) => ({
      ...e,
      item,
      line,
      deliveries: deliveryRows(e.spec, item, plant.plant),
      quantity: quantityOf(e.spec, item),
    })),
  );
  await db.query(ENTER_JOBS, [
    rows(
      entered.map(({ job, number, order, spec }) => {
        const mine = lines.filter((l) => l.job === job);
        const due = Math.min(...mine.flatMap((l) => l.deliveries.map((d) => d.at)));
        return {
          id: job,
          number,
          title: spec.name,
          summary: order.made.summary,
          picture: order.made.picture,
          customer: order.customer.name,
          quantity: mine.reduce((sum, l) => sum + l.quantity, 0),
          due: Number.isFinite(due) ? due : null,
        };
      }),
    ),
  ]);
  await db.query(ENTER_LINES, [rows(lines.map((l) => ({ id: l.line, order: l.order.id, title: l.spec.name, quantity: l.quantity })))]);
  await db.query(ENTER_ITEMS, [rows(lines.map(({ job, item, line }) => ({ job, item, line })))]);
  await db.query(ENTER_DELIVERIES, [rows(lines.flatMap((l) => l.deliveries.map((d, i) => ({ line: l.line, nr: i + 1, ...d }))))]);
  await db.query(ENTER_SPECS, [rows(entered.map(({ job, spec }) => ({ job, spec, key: randomUUID() }))), plant.hash, by]);
  await db.query(ENTER_EVENTS, [
    rows(entered.map(({ job, number, spec }) => ({ job, detail: { number, ...(spec.again !== undefined && { again: spec.again }) } }))),
    by,
  ]);
  return new Map(entered.map(({ order, job, number }) => [order.id, { job, number }]));
}

/** Items with order lines of their own, fresh for a new order. */
function withLines(spec: JobSpec): { spec: JobSpec; lines: [item: string, line: string][] } {
  const lines = Object.keys(spec.items).map((item): [string, string] => [item, randomUUID()]);
  const lineOf = new Map(lines);
  const items = Object.fromEntries(Object.entries(spec.items).map(([id, item]) => [id, { ...item, orderLine: lineOf.get(id) ?? null }]));
  return { lines, spec: { ...spec, items } };
}

function quantityOf(spec: JobSpec, item: string): number {
  const found = spec.items[item];
  return found ? orderedQuantity(found) : 0;
}
