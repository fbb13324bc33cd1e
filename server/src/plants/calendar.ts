import { DateTime } from 'luxon';
import { allOf, anyOf, atLeast, type Calendar, type Intervals, type Person, type Plant, without } from '@druckerei/core';
import type { Crew } from '@druckerei/core/board';

/** Hours are known so many days ahead. */
export const DAYS_AHEAD = 60;

/** A plant-local date and time as a moment. Null for a date that is none (30 February). */
export function momentOf(local: string, timeZone: string): number | null {
  const at = DateTime.fromISO(local, { zone: timeZone });
  return at.isValid ? at.toUnixInteger() : null;
}

/** A moment as the plant's clock shows it, to the minute: 2026-12-03T14:00. */
export const localMoment = (atS: number, timeZone: string): string =>
  DateTime.fromSeconds(atS, { zone: timeZone }).toFormat("yyyy-MM-dd'T'HH:mm");

/** The plant's opening hours as UTC intervals, from today on: core knows no calendar and no time zone. */
export function openHours(plant: Plant, fromS: number, days = DAYS_AHEAD): Intervals {
  return daysFrom(plant, fromS, days).flatMap((day) =>
    (plant.hours[String(day.weekday)] ?? []).map(([from, to]) => stretch(day, from, to)),
  );
}

/**
 * When each machine runs: its shifts (else the hours of the house) without breaks and closed days; where people are named for it, only while as many of
 * them are present as its crew. `any` stands for every machine without a calendar of its own.
 */
export function machineHours(plant: Plant, fromS: number, days = DAYS_AHEAD): Record<string, Intervals> {
  const house = openHours(plant, fromS, days);
  const { calendar } = plant;
  if (!calendar) return { any: house };
  const closed = Object.values(calendar.closed);
  const away = (machine: string | null): Intervals[] =>
    closed.filter((c) => c.machine === undefined || c.machine === machine).map((c) => [daysOff(plant, c)]);
  const any = without(house, away(null));
  const hours: Record<string, Intervals> = { any };
  for (const [id, { crew }] of Object.entries(plant.machines)) {
    const shifts = calendar.machines[id] ?? [];
    const people = Object.values(calendar.people).filter((p) => p.machines.includes(id));
    const stands = closed.some((c) => c.machine === id);
    if (shifts.length === 0 && people.length === 0 && !stands) continue;
    const own = without(shifts.length > 0 ? workedIn(plant, calendar, shifts, fromS, days) : house, away(id));
    const present = people.map((p) => presentOf(plant, p, fromS, days));
    hours[id] = people.length === 0 ? own : allOf([own, atLeast(present, crew)]);
  }
  return hours;
}

/** When a person works: the own shifts, else the hours of the house, but for days away. */
function presentOf(plant: Plant, { shifts, away }: Person, fromS: number, days: number): Intervals {
  const { calendar } = plant;
  const worked = calendar && shifts.length > 0 ? workedIn(plant, calendar, shifts, fromS, days) : openHours(plant, fromS, days);
  return without(worked, [away.map((a) => daysOff(plant, a))]);
}

/**
 * People who are named for several machines: machines that share any are one crew, in which whoever is present works on one at a time. A machine whose people are its
 * own needs none: its hours say when they are there. Of a crew anybody is taken to be able to do anything that is its own: who may do what stays with the hours of
 * each machine.
 */
export function sharedCrews(plant: Plant, fromS: number, changes: readonly HoursChange[] = [], days = DAYS_AHEAD): Record<string, Crew> {
  const people = Object.values(plant.calendar?.people ?? {});
  const groups: Set<string>[] = [];
  for (const { machines } of people) {
    if (machines.length < 2) continue;
    const joined = groups.filter((g) => machines.some((m) => g.has(m)));
    for (const g of joined) groups.splice(groups.indexOf(g), 1);
    groups.push(new Set([...machines, ...joined.flatMap((g) => [...g])]));
  }
  const hours = machineHours(plant, fromS, days);
  return Object.fromEntries(
    groups.map((group) => {
      const of = [...group].sort();
      const own = people.filter((p) => p.machines.some((m) => group.has(m)));
      const present = own.flatMap((p) => presentOf(plant, p, fromS, days).map(([from, to]): [number, number, number] => [from, to, 1]));
      // Who opens a machine beyond its hours brings its people.
      const longer = changes.filter((c) => c.opens && group.has(c.machine));
      const brought = longer.flatMap(({ machine, from, until }) =>
        without([[from, until]], [hours[machine] ?? hours['any'] ?? []]).map(([a, b]): [number, number, number] => [
          a,
          b,
          plant.machines[machine]?.crew ?? 1,
        ]),
      );
      return [of.join(' '), { of, present: [...present, ...brought].sort((a, b) => a[0] - b[0]) }];
    }),
  );
}

/** Hours of a machine that are other than its calendar: it stands, or is worked longer. */
export interface HoursChange {
  machine: string;
  from: number;
  until: number;
  opens: boolean;
}
/** Hours with what was changed of them, in the order in which it was. */
export function withChanges(hours: Readonly<Record<string, Intervals>>, changes: readonly HoursChange[]): Record<string, Intervals> {
  const made = { ...hours };
  for (const { machine, from, until, opens } of changes) {
    const own = made[machine] ?? made['any'] ?? [];
    made[machine] = opens ? anyOf([own, [[from, until]]]) : without(own, [[[from, until]]]);
  }
  return made;
}

/** Hours of some shifts, without their breaks. */
function workedIn(plant: Plant, calendar: Calendar, shifts: readonly string[], fromS: number, days: number): Intervals {
  // A night shift begun yesterday runs into today.
  const all = daysFrom(plant, fromS, days + 1, -1);
  return anyOf(
    shifts.flatMap((id): Intervals[] => {
      const shift = calendar.shifts[id];
      if (!shift) return [];
      return all
        .filter((day) => shift.days.includes(day.weekday))
        .map((day) => {
          const [from, to] = stretch(day, shift.from, shift.to);
          // A break before the shift begins is one after midnight.
          const breaks = shift.breaks.map(([a, b]) => stretch(a < shift.from ? day.plus({ days: 1 }) : day, a, b));
          return without([[from, to]], [breaks]);
        });
    }),
  ).filter(([, to]) => to > fromS - 86_400);
}

const daysFrom = (plant: Plant, fromS: number, days: number, first = 0): DateTime[] => {
  const today = DateTime.fromSeconds(fromS, { zone: plant.timeZone }).startOf('day');
  return Array.from({ length: days }, (_, i) => today.plus({ days: first + i }));
};

/** From one clock time to another; to an earlier one is to the next day. */
function stretch(day: DateTime, from: string, to: string): [number, number] {
  return [momentOn(day, from), momentOn(to <= from ? day.plus({ days: 1 }) : day, to)];
}

function momentOn(day: DateTime, clock: string): number {
  const [hour = 0, minute = 0] = clock.split(':').map(Number);
  return hour === 24 ? day.plus({ days: 1 }).toUnixInteger() : day.set({ hour, minute }).toUnixInteger();
}

/** Whole days, the last one included. */
function daysOff(plant: Plant, { from, to }: { from: string; to: string }): [number, number] {
  const [first, last] = [from, to].map((day) => DateTime.fromISO(day, { zone: plant.timeZone }).startOf('day'));
  return [first?.toUnixInteger() ?? 0, last?.plus({ days: 1 }).toUnixInteger() ?? 0];
}
