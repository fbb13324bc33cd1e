import type { Id } from '../quantity/figure';
import type { At, Crew, Lane, Problem } from './problem';

/** So much longer a machine is worked where that is asked, s. House rule. */
export const OVERTIME_S = 7_200;

/**
 * Hours of a machine that is worked longer: so many seconds behind the end of every day. A closing shorter than that is a break, and stays one.
 *
 * @example longerHours([[0, 28_800], [30_600, 57_600], [108_000, 144_000]], 7_200) // [[0, 28_800], [30_600, 64_800], [108_000, 151_200]]
 */
export function longerHours(open: Lane['open'], byS: number): [number, number][] {
  return open.map(([from, to], i): [number, number] => {
    const next = open[i + 1]?.[0] ?? Infinity;
    return [from, next - to > byS ? to + byS : to];
  });
}

/** A board with a machine worked longer every day; the people it takes stay with it. */
export function withOvertime(p: Problem, machine: Id<'machine'>, byS = OVERTIME_S): Problem {
  const lane = p.lanes[machine];
  if (!lane) return p;
  const open = longerHours(lane.open, byS);
  const hands = Math.max(0, ...Object.values(p.work).flatMap((w) => w.ways.flatMap((way) => (way.machine === machine ? [way.hands] : []))));
  const longer = open.flatMap(([, to], i): [At, At, number][] =>
    to > (lane.open[i]?.[1] ?? to) ? [[lane.open[i]?.[1] ?? to, to, hands]] : [],
  );
  const crews = Object.fromEntries(
    Object.entries(p.crews).map(([id, crew]) => [
      id,
      crew.of.includes(machine) ? { ...crew, present: inOrder([...crew.present, ...longer]) } : crew,
    ]),
  );
  return { ...p, crews, lanes: { ...p.lanes, [machine]: { ...lane, open } } };
}
const inOrder = (present: Crew['present'][number][]): Crew['present'] => present.sort((a, b) => a[0] - b[0]);
