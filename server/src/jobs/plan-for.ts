import {
  type JobSpec,
  orderedQuantity,
  type Plan,
  type Plant,
  type Planned,
  planned,
  type PlanSummary,
  type Shelf,
  summaryOf,
  thumbnailSvg,
} from '@druckerei/core';
import type { Db } from '../db/pool';
import { Refused } from '../errors';
import { ADD_DELIVERY, DROP_DELIVERIES, SET_LINE, SET_LIST_KEYS } from '../orders/orders.queries';
import { cutShelf, momentOf } from '../plants/shelf';

export interface PalletRule {
  palletKg: number | null;
  palletMm: number | null;
}

/** The server's own plan of a specification: the client never sends one. */
export async function planFor(
  db: Db,
  spec: JobSpec,
  plant: Plant,
  now: number,
  customer: PalletRule,
): Promise<{ shelf: Shelf; planned: Planned; plan: Plan; summary: PlanSummary; picture: string }> {
  const palletLimit =
    customer.palletKg !== null && customer.palletMm !== null ? { kg: customer.palletKg, heightMm: customer.palletMm } : undefined;
  const shelf = await cutShelf(db, { plant, spec, now, palletLimit });
  const made = planned(spec, plant, shelf);
  return { shelf, planned: made, plan: made.plan, summary: summaryOf(made.plan, spec, plant, shelf), picture: thumbnailSvg(spec) };
}

/** Lines and deliveries as rows, so that lists can sort by what was promised. The specification stays the source. */
export async function writeLines(db: Db, spec: JobSpec, plant: Plant, job: string): Promise<void> {
  for (const [id, item] of Object.entries(spec.items)) {
    if (item.orderLine === null) continue;
    await db.query(SET_LINE, [item.orderLine, spec.name, orderedQuantity(item)]);
    await db.query(DROP_DELIVERIES, [item.orderLine]);
    for (const [i, d] of item.deliveries.entries()) {
      const at = momentOf(d.by, plant.timeZone);
      if (at === null)
        throw new Refused(400, 'invalid', 'Some fields need another look.', {
          fields: [{ path: `items.${id}.deliveries.${i}.by`, says: 'is not a day of the calendar' }],
        });
      await db.query(ADD_DELIVERY, [item.orderLine, i + 1, d.by, at, Object.values(d.share).reduce((a, b) => a + b, 0), d.to]);
    }
  }
  await db.query(SET_LIST_KEYS, [job]);
}
