import { MOST_HOURS } from '@druckerei/contract';
import { DateTime, IANAZone } from 'luxon';
import ical from 'node-ical';
import { Refused } from '../errors';
import { DAYS_AHEAD } from '../plants/calendar';

/** Hours in a calendar, as the works' clock shows them. */
interface HoursThere {
  from: string;
  until: string;
  why: string;
}
/** Events that are no hours, and why. */
interface Left {
  what: string;
  why: string;
}
const DAY_S = 86_400;
const MOST_LETTERS = 200;

/**
 * Hours out of an iCalendar file (RFC 5545) from now on, as far ahead as hours are known; repeats are told one by one. A time without a zone, or in one that is not
 * known, is the works' own; a whole day is the works' day. What is over, called off, or without a length is left, and said.
 */
export function hoursInFile(text: string, timeZone: string, nowS: number): { hours: HoursThere[]; left: Left[] } {
  const events = eventsOf(text);
  const [from, until] = [nowS, nowS + DAYS_AHEAD * DAY_S];
  const hours: (HoursThere & { at: number })[] = [];
  const left: Left[] = [];
  for (const event of events) {
    const what = wordsOf(event.summary);
    const at = (d: ical.DateWithTimeZone): DateTime => momentOf(d, timeZone);
    const why = event.status === 'CANCELLED' ? 'is called off' : lengthOf(event) <= 0 ? 'has no length' : null;
    const found = why ?? timesOf(event, from, until);
    if (typeof found === 'string') {
      left.push({ what, why: found });
      continue;
    }
    const ahead = found.filter((t) => at(t.end).toSeconds() > from && at(t.start).toSeconds() < until);
    if (ahead.length === 0) left.push({ what, why: 'is over, or later than hours are known' });
    hours.push(
      ...ahead.map((t) => ({ ...{ from: localText(at(t.start)), until: localText(at(t.end)) }, why: what, at: at(t.start).toSeconds() })),
    );
  }
  hours.sort((a, b) => a.at - b.at);
  if (hours.length > MOST_HOURS)
    left.push({ what: `${hours.length - MOST_HOURS} times`, why: `are more than the ${MOST_HOURS} that are read together` });
  return { hours: hours.slice(0, MOST_HOURS).map(({ from, until, why }) => ({ from, until, why })), left: left.slice(0, MOST_HOURS) };
}

/** Events of a calendar; refused where it is none. */
function eventsOf(text: string): ical.VEvent[] {
  const cannot = (why: string): Refused =>
    new Refused(422, 'no-calendar', `This file cannot be read as a calendar (iCalendar, .ics): ${why}.`);
  if (!/^\s*BEGIN:VCALENDAR/.test(text)) throw cannot('it does not begin as one');
  try {
    return Object.values(ical.sync.parseICS(text)).filter((c): c is ical.VEvent => c?.type === 'VEVENT');
  } catch (error) {
    throw cannot(error instanceof Error ? error.message : 'it is broken');
  }
}
/** When an event takes place within a time; the reason where that cannot be told. */
function timesOf(event: ical.VEvent, from: number, until: number): ical.EventInstance[] | string {
  try {
    return ical.expandRecurringEvent(event, {
      // A day to each side: what has no zone is read in another than the works'.
      ...{ from: new Date((from - DAY_S) * 1000), to: new Date((until + DAY_S) * 1000) },
      expandOngoing: true,
    });
  } catch {
    return 'repeats too often';
  }
}
const lengthOf = ({ start, end }: Partial<Pick<ical.VEvent, 'start' | 'end'>>): number => Number(end ?? NaN) - Number(start ?? NaN) || 0;
/** The moment on the works' clock. The reader takes a time without a known zone as one of the computer's own. */
function momentOf(d: ical.DateWithTimeZone, timeZone: string): DateTime {
  const isZoned = d.tz !== undefined && IANAZone.isValidZone(d.tz);
  return DateTime.fromJSDate(d).setZone(timeZone, { keepLocalTime: !isZoned });
}
const localText = (at: DateTime): string => at.toFormat("yyyy-LL-dd'T'HH:mm");
const wordsOf = (said: ical.ParameterValue | undefined): string =>
  (typeof said === 'string' ? said : (said?.val ?? '')).trim().slice(0, MOST_LETTERS);
