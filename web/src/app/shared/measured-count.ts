import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import {
  countByHeight,
  countByWeight,
  formatNumber,
  isGoodEnough,
  MEASURE_SPREAD,
  type MeasuredCount as Count,
  type PieceMeasure,
  readNumber,
  say,
  simulatedScaleKg,
} from '@druckerei/core';

/** Counts a pile by its height or by a scale: says pieces with ±, and lets them be written down only where that is near enough for what is at stake. */
@Component({
  selector: 'dk-measured-count',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatInputModule],
  template: `<div class="ways">
      @for (w of ways; track w) {
        <button type="button" matButton="outlined" [attr.aria-pressed]="way() === w" (click)="choose(w)">
          {{ say(w === 'height' ? 'measured.height' : 'measured.weight') }}
        </button>
      }
    </div>
    <mat-form-field
      ><mat-label>{{ way() === 'height' ? say('measured.heightMm') : say('measured.kg') }}</mat-label
      ><input matInput inputmode="decimal" [value]="text()" (input)="text.set($any($event.target).value)"
    /></mat-form-field>
    @if (way() === 'weight') {
      <mat-form-field
        ><mat-label>{{ say('measured.tareKg') }}</mat-label
        ><input matInput inputmode="decimal" [value]="tare()" (input)="tare.set($any($event.target).value)"
      /></mat-form-field>
      <button type="button" matButton="outlined" (click)="weigh()">{{ say('measured.simulatedScale') }}</button>
    }
    @if (count(); as c) {
      <p class="big" aria-live="polite" data-figures>{{ number(c.pieces) }} ± {{ number(c.pm) }} {{ unit() }}</p>
      @if (enough()) {
        <button type="button" matButton="filled" [disabled]="c.pieces === 0" (click)="counted.emit(c.pieces)">
          {{ say('terminal.writeItDown') }}
        </button>
      } @else {
        <p class="note level-decide" role="status" data-figures>{{ say('measured.byHand', number(c.pm), number(atStake())) }}</p>
      }
    }`,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      align-content: start;
    }
    .ways {
      display: flex;
      gap: 10px;
    }
    p.big {
      font-size: 30px;
      font-weight: 600;
    }
  `,
})
export class MeasuredCount {
  protected readonly say = say;
  protected readonly number = formatNumber;
  protected readonly ways = ['height', 'weight'] as const;
  readonly measure = input.required<PieceMeasure>();
  /** Pieces a count may be off at most: what the order leaves open. */
  readonly atStake = input.required<number>();
  readonly unit = input('');
  /** What the simulated scale is asked to weigh: pieces that are due. */
  readonly due = input(1_000);
  readonly counted = output<number>();
  protected readonly way = signal<'height' | 'weight'>('weight');
  protected readonly text = linkedSignal({ source: this.way, computation: () => '' });
  protected readonly tare = signal('0');
  protected readonly count = computed((): Count | null => {
    const [typed, tareKg] = [readNumber(this.text()), readNumber(this.tare())];
    const { pieceKg, kgPpm, pieceUm, umPpm } = this.measure();
    if (!(typed >= 0)) return null;
    if (this.way() === 'height')
      return pieceUm > 0 ? countByHeight({ heightMm: typed, pieceUm, spreadPpm: umPpm, ruleMm: MEASURE_SPREAD.ruleMm }) : null;
    return pieceKg > 0 && tareKg >= 0
      ? countByWeight({ kg: typed, tareKg, pieceKg, spreadPpm: kgPpm, scaleKg: MEASURE_SPREAD.scaleKg })
      : null;
  });
  protected readonly enough = computed(() => {
    const c = this.count();
    return c !== null && isGoodEnough(c, this.atStake());
  });

  protected choose(way: 'height' | 'weight'): void {
    this.way.set(way);
  }
  /** The scale that ships with the program: it is simulated, and its button says so. */
  protected weigh(): void {
    const kg = simulatedScaleKg(this.due(), this.measure().pieceKg, Math.round(this.due()));
    this.text.set(formatNumber(kg + Math.max(readNumber(this.tare()) || 0, 0), 3));
  }
}
