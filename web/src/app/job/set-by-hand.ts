import { afterNextRender, ChangeDetectionStrategy, Component, ElementRef, inject, input, output } from '@angular/core';
import { type AbstractControl, NonNullableFormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import {
  formatNumber,
  isWhole,
  type Override,
  type Place,
  type Unit,
  readNumber,
  readWhole,
  say,
  typingUnit,
  unclearNumber,
} from '@druckerei/core';
import { DayField } from '../shared/day-field';

const DAY_MS = 86_400_000;

/** No figure of a job is larger: what is typed above it is a slip. */
const MOST_BY_HAND = 1_000_000_000;

/** A figure set by hand: its value in the unit people type it in, a reason, and how long it holds. */
@Component({
  selector: 'dk-set-by-hand',
  imports: [DayField, MatButton, MatInputModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<form [formGroup]="form" (ngSubmit)="send()">
    <mat-form-field>
      <mat-label>{{ say('working.instead', typing().unit ? say('working.in') + ' ' + typing().unit : '') }}</mat-label>
      <input matInput formControlName="value" inputmode="decimal" />
      <mat-error>{{ form.controls.value.errors?.['says'] }}</mat-error>
    </mat-form-field>
    <dk-day-field [label]="say('working.until')" formControlName="until" />
    <mat-form-field class="wide">
      <mat-label>{{ say('working.why') }}</mat-label>
      <input matInput formControlName="reason" maxlength="300" />
    </mat-form-field>
    <button matButton="filled" type="submit" [disabled]="form.invalid">{{ say('working.set') }}</button>
    <button matButton="outlined" type="button" (click)="left.emit()">{{ say('working.cancel') }}</button>
  </form>`,
  styles: `
    form {
      display: grid;
      grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
      gap: 8px;
      padding-top: 6px;
    }
    mat-form-field {
      width: 100%;
    }
    .wide {
      grid-column: span 2;
    }
  `,
})
export class SetByHand {
  protected readonly say = say;
  /** Of the figure that is set. */
  readonly unit = input.required<Unit>();
  readonly place = input.required<Place>();
  readonly who = input.required<string>();
  readonly override = output<Override>();
  readonly left = output();
  protected readonly typing = (): { unit: string; per: number } => typingUnit(this.unit(), this.place());
  protected readonly form = inject(NonNullableFormBuilder).group({
    value: ['', [Validators.required, (typed: AbstractControl<string>) => this.refusal(typed.value)]],
    until: [new Date(Date.now() + 30 * DAY_MS).toISOString().slice(0, 10), Validators.required],
    reason: ['', [Validators.required, Validators.minLength(3)]],
  });
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    afterNextRender(() => this.host.querySelector('input')?.focus());
  }
  /** Counts are whole and none is below nothing; what can be read in two ways is asked. */
  private refusal(typed: string): { says: string } | null {
    if (typed.trim() === '') return null;
    const isCount = isWhole(this.unit());
    const both = isCount ? null : unclearNumber(typed);
    const value = this.read(typed);
    if (both) return { says: say('editValue.unclear', ...both) };
    if (Number.isNaN(value)) return { says: say(isCount ? 'editValue.typeAWholeNumber' : 'editValue.typeANumber') };
    if (value < 0) return { says: say('editValue.notBelow', 0) };
    return value > MOST_BY_HAND ? { says: say('editValue.notAbove', formatNumber(MOST_BY_HAND)) } : null;
  }
  private read(typed: string): number {
    return isWhole(this.unit()) ? readWhole(typed) : readNumber(typed);
  }
  protected send(): void {
    const { value, until, reason } = this.form.getRawValue();
    this.override.emit({
      value: this.read(value) * this.typing().per,
      reason,
      by: this.who(),
      until: Math.floor(Date.parse(`${until}T23:59:59Z`) / 1000),
    });
    this.left.emit();
  }
}
