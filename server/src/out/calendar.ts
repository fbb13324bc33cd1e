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
  allDay?: boolean;
}

/** How long something that has a moment alone is shown. */
const SHOWN_S = 1_800;

/** Dates as iCalendar (RFC 5545), in UTC: programs differ over a zone named without its rules. */
export function calendarOf(name: string, dates: readonly Dated[], madeAt: number): string {
  const calendar = ical({ name, prodId: { company: 'Druckerei', product: 'dates' }, method: ICalCalendarMethod.PUBLISH });
  for (const { uid, title, says, place, at, allDay = false } of dates)
    calendar.createEvent({
      id: uid,
      stamp: new Date(madeAt * 1000),
      start: new Date(at * 1000),
      ...(allDay ? { allDay } : { end: new Date((at + SHOWN_S) * 1000) }),
      summary: title,
      description: says,
      ...(place !== undefined && place !== '' && { location: place }),
    });
  return calendar.toString();
}
