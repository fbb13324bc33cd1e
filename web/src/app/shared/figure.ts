import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { type Figure, formatFigure, type Place, say } from '@druckerei/core';

/** A figure with its unit; choosing it shows its working. Guesses show their width; an override shows that it is one. */
@Component({
  selector: 'dk-figure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (shown(); as s) {
      <button
        type="button"
        [class.by-hand]="figure()?.instead"
        [attr.aria-label]="s.number + ' ' + s.unit + (figure()?.instead ? say('figure.setByHand') : '') + say('figure.showTheWorking')"
        (click)="explain.emit(id())"
      >
        <b>{{ s.number }}</b>
        @if (s.unit) {
          <span class="unit"> {{ s.unit }}</span>
        }
        @if (width(); as w) {
          <span class="unit guess"> ±{{ w }}</span>
        }
      </button>
    } @else {
      <span class="soft">–</span>
    }`,
  styles: `
    button {
      border: 0;
      background: none;
      padding: 2px 0;
      min-width: 24px;
      min-height: 24px;
      cursor: pointer;
      border-bottom: 1px dotted var(--act);
      line-height: 1.25;
      white-space: nowrap;
    }
    b {
      font-weight: 600;
    }
    .guess {
      font-size: 0.86em;
    }
    .by-hand {
      border-bottom: 2px solid var(--watch);
    }
  `,
})
export class FigureValue {
  protected readonly say = say;
  readonly id = input.required<string>();
  readonly figure = input<Figure | undefined>();
  readonly place = input.required<Place>();
  readonly widths = input(true);
  readonly explain = output<string>();
  protected readonly shown = computed(() => {
    const f = this.figure();
    return f ? formatFigure(f.value, f.unit, this.place()) : null;
  });
  /** Half-width of the guess, where it is worth saying: a hundredth of the value at least. */
  protected readonly width = computed(() => {
    const f = this.figure();
    if (!this.widths() || f?.pm === undefined || f.unit === 'moment' || Math.abs(f.pm) < Math.abs(f.value) / 100) return '';
    return formatFigure(f.pm, f.unit, this.place()).number;
  });
}
