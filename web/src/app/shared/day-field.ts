import { ChangeDetectionStrategy, Component, forwardRef, input, signal } from '@angular/core';
import { type ControlValueAccessor, NG_VALUE_ACCESSOR } from '@angular/forms';
import { MatDatepickerModule } from '@angular/material/datepicker';
import { MatInputModule } from '@angular/material/input';
import type { DateTime } from 'luxon';
import { say } from '@druckerei/core';
import { dayOf, provideDates } from './dates';

/** A field of a form that holds a day, typed or chosen from a calendar; its value is as the server takes it: 2026-12-08. */
@Component({
  selector: 'dk-day-field',
  imports: [MatDatepickerModule, MatInputModule],
  providers: [provideDates(), { provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => DayField), multi: true }],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<mat-form-field>
    <mat-label>{{ label() }}</mat-label>
    <input matInput [matDatepicker]="calendar" [value]="day()" [disabled]="disabled()" (dateInput)="set($event.value)" (blur)="touched()" />
    <mat-datepicker-toggle matIconSuffix [for]="calendar" [aria-label]="say('moment.calendar')" />
    <mat-datepicker #calendar />
  </mat-form-field>`,
  styles: `
    mat-form-field {
      width: 100%;
    }
  `,
})
export class DayField implements ControlValueAccessor {
  protected readonly say = say;
  readonly label = input.required<string>();
  protected readonly day = signal<DateTime | null>(null);
  protected readonly disabled = signal(false);
  private told: (day: string) => void = () => undefined;
  protected touched: () => void = () => undefined;

  protected set(day: DateTime | null): void {
    this.told(day?.toISODate() ?? '');
  }
  writeValue(text: string): void {
    this.day.set(dayOf(text));
  }
  registerOnChange(told: (day: string) => void): void {
    this.told = told;
  }
  registerOnTouched(touched: () => void): void {
    this.touched = touched;
  }
  setDisabledState(disabled: boolean): void {
    this.disabled.set(disabled);
  }
}
