import ical, { ICalCalendarMethod } from 'ical-generator';

/** Something with a day: a moment, or a whole day of the works. */
export interface Dated {
  /** The same thing keeps it, so that a calendar moves it instead of showing it twice. */
  uid: string;
  title: string;
  says: string;
  place?: string;
  /** Epoch seconds. */
  at: number;
  /** Until when; half an hour is shown where nothing is said. */
  untilAt?: number;
  allDay?: boolean;
  /** Counts up when the same thing is moved. */
  sequence?: number;
}

/** How long something that has a moment alone is shown. */
const SHOWN_S = 1_800;

/** Dates as iCalendar (RFC 5545), in UTC: programs differ over a zone named without its rules. */
export function calendarOf(name: string, dates: readonly Dated[], madeAt: number): string {
  const calendar = ical({ name, prodId: { company: 'Druckerei', product: 'dates' }, method: ICalCalendarMethod.PUBLISH });
  for (const { uid, title, says, place, at, untilAt = at + SHOWN_S, allDay = false, sequence } of dates)
    calendar.createEvent({
      id: uid,
      stamp: new Date(madeAt * 1000),
      start: new Date(at * 1000),
      ...(allDay ? { allDay } : { end: new Date(untilAt * 1000) }),
      summary: title,
      description: says,
      ...(sequence !== undefined && { sequence }),
      ...(place !== undefined && place !== '' && { location: place }),
    });
  return calendar.toString();
}
