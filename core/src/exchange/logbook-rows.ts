import { allowedCycles, type LogRow } from '../counts/logbook';
import type { Plant } from '../plant/plant';
import { PROCESS_WORDS } from '../words/en';

/** The logbook as rows for a spreadsheet: a line a step, numbers as numbers, moments as ISO 8601 in UTC, stops and waste with a column a reason. */
export function logRows(rows: readonly LogRow[], plant: Pick<Plant, 'machines' | 'stocks'>): Record<string, string | number>[] {
  const reasons = (of: (r: LogRow) => object): string[] => [...new Set(rows.flatMap((r) => Object.keys(of(r))))].sort();
  const stops = reasons((r) => r.stops);
  const wastes = reasons((r) => r.waste);
  return rows.map((r) => ({
    job: r.job,
    product: r.title,
    customer: r.customer,
    stock: r.stocks.map((id) => plant.stocks[id]?.name ?? id).join('; '),
    work: PROCESS_WORDS[r.process] ?? r.process,
    machine: plant.machines[r.machine]?.name ?? r.machine,
    ended: new Date(r.at * 1000).toISOString(),
    'cycles run': r.cycles,
    'cycles lost running': r.lost,
    'cycles lost setting up': r.setup,
    'cycles set aside': allowedCycles(r),
    'setup s': r.setupS,
    'run s': r.runS,
    'cycles an hour planned': Math.round(r.planPerHour),
    ...Object.fromEntries(stops.map((reason) => [`stopped s, ${reason}`, r.stops[reason]?.seconds ?? 0])),
    ...Object.fromEntries(wastes.map((reason) => [`waste kg, ${reason}`, (r.waste[reason] ?? 0) * r.pieceKg])),
    'samples kg': r.samples * r.pieceKg,
    'destroyed kg': r.destroyed * r.pieceKg,
  }));
}
