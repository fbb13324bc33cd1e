import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type CardField, formatNumber, isBoard, type Stock, say } from '@druckerei/core';
import { CardFields, type CardRow } from './card-fields';
import { cardRow, type RowContext } from './card-rows';

const FIELDS: [CardField, string][] = [
  [{ at: ['name'], key: 'name', kind: 'text' }, ''],
  [{ at: ['grade'], key: 'grade', kind: 'text' }, ''],
  [{ at: ['widthMm'], key: 'widthMm', kind: 'length' }, ''],
  [{ at: ['lengthMm'], key: 'lengthMm', kind: 'length' }, ''],
  [{ at: ['gsm'], key: 'gsm', kind: 'number' }, 'g/m²'],
  [{ at: ['caliperUm'], key: 'caliperUm', kind: 'number' }, 'µm'],
  [{ at: ['panelAddMm'], key: 'panelAddMm', kind: 'length' }, ''],
  [{ at: ['totalInkPercent'], key: 'totalInkPercent', kind: 'number' }, '%'],
  [{ at: ['rollKg'], key: 'rollKg', kind: 'number' }, 'kg'],
  [{ at: ['rollDiameterMm'], key: 'rollDiameterMm', kind: 'length' }, ''],
  [{ at: ['coreMm'], key: 'coreMm', kind: 'length' }, ''],
  [{ at: ['coreKg'], key: 'coreKg', kind: 'number' }, 'kg'],
  [{ at: ['surfaceMnPerM'], key: 'surfaceMnPerM', kind: 'number' }, 'mN/m'],
  [{ at: ['leadDays'], key: 'leadDays', kind: 'number' }, say('stockCard.days')],
];
/** Fields that every stock has; the others show where the card has them. */
const ALWAYS = new Set(['name', 'grade', 'widthMm', 'gsm', 'caliperUm', 'leadDays']);
const ROLL = new Set(['rollKg', 'rollDiameterMm', 'coreMm', 'coreKg']);

