import type { Provider } from '@angular/core';
import { MatDatepickerIntl } from '@angular/material/datepicker';
import { MAT_DATE_LOCALE, type MatDateFormats } from '@angular/material/core';
import { MAT_LUXON_DATE_ADAPTER_OPTIONS, provideLuxonDateAdapter } from '@angular/material-luxon-adapter';
import { say } from '@druckerei/core/words';
import { DateTime } from 'luxon';

/** Dates as people here type them, and as they are shown. What has no year is of this one. */
const FORMATS: MatDateFormats = {
  parse: {
    dateInput: [
      'ccc d LLL yyyy',
      'd.L.yyyy',
      'd/L/yyyy',
      'd LLL yyyy',
      'd LLLL yyyy',
      'd.L.yy',
      'd/L/yy',
      'd.L.',
      'd/L',
      'd LLL',
      'd LLLL',
    ],
    timeInput: ['H:mm', 'H.mm', 'HHmm', 'h:mm a', 'h a', 'H'],
  },
  display: {
    dateInput: 'ccc d LLL yyyy',
    timeInput: 'HH:mm',
    timeOptionLabel: 'HH:mm',
    monthYearLabel: 'LLL yyyy',
    dateA11yLabel: 'DDDD',
    monthYearA11yLabel: 'LLLL yyyy',
  },
};

/** What the calendar says, from the catalogue. */
function calendarWords(): MatDatepickerIntl {
  return Object.assign(new MatDatepickerIntl(), {
    calendarLabel: say('moment.calendarLabel'),
    openCalendarLabel: say('moment.calendar'),
    closeCalendarLabel: say('moment.close'),
    prevMonthLabel: say('moment.prevMonth'),
    nextMonthLabel: say('moment.nextMonth'),
    prevYearLabel: say('moment.prevYear'),
    nextYearLabel: say('moment.nextYear'),
    prevMultiYearLabel: say('moment.prevYears'),
    nextMultiYearLabel: say('moment.nextYears'),
    switchToMonthViewLabel: say('moment.toDays'),
    switchToMultiYearViewLabel: say('moment.toYears'),
  });
}

/** A day, or a day and an hour, as a document holds it; null where it is none. */
export function dayOf(text: string): DateTime | null {
  const day = DateTime.fromISO(text, { zone: 'utc', locale: 'en-GB' });
  return day.isValid ? day : null;
}

/** Days and hours of the works, whatever zone the browser stands in: they are handled without one. The week begins on Monday. */
export const provideDates = (): Provider[] => [
  provideLuxonDateAdapter(FORMATS),
  { provide: MatDatepickerIntl, useFactory: calendarWords },
  { provide: MAT_LUXON_DATE_ADAPTER_OPTIONS, useValue: { useUtc: true, firstDayOfWeek: 1, defaultOutputCalendar: 'gregory' } },
  { provide: MAT_DATE_LOCALE, useValue: 'en-GB' },
];
