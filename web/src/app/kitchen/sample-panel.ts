import { ChangeDetectionStrategy, Component, computed, input, output, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import type { InkDesk } from '@druckerei/contract';
import { type Measurement, say, readNumber } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { MeasureField } from './measure-field';
import { keptFor } from '../shared/kept-for';

/** The customer's sample: what was measured of it, and how far the ink may be off. */
@Component({
  selector: 'dk-sample-panel',
  imports: [MeasureField, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (sample(); as s) {
      <p class="soft" data-figures>{{ say('kitchen.sampleBy', s.by, s.measured.mode) }}</p>
    }
    @if (may()) {
      <form (submit)="$event.preventDefault(); save()">
        <dk-measure-field (refused)="refused.emit($event)" />
        <mat-form-field class="tolerance"
          ><mat-label>{{ say('kitchen.tolerance') }}</mat-label
          ><input matInput #tol inputmode="decimal" [value]="tolerance()" (input)="tolerance.set(tol.value)"
        /></mat-form-field>
        <button type="submit" matButton="filled" [disabled]="!ready()">{{ say('kitchen.takeSample') }}</button>
      </form>
    } @else {
      <p class="soft">{{ say('kitchen.onlyKitchen') }}</p>
    }`,
  styles: `
    form {
      display: grid;
      gap: 12px;
      justify-items: start;
    }
    .tolerance span {
      display: block;
      font-size: 12.5px;
    }
  `,
})
export class SamplePanel {
  protected readonly say = say;
  readonly sample = input.required<InkDesk['sample']>();
  readonly may = input(false);
  readonly taken = output<{ measured: Measurement; tolerance: number }>();
  readonly refused = output<Failure>();
  private readonly field = viewChild(MeasureField);
  protected readonly tolerance = keptFor(
    () => String(this.sample()?.tolerance ?? 2),
    (asked) => asked,
  );
  protected readonly ready = computed(() => this.field()?.value() !== null && this.number() > 0);
  private number = (): number => readNumber(this.tolerance());

  protected save(): void {
    const measured = this.field()?.value();
    if (measured) this.taken.emit({ measured, tolerance: this.number() });
  }
}
