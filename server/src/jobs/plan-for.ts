import { type JobSpec, orderedQuantity, type Plan, type Plant, type Shelf, thumbnailSvg } from '@druckerei/core';
import { type Planned, planned, type PlanSummary, summaryOf } from '@druckerei/core/planning';
import type { Db } from '../db/pool';
import { invalid } from '../errors';
import { SET_LINES, SET_LIST_KEYS } from '../orders/orders.queries';
import { momentOf } from '../plants/calendar';
import { cutShelf } from '../plants/shelf';

export interface PalletRule {
  palletKg: number | null;
  palletMm: number | null;
}
export const palletLimitOf = ({ palletKg, palletMm }: PalletRule): Shelf['palletLimit'] =>
  palletKg !== null && palletMm !== null ? { kg: palletKg, heightMm: palletMm } : undefined;

export interface PlannedJob {
  shelf: Shelf;
  planned: Planned;
  plan: Plan;
  summary: PlanSummary;
  picture: string;
}

/** The server's own plan of a specification: the client never sends one. `job` is whose reservations, gates and early releases count. */
export async function planFor(
  db: Db,
  job: string | null,
  spec: JobSpec,
  plant: Plant,
  now: number,
  customer: PalletRule,
): Promise<PlannedJob> {
  return plannedOn(await cutShelf(db, { plant, spec, now, palletLimit: palletLimitOf(customer), job }), spec, plant);
}

export function plannedOn(shelf: Shelf, spec: JobSpec, plant: Plant): PlannedJob {
  const made = planned(spec, plant, shelf);
  return { shelf, planned: made, plan: made.plan, summary: summaryOf(made.plan, spec, plant, shelf), picture: thumbnailSvg(spec, plant) };
}

/** A delivery as a row: its moment, how much, where to. */
export interface DeliveryRow {
  by: string;
  at: number;
  quantity: number;
  to: string;
}
/** Deliveries of an item as rows; refused where a date is none of the calendar. */
export function deliveryRows(spec: JobSpec, item: string, plant: Plant): DeliveryRow[] {
  return (spec.items[item]?.deliveries ?? []).map((d, i) => {
    const at = momentOf(d.by, plant.timeZone);
    if (at === null) throw invalid([{ path: `items.${item}.deliveries.${i}.by`, says: 'is not a day of the calendar' }]);
    return { by: d.by, at, quantity: Object.values(d.share).reduce((a, b) => a + b, 0), to: d.to };
  });
}

/** Lines and deliveries as rows, so that lists can sort by what was promised. The specification stays the source. */
export async function writeLines(db: Db, spec: JobSpec, plant: Plant, job: string): Promise<void> {
  const lines = Object.entries(spec.items).flatMap(([id, item]) => {
    const deliveries = deliveryRows(spec, id, plant).map((d, i) => ({ line: item.orderLine, nr: i + 1, ...d }));
    return item.orderLine === null ? [] : [{ line: item.orderLine, title: spec.name, quantity: orderedQuantity(item), deliveries }];
  });
  if (lines.length > 0)
    await db.query(SET_LINES, [
      JSON.stringify(lines.map(({ deliveries, ...line }) => ({ ...line, most: deliveries.length }))),
      JSON.stringify(lines.flatMap((line) => line.deliveries)),
    ]);
  await db.query(SET_LIST_KEYS, [job]);
}
