import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  linkedSignal,
  output,
  viewChild,
} from '@angular/core';
import { type MatDatepicker, MatDatepickerModule } from '@angular/material/datepicker';
import { MatInput } from '@angular/material/input';
import { type MatTimepicker, MatTimepickerModule } from '@angular/material/timepicker';
import { say } from '@druckerei/core';
import type { DateTime } from 'luxon';
import { dayOf, provideDates } from './dates';
import { InPlace } from './in-place';

const AS_TEXT = { day: 'yyyy-LL-dd', moment: "yyyy-LL-dd'T'HH:mm" };

/** A day, or a day and an hour of the works, typed or chosen from a calendar where it stands. */
@Component({
  selector: 'dk-moment-fields',
  imports: [InPlace, MatDatepickerModule, MatInput, MatTimepickerModule],
  providers: provideDates(),
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(focusout)': 'out($event)', '(keydown.enter)': 'enter($event)', '(keydown.escape)': 'back()' },
  template: `<input
      #dayField
      matInput
      dkInPlace
      class="day"
      [matDatepicker]="calendar"
      [value]="at()"
      [wrong]="wrong()"
      [attr.aria-label]="label()"
      (dateInput)="setDay($event.value)"
    /><mat-datepicker-toggle [for]="calendar" [aria-label]="say('moment.calendar')" /><mat-datepicker #calendar />
    @if (kind() === 'moment') {
      <input
        matInput
        dkInPlace
        class="time"
        [matTimepicker]="times"
        [value]="at()"
        [attr.aria-label]="say('moment.hour', label())"
        (valueChange)="setTime($event)"
      /><mat-timepicker #times interval="30min" />
    }
    @if (wrong()) {
      <span class="fail" role="alert">{{ say('editValue.chooseADateAndTime') }}</span>
    }`,
  styles: `
    :host {
      display: inline-flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0 8px;
    }
    .day {
      width: 124px;
    }
    .time {
      width: 48px;
    }
    .fail {
      flex-basis: 100%;
    }
  `,
})
export class MomentFields {
  protected readonly say = say;
  readonly label = input.required<string>();
  readonly kind = input.required<'day' | 'moment'>();
  /** Of several beside each other only the first takes the focus. */
  readonly takesFocus = input(true);
  /** As the document holds it: 2026-12-08, or 2026-12-08T12:00. */
  readonly value = input.required<string>();
  readonly changed = output<string>();
  /** Done; by a key, or because the focus went elsewhere. */
  readonly left = output<{ byKey: boolean }>();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly dayField = viewChild.required<ElementRef<HTMLInputElement>>('dayField');
  private readonly calendar = viewChild.required<MatDatepicker<DateTime>>('calendar');
  private readonly times = viewChild<MatTimepicker<DateTime>>('times');
  private before = '';
  /** What the fields show; while a day is half typed, the last one that was understood. */
  protected readonly at = linkedSignal<DateTime | null>(() => dayOf(this.value()));
  private readonly dayIsClear = linkedSignal({ source: () => this.value(), computation: () => true });
  protected readonly wrong = computed(() => !this.dayIsClear());

  constructor() {
    afterNextRender(() => {
      this.before = this.value();
      if (!this.takesFocus()) return;
      this.dayField().nativeElement.focus();
      this.dayField().nativeElement.select();
    });
  }
  protected setDay(day: DateTime | null): void {
    this.dayIsClear.set(day?.isValid ?? false);
    if (!day?.isValid) return;
    const { hour, minute } = this.at() ?? { hour: 12, minute: 0 };
    this.emit(this.kind() === 'day' ? day : day.set({ hour, minute }));
  }
  protected setTime(time: DateTime | null): void {
    const day = this.at();
    if (time?.isValid && day && (time.hour !== day.hour || time.minute !== day.minute))
      this.emit(day.set({ hour: time.hour, minute: time.minute }));
  }
  private emit(at: DateTime): void {
    this.at.set(at);
    this.changed.emit(at.toFormat(AS_TEXT[this.kind()]));
  }
  protected enter(key: Event): void {
    if (this.chooses() || this.wrong()) return;
    key.preventDefault();
    this.left.emit({ byKey: true });
  }
  protected back(): void {
    if (this.chooses()) return;
    if (this.value() !== this.before) this.changed.emit(this.before);
    this.left.emit({ byKey: true });
  }
  protected out(e: FocusEvent): void {
    const inside = e.relatedTarget instanceof Node && this.host.contains(e.relatedTarget);
    if (!inside && !this.chooses() && !this.wrong()) this.left.emit({ byKey: false });
  }
  /** While calendar or list of hours is open, keys and focus are theirs. */
  private chooses = (): boolean => this.calendar().opened || (this.times()?.isOpen() ?? false);
}
