import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { NgApexchartsModule } from 'ng-apexcharts';
import { CERTAINTY, editAt, type Edit, formatNumber, type JobSpec, type RiskCurve, type RiskPoint, say, UNIT_WORDS } from '@druckerei/core';
import { chartColours } from '../shared/chart-colours';

const WISHES = [0.9, 0.95, 0.99] as const;

/** How certain it is to be: extra sheets against the risk of falling short, as a curve, with what the works knows and how sure it is; the wish sets the aim. */
@Component({
  selector: 'dk-risk-panel',
  imports: [NgApexchartsModule],
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
            height: 300,
            toolbar: { show: false },
            animations: { enabled: false },
            zoom: { enabled: false },
            fontFamily: 'inherit',
            foreColor: colours.soft,
          }"
          [stroke]="{ width: [3, 1, 1], dashArray: [0, 4, 4], curve: 'straight' }"
          [colors]="[colours.act, colours.watch, colours.watch]"
          [xaxis]="{ type: 'numeric', title: { text: say('risk.extra', unit()) }, decimalsInFloat: 0 }"
          [yaxis]="{ min: 0, max: 60, title: { text: say('risk.inHundred') }, decimalsInFloat: 0 }"
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
                class="quiet"
                [class.here]="wished() === w"
                [attr.aria-pressed]="wished() === w"
                [disabled]="locked()"
                (click)="choose(w)"
              >
                {{ number(w * 100, 0) }} %
              </button>
            }
            <label class="soft"
              >{{ say('risk.other') }}
              <input
                #other
                class="field-input"
                inputmode="decimal"
                [disabled]="locked()"
                [value]="number(wished() * 100, 1)"
                (change)="typed(other.value)"
            /></label>
            @if (refused(); as r) {
              <span class="fail" role="alert">{{ r }}</span>
            }
          </div>
          @if (needed(); as p) {
            <p class="need" data-figures>
              {{ say('risk.needs', number(p.extra), unit(), number(p.aim)) }}
              <button type="button" class="act" [disabled]="locked() || aim() === p.aim" (click)="take(p)">{{ say('risk.takeIt') }}</button>
              @if (aim() !== null) {
                <button type="button" class="plain" [disabled]="locked()" (click)="edits.emit([noAim()])">
                  {{ say('risk.backToOrdered') }}
                </button>
              }
            </p>
          } @else {
            <p class="note level-decide">{{ say('risk.beyond') }}</p>
          }
          <table class="lines" data-figures>
            <thead>
              <tr>
                <th class="number">{{ say('risk.extra', unit()) }}</th>
                <th class="number">{{ say('risk.aim') }}</th>
                <th class="number">{{ say('risk.inHundred') }}</th>
                <th class="number">{{ say('risk.likely') }}</th>
                <th class="number">{{ say('risk.money') }}</th>
              </tr>
            </thead>
            <tbody>
              @for (p of c.points; track p.aim) {
                <tr>
                  <td class="number">{{ number(p.extra) }}</td>
                  <td class="number">{{ number(p.aim) }}</td>
                  <td class="number">{{ number(p.risk * 100, 1) }}</td>
                  <td class="number">{{ number(p.riskLow * 100, 1) }} – {{ number(p.riskHigh * 100, 1) }}</td>
                  <td class="number">{{ number(p.money, 2) }}</td>
                </tr>
              }
            </tbody>
          </table>
        </div>
      </div>
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
  /** What the plant allows where the job says nothing. */
  readonly usual = input.required<number>();
  readonly locked = input(false);
  readonly edits = output<Edit[]>();
  protected readonly refused = signal('');
  protected readonly wished = computed(() => this.spec().choices.certainty ?? 1 - this.usual());
  protected readonly aim = computed(() => this.spec().choices.aim[this.item()] ?? null);
  protected readonly unit = computed(() => UNIT_WORDS[this.curve()?.unit ?? 'sheet']?.[1] ?? '');
  /** The first aim of the curve that risks no more than is wished. */
  protected readonly needed = computed(
    (): RiskPoint | null => this.curve()?.points.find((p) => p.risk <= 1 - this.wished() + 1e-9) ?? null,
  );
  protected readonly series = computed(() => {
    const points = this.curve()?.points ?? [];
    const of = (pick: (p: RiskPoint) => number): { x: number; y: number }[] =>
      points.map((p) => ({ x: p.extra, y: Math.round(pick(p) * 1_000) / 10 }));
    return [
      { name: say('risk.risk'), data: of((p) => p.risk) },
      { name: say('risk.atLeast'), data: of((p) => p.riskLow) },
      { name: say('risk.atMost'), data: of((p) => p.riskHigh) },
    ];
  });
  protected readonly annotations = computed(() => ({
    yaxis: [
      {
        y: Math.round((1 - this.wished()) * 1_000) / 10,
        borderColor: this.colours.ink,
        label: { text: say('risk.wishLine'), style: { background: 'transparent', color: this.colours.ink } },
      },
    ],
  }));

  protected choose(certainty: number): void {
    this.refused.set('');
    this.edits.emit([editAt(this.spec(), ['choices', 'certainty'], certainty)]);
  }
  protected typed(text: string): void {
    const share = Number(text.replace(',', '.')) / 100;
    if (!(share >= CERTAINTY.min && share <= CERTAINTY.max))
      this.refused.set(say('risk.between', CERTAINTY.min * 100, CERTAINTY.max * 100));
    else this.choose(share);
  }
  protected take(p: RiskPoint): void {
    this.edits.emit([editAt(this.spec(), ['choices', 'aim', this.item()], p.aim)]);
  }
  protected noAim = (): Edit => editAt(this.spec(), ['choices', 'aim', this.item()], undefined);
}
