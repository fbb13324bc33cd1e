import type { BoardPage } from '@druckerei/contract';
import { DateTime } from 'luxon';

/** Hours of a machine on a day of the works: how long it is open from now on, and how much of that is taken. */
export interface DayLoad {
  /** 2026-12-03 */
  day: string;
  openH: number;
  takenH: number;
}
const DAYS = 21;
const HOUR_S = 3600;

/** What a machine has to do, day by day from today on. Work counts while its machine is open; on a bench it counts side by side, and may come to more than the hours. */
export function loadByDay(
  { asOf, timeZone, lanes, bars }: Pick<BoardPage, 'asOf' | 'timeZone' | 'lanes' | 'bars'>,
  machine: string,
): DayLoad[] {
  const open = lanes.find((l) => l.machine === machine)?.open ?? [];
  const mine = bars.filter((b) => b.machine === machine);
  const today = DateTime.fromSeconds(asOf, { zone: timeZone }).startOf('day');
  return Array.from({ length: DAYS }, (_, i) => {
    const from = Math.max(today.plus({ days: i }).toUnixInteger(), asOf);
    const until = today.plus({ days: i + 1 }).toUnixInteger();
    const within = open.flatMap(([a, b]): [number, number][] => (b > from && a < until ? [[Math.max(a, from), Math.min(b, until)]] : []));
    const shared = (a: number, b: number): number => within.reduce((sum, [c, d]) => sum + Math.max(0, Math.min(b, d) - Math.max(a, c)), 0);
    return {
      day: today.plus({ days: i }).toISODate() ?? '',
      openH: shared(from, until) / HOUR_S,
      takenH: mine.reduce((sum, bar) => sum + shared(bar.start, bar.end), 0) / HOUR_S,
    };
  });
}

/** The machine with the most to do of its open hours in the coming days. */
export function busiest(page: Pick<BoardPage, 'asOf' | 'timeZone' | 'lanes' | 'bars'>): string {
  const share = (machine: string): number => {
    const days = loadByDay(page, machine);
    const open = days.reduce((sum, d) => sum + d.openH, 0);
    return open > 0 ? days.reduce((sum, d) => sum + d.takenH, 0) / open : 0;
  };
  return page.lanes.reduce((best, { machine }) => (best !== '' && share(best) >= share(machine) ? best : machine), '');
}
