import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { type Calendar, NO_CALENDAR, type Person, say, type Shift } from '@druckerei/core';
import { EditValue } from '../shared/edit-value';
import type { RowContext } from './card-rows';
import { InPlace } from '../shared/in-place';

const DAYS = [1, 2, 3, 4, 5, 6, 7];
const CLOCK = /^([01]\d|2[0-4]):[0-5]\d$/;

/** "06:00-14:00, 14:00-22:00" as pairs; null where it is not that. */
export function stretchesFrom(text: string): [string, string][] | null {
  const parts = text
    .split(/[,;]/)
    .map((p) => p.trim())
    .filter(Boolean)
    .map((p) => p.split(/[-–]/).map((c) => c.trim()));
  return parts.every(([a, b, c]) => c === undefined && CLOCK.test(a ?? '') && CLOCK.test(b ?? '')) ? (parts as [string, string][]) : null;
}
export const stretchesShown = (of: readonly (readonly [string, string])[]): string => of.map(([a, b]) => `${a}–${b}`).join(', ');

/** When the house is open, which shifts there are, which machines and people work in them, and the days on which nobody does. */
@Component({
  selector: 'dk-calendar-card',
  imports: [EditValue, InPlace, MatButton, MatCheckbox, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="columns">
    <div>
      <h2>{{ say('calendarCard.theHouseIsOpen') }}</h2>
      <div class="week" role="group" [attr.aria-label]="say('calendarCard.openHoursThroughTheWeek')">
        @for (d of week(); track d.day) {
          <div class="day">
            <span class="soft">{{ d.name }}</span><span class="track" aria-hidden="true">
              @for (b of d.bars; track $index) {
                <i [style.left.%]="b.left" [style.width.%]="b.width"></i>
              }
            </span>
            <dk-edit-value
              [label]="say('calendarCard.openOn', d.name)"
              kind="text"
              [value]="d.text"
              [placeholder]="say('calendarCard.closed')"
              (changed)="setHours(d.day, $event)"
            />
          </div>
        }
      </div>
      <div class="top">
        <h2>{{ say('calendarCard.closedDays') }}</h2>
        <span class="space"></span><button type="button" matButton (click)="addClosed()">{{ say('calendarCard.another') }}</button>
      </div>
      @for (c of closed(); track c.id) {
        <p class="row">
          <dk-edit-value
            [label]="say('calendarCard.name')"
            kind="text"
            [value]="c.name"
            (changed)="setIn('closed', c.id, { name: text($event) })"
          />
          <dk-edit-value
            [label]="say('calendarCard.firstDay')"
            kind="day"
            [value]="c.from"
            (changed)="setIn('closed', c.id, { from: text($event) })"
          />
          <dk-edit-value
            [label]="say('calendarCard.lastDay')"
            kind="day"
            [value]="c.to"
            (changed)="setIn('closed', c.id, { to: text($event) })"
          />
          <select
            matNativeControl
            dkInPlace
            [attr.aria-label]="say('calendarCard.what')"
            (change)="setMachine(c.id, $any($event.target).value)"
          >
            <option value="">{{ say('calendarCard.theWholeHouse') }}</option>
            @for (m of machines(); track m.id) {
              <option [value]="m.id" [selected]="m.id === c.machine">{{ m.name }}</option>
            }
          </select>
          <button type="button" matButton (click)="remove('closed', c.id)">{{ say('calendarCard.takeAway') }}</button>
        </p>
      } @empty {
        <p class="soft">{{ say('calendarCard.none') }}</p>
      }
    </div>
    <div>
      <div class="top">
        <h2>{{ say('calendarCard.shifts') }}</h2>
        <span class="space"></span><button type="button" matButton (click)="addShift()">{{ say('calendarCard.another') }}</button>
      </div>
      @for (s of shifts(); track s.id) {
        <p class="row">
          <dk-edit-value
            [label]="say('calendarCard.name')"
            kind="text"
            [value]="s.shift.name"
            (changed)="setIn('shifts', s.id, { name: text($event) })"
          />
          <dk-edit-value
            [label]="say('calendarCard.hoursOf', s.shift.name)"
            kind="text"
            [value]="s.hours"
            (changed)="setShiftHours(s.id, $event)"
          />
          <span class="soft">{{ say('calendarCard.breaks') }}</span>
          <dk-edit-value
            [label]="say('calendarCard.breaksOf', s.shift.name)"
            kind="text"
            [value]="s.breaks"
            [placeholder]="say('calendarCard.noBreak')"
            (changed)="setBreaks(s.id, $event)"
          />
          @for (d of days; track d) {
            <mat-checkbox class="tick" [checked]="s.shift.days.includes(d)" (change)="toggleDay(s.id, s.shift, d)">{{
              dayName(d)
            }}</mat-checkbox>
          }
          <button type="button" matButton (click)="remove('shifts', s.id)">{{ say('calendarCard.takeAway') }}</button>
        </p>
      } @empty {
        <p class="soft">{{ say('calendarCard.everyMachineRunsWhileTheHouseIsOpen') }}</p>
      }
      @if (shifts().length > 0) {
        <h2>{{ say('calendarCard.machines') }}</h2>
        @for (m of machines(); track m.id) {
          <p class="row">
            <span class="name">{{ m.name }}</span>
            @for (s of shifts(); track s.id) {
              <mat-checkbox class="tick" [checked]="m.shifts.includes(s.id)" (change)="toggleMachine(m.id, m.shifts, s.id)">{{
                s.shift.name
              }}</mat-checkbox>
            }
          </p>
        }
      }
      <div class="top">
        <h2>{{ say('calendarCard.people') }}</h2>
        <span class="space"></span><button type="button" matButton (click)="addPerson()">{{ say('calendarCard.another') }}</button>
      </div>
      @for (p of people(); track p.id) {
        <div class="row">
          <dk-edit-value
            [label]="say('calendarCard.name')"
            kind="text"
            [value]="p.person.name"
            (changed)="setIn('people', p.id, { name: text($event) })"
          />
          @for (s of shifts(); track s.id) {
            <mat-checkbox class="tick" [checked]="p.person.shifts.includes(s.id)" (change)="togglePerson(p.id, p.person, 'shifts', s.id)">{{
              s.shift.name
            }}</mat-checkbox>
          }
          <select
            matNativeControl
            dkInPlace
            [attr.aria-label]="say('calendarCard.mayRun', p.person.name)"
            (change)="togglePerson(p.id, p.person, 'machines', $any($event.target).value); $any($event.target).value = ''"
          >
            <option value="">{{ p.runs || say('calendarCard.mayRunNothing') }}</option>
            @for (m of machines(); track m.id) {
              <option [value]="m.id">{{ p.person.machines.includes(m.id) ? '✓ ' : '' }}{{ m.name }}</option>
            }
          </select>
          <span class="soft">{{ say('calendarCard.away') }}</span>
          <dk-edit-value
            [label]="say('calendarCard.awayDays', p.person.name)"
            kind="text"
            [value]="p.away"
            [placeholder]="say('calendarCard.never')"
            (changed)="setAway(p.id, $event)"
          />
          <button type="button" matButton (click)="remove('people', p.id)">{{ say('calendarCard.takeAway') }}</button>
        </div>
      } @empty {
        <p class="soft">{{ say('calendarCard.nobodyIsNamed') }}</p>
      }
      @for (r of refused(); track r.path) {
        <p class="fail" role="alert">{{ r.says }}</p>
      }
    </div>
  </div>`,
  styles: `
    .columns {
      display: grid;
      grid-template-columns: 1fr 1.3fr;
      gap: 30px;
    }
    .top {
      display: flex;
      align-items: baseline;
      margin-top: 14px;
    }
    .day {
      display: grid;
      grid-template-columns: 44px 1fr 150px;
      gap: 10px;
      align-items: center;
      padding: 3px 0;
      border-bottom: 1px solid var(--line);
    }
    .track {
      position: relative;
      height: 16px;
      background: var(--paper);
      border-radius: 3px;
    }
    .track i {
      position: absolute;
      top: 1px;
      height: 14px;
      border-radius: 3px;
      background: var(--river);
      border: 1px solid var(--act);
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
      align-items: center;
      margin: 0;
      padding: 5px 0;
      border-bottom: 1px solid var(--line);
    }
    .name {
      min-width: 170px;
    }
    .tick {
      display: inline-flex;
      gap: 4px;
      align-items: center;
      min-height: 24px;
    }
  `,
})
export class CalendarCard {
  protected readonly say = say;
  readonly context = input.required<RowContext>();
  readonly set = output<{ at: string[]; value: unknown }>();
  protected readonly days = DAYS;
  private readonly calendar = computed((): Calendar => this.context().plant.calendar ?? NO_CALENDAR);
  protected readonly week = computed(() =>
    DAYS.map((day) => {
      const open = this.context().plant.hours[String(day)] ?? [];
      return {
        day,
        name: this.dayName(day),
        text: stretchesShown(open),
        bars: open.map(([from, to]) => ({ left: percentOf(from), width: percentOf(to) - percentOf(from) })),
      };
    }),
  );
  protected readonly machines = computed(() =>
    Object.entries(this.context().plant.machines).map(([id, m]) => ({ id, name: m.name, shifts: this.calendar().machines[id] ?? [] })),
  );
  protected readonly shifts = computed(() =>
    Object.entries(this.calendar().shifts).map(([id, shift]) => ({
      id,
      shift,
      hours: `${shift.from}–${shift.to}`,
      breaks: stretchesShown(shift.breaks),
    })),
  );
  protected readonly people = computed(() =>
    Object.entries(this.calendar().people).map(([id, person]) => ({
      id,
      person,
      runs: person.machines.map((m) => this.context().plant.machines[m]?.name ?? m).join(', '),
      away: person.away.map((a) => (a.from === a.to ? a.from : `${a.from} ${say('calendarCard.to')} ${a.to}`)).join(', '),
    })),
  );
  protected readonly closed = computed(() => Object.entries(this.calendar().closed).map(([id, c]) => ({ id, ...c })));
  protected readonly refused = computed(() =>
    Object.entries(this.context().refused)
      .filter(([path]) => path.startsWith('calendar') || path.startsWith('hours'))
      .map(([path, says]) => ({ path, says })),
  );

  protected dayName = (day: number): string =>
    new Intl.DateTimeFormat(say('calendarCard.locale'), { weekday: 'short', timeZone: 'UTC' }).format(Date.UTC(2024, 0, day));
  protected text = (value: unknown): string => (typeof value === 'string' ? value : '');

  protected setHours(day: number, value: unknown): void {
    const open = stretchesFrom(this.text(value));
    if (open) this.set.emit({ at: ['hours', String(day)], value: open.length > 0 ? open : undefined });
  }
  /** The calendar is put whole: its four lists belong together. */
  private put(next: Calendar): void {
    this.set.emit({ at: ['calendar'], value: next });
  }
  protected setIn<K extends 'shifts' | 'people' | 'closed'>(list: K, id: string, change: Partial<Calendar[K][string]>): void {
    const c = this.calendar();
    const entries: Record<string, object> = c[list];
    this.put({ ...c, [list]: { ...entries, [id]: { ...entries[id], ...change } } });
  }
  protected remove(list: 'shifts' | 'people' | 'closed', id: string): void {
    const c = this.calendar();
    const { [id]: _gone, ...rest } = c[list] as Record<string, unknown>;
    const next = { ...c, [list]: rest };
    this.put(list === 'shifts' ? withoutShift(next, id) : next);
  }
  protected setShiftHours(id: string, value: unknown): void {
    const hours = stretchesFrom(this.text(value))?.[0];
    if (hours) this.setIn('shifts', id, { from: hours[0], to: hours[1] });
  }
  protected setBreaks(id: string, value: unknown): void {
    const breaks = stretchesFrom(this.text(value));
    if (breaks) this.setIn('shifts', id, { breaks });
  }
  protected toggleDay(id: string, shift: Shift, day: number): void {
    this.setIn('shifts', id, { days: toggled(shift.days, day).sort((a, b) => a - b) });
  }
  protected toggleMachine(id: string, shifts: readonly string[], shift: string): void {
    const c = this.calendar();
    this.put({ ...c, machines: { ...c.machines, [id]: toggled(shifts, shift) } });
  }
  protected togglePerson(id: string, person: Person, list: 'machines' | 'shifts', value: string): void {
    if (value !== '') this.setIn('people', id, { [list]: toggled(person[list], value) });
  }
  /** "2026-12-24, 2026-12-28 to 2026-12-31" */
  protected setAway(id: string, value: unknown): void {
    const away = this.text(value)
      .split(',')
      .flatMap((part) => {
        const [from, to = from] = part.match(/\d{4}-\d{2}-\d{2}/g) ?? [];
        return from === undefined || to === undefined ? [] : [{ from, to }];
      });
    this.setIn('people', id, { away });
  }
  protected setMachine(id: string, machine: string): void {
    const c = this.calendar();
    const { machine: _was, ...closed } = c.closed[id] ?? { name: '', from: '', to: '' };
    this.put({ ...c, closed: { ...c.closed, [id]: { ...closed, ...(machine !== '' && { machine }) } } });
  }
  protected addShift(): void {
    this.setIn('shifts', freeId(this.calendar().shifts, 's'), {
      name: say('calendarCard.newShift'),
      days: [1, 2, 3, 4, 5],
      from: '06:00',
      to: '14:00',
      breaks: [],
    });
  }
  protected addPerson(): void {
    this.setIn('people', freeId(this.calendar().people, 'p'), { name: say('calendarCard.newPerson'), machines: [], shifts: [], away: [] });
  }
  protected addClosed(): void {
    const today = new Date().toISOString().slice(0, 10);
    this.setIn('closed', freeId(this.calendar().closed, 'c'), { name: say('calendarCard.newClosed'), from: today, to: today });
  }
}

const percentOf = (clock: string): number => {
  const [h = 0, m = 0] = clock.split(':').map(Number);
  return (100 * (h * 60 + m)) / 1440;
};
const toggled = <T>(list: readonly T[], value: T): T[] => (list.includes(value) ? list.filter((x) => x !== value) : [...list, value]);
const freeId = (taken: object, prefix: string): string => {
  for (let n = 1; ; n++) if (!Object.hasOwn(taken, `${prefix}${n}`)) return `${prefix}${n}`;
};
/** Machines and people do not work in a shift that is gone. */
const withoutShift = (c: Calendar, shift: string): Calendar => ({
  ...c,
  machines: Object.fromEntries(Object.entries(c.machines).map(([id, of]) => [id, of.filter((s) => s !== shift)])),
  people: Object.fromEntries(Object.entries(c.people).map(([id, p]) => [id, { ...p, shifts: p.shifts.filter((s) => s !== shift) }])),
});