/** A stock's card: sizes, grain, caliper, prices by quantity. */
@Component({
  selector: 'dk-stock-card',
  imports: [CardFields, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (stock(); as s) {
    <div>
      <svg [attr.viewBox]="box()" role="img" [attr.aria-label]="says()">
        @if (roll(); as r) {
          <rect class="sheet" [attr.x]="r.radius" y="0" [attr.width]="s.widthMm" [attr.height]="2 * r.radius" />
          <ellipse class="sheet" [attr.cx]="r.radius" [attr.cy]="r.radius" [attr.rx]="r.radius / 3" [attr.ry]="r.radius" />
          <ellipse class="core" [attr.cx]="r.radius" [attr.cy]="r.radius" [attr.rx]="r.core / 3" [attr.ry]="r.core" />
        } @else {
          <rect class="sheet" x="0" y="0" [attr.width]="s.lengthMm ?? s.widthMm" [attr.height]="s.widthMm" />
        }
        @for (y of grain(); track $index) {
          <line class="grain" [attr.x1]="y[0]" [attr.y1]="y[1]" [attr.x2]="y[2]" [attr.y2]="y[3]" />
        }
      </svg>
      <p class="soft">{{ says() }}</p>
    </div>
    <div>
      <dk-card-fields [rows]="rows()" (set)="set.emit($event)" />
      <h3>{{ say('stockCard.priceForAThousandFrom') }}</h3>
      <dk-card-fields [rows]="prices()" (set)="setPrice($event.at, $event.value)" />
      <button type="button" matButton (click)="addPrice(s)">{{ say('stockCard.addAPriceBreak') }}</button>
      @if (s.price.length > 1) {
        <button type="button" matButton class="gap" (click)="dropPrice(s)">{{ say('stockCard.takeTheLastAway') }}</button>
      }
    </div>
  }`,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(240px, 1fr) minmax(300px, 1fr);
      gap: 20px;
      align-items: start;
    }
    svg {
      width: 100%;
      max-height: 260px;
    }
    .sheet {
      fill: var(--card);
      stroke: var(--soft);
      vector-effect: non-scaling-stroke;
    }
    .core {
      fill: var(--kraft);
      stroke: var(--soft);
      vector-effect: non-scaling-stroke;
    }
    .grain {
      stroke: var(--line);
      vector-effect: non-scaling-stroke;
    }
    h3 {
      font-size: 14px;
      margin: 14px 0 4px;
    }
    .gap {
      margin-left: 18px;
    }
  `,
})
export class StockCard {
  protected readonly say = say;
  readonly id = input.required<string>();
  readonly context = input.required<RowContext>();
  readonly set = output<{ at: string[]; value: unknown }>();
  protected readonly stock = computed(() => this.context().plant.stocks[this.id()] ?? null);
  protected readonly rows = computed((): CardRow[] => {
    const s = this.stock();
    if (!s) return [];
    const has = (key: string): boolean =>
      ALWAYS.has(key) || key in s || (s.form === 'roll' && ROLL.has(key)) || (key === 'panelAddMm' && isBoard(s));
    const below = ['stocks', this.id()];
    const choice = (key: 'grain' | 'surface', label: string, options: [string, string][]): CardRow => ({
      ...cardRow(this.context(), below, { at: [key], key, kind: 'text' }),
      label,
      kind: 'choice',
      options: options.map(([value, says]) => ({ value, says })),
    });
    return [
      ...FIELDS.filter(([f]) => has(f.key)).map(([f, unit]) => cardRow(this.context(), below, f, unit)),
      choice('grain', say('stockCard.grain'), [
        ['', say('stockCard.notSaid')],
        ['long', say('stockCard.alongTheLongSide')],
        ['short', say('stockCard.alongTheShortSide')],
      ]),
      choice('surface', say('stockCard.surface'), [
        ['', say('stockCard.notSaid')],
        ['gloss', say('stockCard.gloss')],
        ['matt', say('stockCard.matt')],
        ['uncoated', say('stockCard.uncoated')],
      ]),
      {
        ...cardRow(this.context(), below, { at: ['soft'], key: 'soft', kind: 'text' }),
        label: say('stockCard.softOrLaminated'),
        kind: 'flag',
      },
    ];
  });
  protected readonly prices = computed((): CardRow[] =>
    (this.stock()?.price ?? []).flatMap((_, i) =>
      (['from', 'a thousand'] as const).map((what, j) => ({
        ...cardRow(this.context(), ['stocks', this.id()], { at: ['price', String(i), String(j)], key: what, kind: 'number' as const }),
        label: j === 0 ? say('stockCard.fromLine', i + 1) : say('stockCard.aThousandLine', i + 1),
        unit: j === 0 ? '' : this.context().plant.currency,
      })),
    ),
  );
  protected readonly roll = computed(() => {
    const s = this.stock();
    return s?.form === 'roll' ? { radius: (s.rollDiameterMm ?? 600) / 2, core: (s.coreMm ?? 76) / 2 } : null;
  });
  private readonly size = computed((): [number, number] => {
    const [s, roll] = [this.stock(), this.roll()];
    if (!s) return [1, 1];
    return roll ? [roll.radius + s.widthMm, 2 * roll.radius] : [s.lengthMm ?? s.widthMm, s.widthMm];
  });
  protected readonly box = computed(() => {
    const [w, h] = this.size();
    return `${-w * 0.02} ${-h * 0.02} ${w * 1.04} ${h * 1.04}`;
  });
  /** Fine lines the way the grain runs. */
  protected readonly grain = computed(() => {
    const s = this.stock();
    if (!s?.grain) return [];
    const [w, h] = this.size();
    const alongX = (s.grain === 'long') === w >= h;
    return Array.from({ length: 9 }, (_, i) => (i + 1) / 10).map((k) =>
      alongX ? [w * 0.05, h * k, w * 0.95, h * k] : [w * k, h * 0.05, w * k, h * 0.95],
    );
  });
  protected readonly says = computed(() => {
    const s = this.stock();
    if (!s) return '';
    const size =
      s.lengthMm === undefined
        ? `${formatNumber(s.widthMm, 1)} mm wide`
        : `${formatNumber(s.lengthMm, 1)} × ${formatNumber(s.widthMm, 1)} mm`;
    return s.grain === undefined
      ? `${s.name}: ${size}`
      : s.grain === 'long'
        ? say('stockCard.grainAlongTheLongSide', s.name, size)
        : say('stockCard.grainAlongTheShortSide', s.name, size);
  });
  protected setPrice(at: string[], value: unknown): void {
    if (typeof value === 'number') this.set.emit({ at, value });
  }
  protected addPrice(s: Stock): void {
    const [from, price] = s.price.at(-1) ?? [0, 0];
    this.set.emit({ at: ['stocks', this.id(), 'price'], value: [...s.price, [from * 2 + 1_000, price]] });
  }
  protected dropPrice(s: Stock): void {
    this.set.emit({ at: ['stocks', this.id(), 'price'], value: s.price.slice(0, -1) });
  }
}
