import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { NgApexchartsModule } from 'ng-apexcharts';
import { CERTAINTY, editAt, type Edit, formatNumber, type JobSpec, say, UNIT_WORDS, readNumber } from '@druckerei/core';
import type { RiskCurve, RiskPoint } from '@druckerei/core/planning';
import { chartColours } from '../shared/chart-colours';

const WISHES = [0.85, 0.9, 0.95, 0.99] as const;

/** How certain it is to be: sheets and money against the share of such jobs that come out, as a curve, with what the works knows and how sure it is; a wish lays its reserve. */
@Component({
  selector: 'dk-risk-panel',
  imports: [NgApexchartsModule, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h2>{{ say('risk.title') }}</h2>
    @if (curve(); as c) {
      <p class="soft" data-figures>
        {{ c.jobs === null ? say('risk.fromHandbook') : say('risk.fromLog', c.jobs) }}
      </p>
      <div class="both">
        <apx-chart
          [series]="series()"
          [chart]="{
            type: 'line',
            height: 240,
            toolbar: { show: false },
            animations: { enabled: false },
            zoom: { enabled: false },
            fontFamily: 'inherit',
            foreColor: colours.soft,
          }"
          [stroke]="{ width: [3, 1, 1], dashArray: [0, 4, 4], curve: 'straight' }"
          [colors]="[colours.act, colours.watch, colours.watch]"
          [xaxis]="{ type: 'numeric', title: { text: say('risk.pulled', unit()) }, decimalsInFloat: 0 }"
          [yaxis]="{ min: 60, max: 100, title: { text: say('risk.inHundred') }, decimalsInFloat: 0 }"
          [annotations]="annotations()"
          [grid]="{ borderColor: colours.line }"
          [legend]="{ position: 'top' }"
          [tooltip]="{ x: { show: true } }"
        />
        <div>
          <div class="wish">
            <span>{{ say('risk.wish') }}</span>
            @for (w of wishes; track w) {
              <button
                type="button"
                matButton="outlined"
                [class.here]="wished() === w"
                [attr.aria-pressed]="wished() === w"
                [disabled]="locked()"
                (click)="look(w)"
              >
                {{ number(w * 100, 0) }} %
              </button>
            }
            <mat-form-field
              ><mat-label>{{ say('risk.other') }}</mat-label
              ><input
                matInput
                #other
                inputmode="decimal"
                [disabled]="locked()"
                [value]="number(wished() * 100, 1)"
                (change)="typed(other.value)"
            /></mat-form-field>
            @if (refused(); as r) {
              <span class="fail" role="alert">{{ r }}</span>
            }
          </div>
          @if (needed(); as p) {
            <p class="need" data-figures>
              @if (p.reserve > 0) {
                {{ say('risk.needs', number(p.reserve), unit(), number(p.money - bare(), 2), number(p.back)) }}
                <button type="button" matButton="filled" [disabled]="locked() || laid()" (click)="take(p)">
                  {{ laid() ? say('risk.taken') : say('risk.takeIt') }}
                </button>
              } @else {
                {{ say('risk.met', number(p.chance * 100, 0)) }}
              }
              @if (spec().choices.certainty !== undefined) {
                <button type="button" matButton [disabled]="locked()" (click)="choose(undefined)">{{ say('risk.without') }}</button>
              }
            </p>
          }
        </div>
      </div>
      <table class="lines" data-figures>
        <thead>
          <tr>
            <th>{{ say('risk.wish') }}</th>
            <th class="number">{{ say('risk.comesOut') }}</th>
            <th class="number">{{ say('risk.likely') }}</th>
            <th class="number">{{ say('risk.pulled', unit()) }}</th>
            <th class="number">{{ say('risk.reserve') }}</th>
            <th class="number">{{ say('risk.back') }}</th>
            <th class="number">{{ say('risk.money') }}</th>
          </tr>
        </thead>
        <tbody>
          @for (p of c.points; track p.pulled) {
            <tr [class.here]="p === needed()">
              <td>{{ p.wish === null ? say('risk.none') : number(p.wish * 100, 1) }}</td>
              <td class="number">{{ number(p.chance * 100, 0) }}</td>
              <td class="number">{{ number(p.chanceLow * 100, 0) }} – {{ number(p.chanceHigh * 100, 0) }}</td>
              <td class="number">{{ number(p.pulled) }}</td>
              <td class="number">{{ number(p.reserve) }}</td>
              <td class="number">{{ number(p.back) }}</td>
              <td class="number">{{ number(p.money, 2) }}</td>
            </tr>
          }
        </tbody>
      </table>
    } @else {
      <p class="soft" role="status">{{ say('risk.reckoning') }}</p>
    }`,
  styles: `
    .both {
      display: grid;
      grid-template-columns: minmax(0, 6fr) minmax(0, 5fr);
      gap: 20px;
    }
    .wish,
    .need {
      display: flex;
      gap: 10px;
      align-items: baseline;
      flex-wrap: wrap;
    }
    .wish input {
      width: 70px;
    }
    .here {
      background: var(--act-ground);
      border-color: var(--act);
    }
  `,
})
export class RiskPanel {
  protected readonly say = say;
  protected readonly number = formatNumber;
  protected readonly wishes = WISHES;
  protected readonly colours = chartColours();
  readonly curve = input.required<RiskCurve | null>();
  readonly spec = input.required<JobSpec>();
  readonly item = input.required<string>();
  /** The share of jobs the works wishes to come out, where the job says nothing. */
  readonly usual = input.required<number>();
  readonly locked = input(false);
  readonly edits = output<Edit[]>();
  protected readonly refused = signal('');
  /** The wish looked at: nothing is laid before it is taken. */
  private readonly looked = signal<number | null>(null);
  protected readonly wished = computed(() => this.looked() ?? this.spec().choices.certainty ?? this.usual());
  protected readonly laid = computed(() => this.spec().choices.certainty === this.wished());
  protected readonly unit = computed(() => UNIT_WORDS[this.curve()?.unit ?? 'sheet']?.[1] ?? '');
  /** What the job costs without a reserve. */
  protected readonly bare = computed(() => this.curve()?.points[0]?.money ?? 0);
  /** The first point of the curve that comes out as often as is wished. */
  protected readonly needed = computed(
    (): RiskPoint | null => this.curve()?.points.find((p) => p.chance >= this.wished() - 0.0005 || p.wish === this.wished()) ?? null,
  );
  protected readonly series = computed(() => {
    const points = this.curve()?.points ?? [];
    const of = (pick: (p: RiskPoint) => number): { x: number; y: number }[] =>
      points.map((p) => ({ x: p.pulled, y: Math.round(pick(p) * 1_000) / 10 }));
    return [
      { name: say('risk.comesOut'), data: of((p) => p.chance) },
      { name: say('risk.atLeast'), data: of((p) => p.chanceLow) },
      { name: say('risk.atMost'), data: of((p) => p.chanceHigh) },
    ];
  });
  protected readonly annotations = computed(() => ({
    yaxis: [
      {
        y: Math.round(this.wished() * 1_000) / 10,
        borderColor: this.colours.ink,
        label: { text: say('risk.wishLine'), style: { background: 'transparent', color: this.colours.ink } },
      },
    ],
  }));

  protected look(certainty: number): void {
    this.refused.set('');
    this.looked.set(certainty);
  }
  protected choose(certainty: number | undefined): void {
    this.looked.set(null);
    this.edits.emit([editAt(this.spec(), ['choices', 'certainty'], certainty)]);
  }
  protected typed(text: string): void {
    const share = readNumber(text) / 100;
    if (!(share >= CERTAINTY.min && share <= CERTAINTY.max))
      this.refused.set(say('risk.between', CERTAINTY.min * 100, CERTAINTY.max * 100));
    // A wish between the points of the curve is laid at once: the curve is then drawn through it.
    else if (this.curve()?.points.some((p) => p.wish === share)) this.look(share);
    else this.choose(share);
  }
  protected take(p: RiskPoint): void {
    this.choose(p.wish ?? this.wished());
  }
}
