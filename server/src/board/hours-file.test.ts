import { MOST_HOURS } from '@druckerei/contract';
import { DateTime } from 'luxon';
import { hoursInFile } from './hours-file';

/* RFC 5545: UTC, zones, times without one, whole days, durations and repeats. */

const NOW = DateTime.fromISO('2026-12-01T07:00:00Z').toSeconds();
const event = (...lines: string[]): string => ['BEGIN:VEVENT', 'UID:u', ...lines, 'END:VEVENT'].join('\r\n');
const read = (...events: string[]): ReturnType<typeof hoursInFile> =>
  hoursInFile(
    ['BEGIN:VCALENDAR', 'VERSION:2.0', ...events.map((e, i) => e.replace('UID:u', `UID:u${i}`)), 'END:VCALENDAR'].join('\r\n'),
    'Europe/Vienna',
    NOW,
  );
const times = (...events: string[]): string[] => read(...events).hours.map((h) => `${h.from} ${h.until} ${h.why}`);

describe('hours out of a calendar file', () => {
  it.each([
    ['in UTC', ['DTSTART:20261203T060000Z', 'DTEND:20261203T140000Z'], '2026-12-03T07:00 2026-12-03T15:00'],
    ['in a zone', ['DTSTART;TZID=America/New_York:20261203T060000', 'DURATION:PT2H'], '2026-12-03T12:00 2026-12-03T14:00'],
    ['without a zone: the works’ own', ['DTSTART:20261203T060000', 'DTEND:20261203T140000'], '2026-12-03T06:00 2026-12-03T14:00'],
    [
      'in a zone nobody knows: the works’ own',
      ['DTSTART;TZID=Old/Mill:20261203T060000', 'DURATION:PT2H'],
      '2026-12-03T06:00 2026-12-03T08:00',
    ],
    ['of whole days', ['DTSTART;VALUE=DATE:20261203', 'DTEND;VALUE=DATE:20261205'], '2026-12-03T00:00 2026-12-05T00:00'],
    ['of one whole day', ['DTSTART;VALUE=DATE:20261203'], '2026-12-03T00:00 2026-12-04T00:00'],
    ['that have begun', ['DTSTART:20261201T050000Z', 'DTEND:20261201T100000Z'], '2026-12-01T06:00 2026-12-01T11:00'],
  ])('reads times %s', (_, lines, said) => {
    expect(times(event(...lines, 'SUMMARY:rollers'))).toEqual([`${said} rollers`]);
  });
  it('tells repeats one by one, on the works’ clock over the change of its time, but for those that fall out', () => {
    const weekly = event(
      'DTSTART;TZID=Europe/Vienna:20261101T060000',
      'DURATION:PT1H',
      'RRULE:FREQ=WEEKLY',
      'EXDATE;TZID=Europe/Vienna:20261213T060000',
    );
    const found = times(weekly);
    expect(found.slice(0, 2)).toEqual(['2026-12-06T06:00 2026-12-06T07:00 ', '2026-12-20T06:00 2026-12-20T07:00 ']);
    expect(found).toHaveLength(7); // until 30 January, 60 days on, one of them called off
  });
  it('leaves what is no hours, and says why', () => {
    const { hours, left } = read(
      event('DTSTART:20261103T060000Z', 'DTEND:20261103T140000Z', 'SUMMARY:over'),
      event('DTSTART:20271103T060000Z', 'DTEND:20271103T140000Z', 'SUMMARY:later'),
      event('DTSTART:20261203T060000Z', 'DTEND:20261203T140000Z', 'STATUS:CANCELLED', 'SUMMARY:off'),
      event('DTSTART:20261203T060000Z', 'DTEND:20261203T060000Z', 'SUMMARY:short'),
      event('DTSTART:rubbish', 'SUMMARY:bad'),
      event('DTSTART:20261201T060000Z', 'DURATION:PT2S', 'RRULE:FREQ=SECONDLY', 'SUMMARY:ticks'),
    );
    expect(hours).toEqual([]);
    expect(left.map((l) => `${l.what} ${l.why}`)).toEqual([
      'over is over, or later than hours are known',
      'later is over, or later than hours are known',
      'off is called off',
      'short has no length',
      'bad has no length',
      'ticks repeats too often',
    ]);
  });
  it('reads no more than may be tried together', () => {
    const { hours, left } = read(event('DTSTART:20261202T000000Z', 'DURATION:PT1H', 'RRULE:FREQ=HOURLY;INTERVAL=3', 'SUMMARY:checks'));
    expect(hours).toHaveLength(MOST_HOURS);
    expect(left.at(-1)?.why).toBe(`are more than the ${MOST_HOURS} that are read together`);
  });
  it.each([
    ['is none', 'a letter'],
    ['is broken', ['BEGIN:VCALENDAR', event('DTSTART:20261201T060000Z', 'RRULE:FREQ=BLUE'), 'END:VCALENDAR'].join('\r\n')],
  ])('refuses a file that %s, in words', (_, text) => {
    expect(() => hoursInFile(text, 'UTC', NOW)).toThrow(/cannot be read as a calendar/);
  });
});
