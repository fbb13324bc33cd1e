import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatSortModule } from '@angular/material/sort';
import { type Observable, tap } from 'rxjs';
import type { MoveKind, StockLine, StockPage } from '@druckerei/contract';
import {
  formatMoment,
  formatNumber,
  label,
  type Plant,
  say,
  UNIT_WORDS,
  readNumber,
  MEASURE_SPREAD,
  type PieceMeasure,
} from '@druckerei/core';
import { MeasuredCount } from '../shared/measured-count';
import { Server } from '../shared/server';
import { LotMoves } from './lot-moves';
import { sorting } from '../shared/sorting';
import { DayField } from '../shared/day-field';
import { InPlace } from '../shared/in-place';

/** What is done at the desk, one form at a time. */
type Doing = { kind: 'none' } | { kind: 'lot' | 'order' } | { kind: MoveKind | 'reserve'; lot: string } | { kind: 'moves'; lot: string };

/** One stock: what to order by when, its lots and what is done with them, promises and orders. */
@Component({
  selector: 'dk-stock-desk',
  imports: [
    ReactiveFormsModule,
    RouterLink,
    LotMoves,
    MeasuredCount,
    InPlace,
    MatButton,
    MatInputModule,
    MatExpansionModule,
    DayField,
    MatSortModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<h2>{{ name() }}</h2>
    @if (line().shortage; as s) {
      <div class="order level-decide">
        <p>
          <b>{{ say('stockDesk.short', n(s.short), unit(), moment(s.firstByS, zone())) }}</b>
          {{ say('stockDesk.orderByTakes', moment(s.orderByS, zone()), n(days(), 1)) }}
        </p>
        @if (line().buy; as b) {
          <p>
            {{ say('stockDesk.buy', n(b.quantity), unit(), money(b.cost), money(b.perThousand)) }}
            @if (b.atBreak) {
              <span>{{ say('stockDesk.theBreakMakesMoreCheaper') }}</span>
            }
            @if (may()) {
              <button type="button" matButton (click)="begin({ kind: 'order' }, { quantity: b.quantity + '' })">
                {{ say('stockDesk.noteTheOrder') }}
              </button>
            }
          </p>
        }
        @for (t of line().trims; track t.from) {
          <p>{{ say('stockDesk.orCut', n(t.sheets), stockName(t.from), t.fromOne, n(t.wasteShare * 100, 1), n(t.free)) }}</p>
        }
      </div>
    } @else {
      <p class="soft">{{ say('stockDesk.enoughForEveryOpenJob') }}</p>
    }
    @if (line().jobs.length > 0) {
      <p class="jobs">
        {{ say('stockDesk.wantedBy') }}
        @for (j of line().jobs; track j.job) {
          <a [routerLink]="['/jobs', j.job]">{{ say('stockDesk.jobWants', j.number, n(j.quantity), moment(j.byS, zone())) }}</a>
        }
      </p>
    }
    <div class="top">
      <h3>{{ say('stockDesk.lots') }}</h3>
      <span class="space"></span>
      @if (may()) {
        <button type="button" matButton (click)="begin({ kind: 'lot' })">{{ say('stockDesk.countANewLotIn') }}</button>
        <button type="button" matButton (click)="begin({ kind: 'order' })">{{ say('stockDesk.noteAnOrder') }}</button>
      }
    </div>
    <table class="lines" matSort (matSortChange)="sorted.set($event)">
      <thead>
        <tr>
          <th mat-sort-header="id">{{ say('stockDesk.lot') }}</th>
          <th mat-sort-header="place">{{ say('stockDesk.place') }}</th>
          <th mat-sort-header="there" arrowPosition="before" class="number">{{ say('stockDesk.there') }}</th>
          <th mat-sort-header="promised" arrowPosition="before" class="number">{{ say('stockDesk.promised') }}</th>
          <th mat-sort-header="measured" arrowPosition="before" class="number">{{ say('stockDesk.measured') }}</th>
          <th mat-sort-header="owner">{{ say('stockDesk.owner') }}</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        @for (l of sorted.rows(); track l.id) {
          <tr>
            <td>
              <button
                type="button"
                matButton
                [attr.aria-label]="say('stockDesk.movesOf', l.id)"
                (click)="doing.set({ kind: 'moves', lot: l.id })"
              >
                {{ l.id }}
              </button>
            </td>
            <td>{{ l.place }}</td>
            <td class="number">{{ n(l.quantity) }}</td>
            <td class="number">{{ l.reserved > 0 ? n(l.reserved) : '–' }}</td>
            <td class="number">{{ l.caliperUm === null ? '–' : n(l.caliperUm) + ' µm' }}</td>
            <td>{{ word(l.owner) }}</td>
            <td>
              @if (may()) {
                <select
                  matNativeControl
                  dkInPlace
                  [attr.aria-label]="say('stockDesk.doWith', l.id)"
                  (change)="pick(l.id, $any($event.target))"
                >
                  <option value="">{{ say('stockDesk.do') }}</option>
                  @for (k of kindsFor(l.owner); track k) {
                    <option [value]="k">{{ word('move.' + k) }}</option>
                  }
                </select>
              }
            </td>
          </tr>
        } @empty {
          <tr>
            <td colspan="7" class="soft">{{ say('stockDesk.noLot') }}</td>
          </tr>
        }
      </tbody>
    </table>
    @switch (doing().kind) {
      @case ('none') {}
      @case ('moves') {
        <dk-lot-moves [lot]="lotOf()" [zone]="zone()" [may]="may()" (asked)="ask($event)" (closed)="doing.set({ kind: 'none' })" />
      }
      @default {
        <form [formGroup]="form" (ngSubmit)="send()" [attr.aria-label]="title()">
          <h3>{{ title() }}</h3>
          @if (shows('lot')) {
            <mat-form-field
              ><mat-label>{{ say('stockDesk.numberOfTheLot') }}</mat-label
              ><input matInput formControlName="lot"
            /></mat-form-field>
          }
          @if (shows('quantity')) {
            <mat-form-field
              ><mat-label>{{ unit() }}</mat-label
              ><input matInput formControlName="quantity" inputmode="numeric"
            /></mat-form-field>
            @if (measure(); as m) {
              <mat-expansion-panel>
                <mat-expansion-panel-header>{{ say('measured.instead') }}</mat-expansion-panel-header>
                <dk-measured-count [measure]="m" [atStake]="atStake()" [unit]="unit()" [due]="booked()" (counted)="measured($event)" />
              </mat-expansion-panel>
            }
          }
          @if (shows('caliper')) {
            <mat-form-field
              ><mat-label>{{ say('stockDesk.caliperUm') }}</mat-label
              ><input matInput formControlName="caliper" inputmode="decimal"
            /></mat-form-field>
          }
          @if (shows('job')) {
            <mat-form-field
              ><mat-label>{{ say('stockDesk.forJob') }}</mat-label
              ><select matNativeControl formControlName="job">
                <option value="">{{ say('stockDesk.noJob') }}</option>
                @for (j of line().jobs; track j.job) {
                  <option [value]="j.job">{{ j.number }}</option>
                }
              </select></mat-form-field
            >
          }
          @if (shows('small')) {
            <mat-form-field
              ><mat-label>{{ say('stockDesk.cutTo') }}</mat-label
              ><select matNativeControl formControlName="small">
                @for (s of smaller(); track s.id) {
                  <option [value]="s.id">{{ s.name }}</option>
                }
              </select></mat-form-field
            >
          }
          @if (shows('owner')) {
            <mat-form-field
              ><mat-label>{{ say('stockDesk.owner') }}</mat-label
              ><select matNativeControl formControlName="owner">
                <option value="works">{{ word('works') }}</option>
                <option value="customer">{{ word('customer') }}</option>
              </select></mat-form-field
            >
          }
          @if (shows('place')) {
            <mat-form-field
              ><mat-label>{{ say('stockDesk.place') }}</mat-label
              ><input matInput formControlName="place"
            /></mat-form-field>
          }
          @if (shows('purchase') && orders().length > 0) {
            <mat-form-field
              ><mat-label>{{ say('stockDesk.fromTheOrder') }}</mat-label
              ><select matNativeControl formControlName="purchase">
                <option value="">{{ say('stockDesk.noOrder') }}</option>
                @for (p of orders(); track p.id) {
                  <option [value]="p.id">{{ n(p.quantity) }} · {{ p.comesOn }}</option>
                }
              </select></mat-form-field
            >
          }
          @if (shows('comesOn')) {
            <dk-day-field [label]="say('stockDesk.comesOn')" formControlName="comesOn" />
          }
          @if (shows('note')) {
            <mat-form-field
              ><mat-label>{{ say('stockDesk.note') }}</mat-label
              ><input matInput formControlName="note" maxlength="300"
            /></mat-form-field>
          }
          <div class="acts">
            <button matButton="filled" type="submit">{{ say('stockDesk.enter') }}</button>
            <button matButton="outlined" type="button" (click)="doing.set({ kind: 'none' })">{{ say('stockDesk.cancel') }}</button>
          </div>
        </form>
      }
    }
    @if (promises().length > 0) {
      <h3>{{ say('stockDesk.promises') }}</h3>
      @for (r of promises(); track r.id) {
        <p class="promise">
          <a [routerLink]="['/jobs', r.job]">{{ say('stockDesk.promisedTo', n(r.quantity), r.lot, r.number, r.by) }}</a>
          @if (may()) {
            <button type="button" matButton (click)="free(r.id)">{{ say('stockDesk.giveFree') }}</button>
          }
        </p>
      }
    }
    @if (orders().length > 0) {
      <h3>{{ say('stockDesk.onItsWay') }}</h3>
      @for (p of orders(); track p.id) {
        <p class="promise">
          {{ say('stockDesk.ordered', n(p.quantity), p.comesOn, p.by) }} <span class="soft">{{ p.note }}</span>
          @if (may()) {
            <button type="button" matButton (click)="begin({ kind: 'lot' }, { quantity: p.quantity + '', purchase: p.id })">
              {{ say('stockDesk.itIsHere') }}
            </button>
            <button type="button" matButton (click)="cancelOrder(p.id)">{{ say('stockDesk.willNotCome') }}</button>
          }
        </p>
      }
    }`,
  styles: `
    .order {
      border-radius: 7px;
      padding: 8px 12px;
      margin: 8px 0;
    }
    .order p {
      margin: 2px 0;
    }
    .order button {
      color: inherit;
      text-decoration: underline;
      margin-left: 10px;
    }
    .jobs a {
      margin-left: 12px;
    }
    .top {
      display: flex;
      gap: 16px;
      align-items: baseline;
      margin-top: 12px;
    }
    h3 {
      font-size: 15px;
    }
    form {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 8px 18px;
      background: var(--know-ground);
      border-radius: 7px;
      padding: 10px 14px;
      margin-bottom: 12px;
    }
    form h3,
    .acts {
      grid-column: 1 / -1;
    }
    .acts {
      display: flex;
      gap: 10px;
    }
    .promise {
      margin: 3px 0;
    }
    .promise button {
      margin-left: 12px;
    }
  `,
})
export class StockDesk {
  protected readonly say = say;
  readonly line = input.required<StockLine>();
  readonly page = input.required<StockPage>();
  readonly plant = input.required<Plant>();
  readonly zone = input.required<string>();
  readonly may = input(false);
  /** Something to ask of the store. */
  readonly asked = output<Observable<unknown>>();
  private readonly server = inject(Server);
  private readonly stock = computed(() => this.line().stock);
  /** Another stock begins anew; news of this one leave a form that is being filled alone. */
  protected readonly doing = linkedSignal<string, Doing>({ source: this.stock, computation: () => ({ kind: 'none' }) });
  protected readonly n = formatNumber;
  protected money = (amount: number): string => formatNumber(amount, 2, true);
  protected readonly moment = formatMoment;
  protected readonly word = label;
  protected readonly form = inject(NonNullableFormBuilder).group({
    lot: [''],
    quantity: ['', Validators.pattern(/^\d+$/)],
    caliper: [''],
    job: [''],
    small: [''],
    owner: ['works'],
    place: [''],
    purchase: [''],
    comesOn: [''],
    note: [''],
  });
  protected readonly unit = computed(() => UNIT_WORDS[this.line().unit]?.[1] ?? this.line().unit);
  protected readonly name = computed(() => this.stockName(this.line().stock));
  protected readonly days = computed(() => this.plant().stocks[this.line().stock]?.leadDays ?? 0);
  protected readonly lots = computed(() => this.page().lots.filter((l) => l.stock === this.line().stock));
  protected readonly sorted = sorting(this.lots, {
    id: (l) => l.id,
    place: (l) => l.place,
    there: (l) => l.quantity,
    promised: (l) => l.reserved,
    measured: (l) => l.caliperUm,
    owner: (l) => l.owner,
  });
  protected readonly promises = computed(() => this.page().reservations.filter((r) => r.stock === this.line().stock));
  protected readonly orders = computed(() => this.page().purchases.filter((p) => p.stock === this.line().stock));
  /** Sheets of the same grade that are smaller. */
  protected readonly smaller = computed(() => {
    const large = this.plant().stocks[this.line().stock];
    return Object.entries(this.plant().stocks)
      .filter(
        ([id, s]) =>
          id !== this.line().stock &&
          s.grade === large?.grade &&
          s.form === 'sheet' &&
          s.widthMm * (s.lengthMm ?? 0) < large.widthMm * (large.lengthMm ?? 0),
      )
      .map(([id, s]) => ({ id, name: s.name }));
  });
  protected readonly lotOf = computed(() => {
    const d = this.doing();
    return 'lot' in d ? d.lot : '';
  });
  protected readonly title = computed(() => {
    const d = this.doing();
    return 'lot' in d ? `${label(`move.${d.kind}`)}, ${d.lot}` : label(`move.${d.kind}`);
  });
  protected stockName = (id: string): string => this.plant().stocks[id]?.name ?? id;
  protected kindsFor = (owner: string): string[] => [
    'reserve',
    'issue',
    'return',
    'recount',
    'measure',
    ...(this.smaller().length > 0 ? ['trim'] : []),
    ...(owner === 'customer' ? ['back'] : []),
  ];

  /** What the lot in hand holds by the books. */
  protected readonly booked = computed(() => this.lots().find((l) => l.id === this.lotOf())?.quantity ?? 1_000);
  /** A count in the store may be off by one in a hundred of what is booked. Common practice, no source. */
  protected readonly atStake = computed(() => Math.floor(this.booked() / 100));
  /** A sheet of the lot, for counting it by height or scale; null where it has no sheets, or nothing is counted. */
  protected readonly measure = computed((): PieceMeasure | null => {
    const stock = this.plant().stocks[this.line().stock];
    if (this.doing().kind !== 'recount' || stock?.form !== 'sheet' || stock.lengthMm === undefined) return null;
    const measuredUm = this.lots().find((l) => l.id === this.lotOf())?.caliperUm ?? null;
    return {
      pieceKg: (stock.widthMm * stock.lengthMm * stock.gsm) / 1e9,
      kgPpm: MEASURE_SPREAD.catalogueGsmPpm,
      pieceUm: measuredUm ?? stock.caliperUm,
      umPpm: measuredUm === null ? MEASURE_SPREAD.catalogueCaliperPpm : MEASURE_SPREAD.measuredPpm,
    };
  });
  protected measured(pieces: number): void {
    this.form.patchValue({ quantity: String(pieces) });
  }

  /** Which fields what is done asks for. */
  protected shows(field: string): boolean {
    const FIELDS: Record<string, string[]> = {
      lot: ['lot', 'quantity', 'owner', 'place', 'caliper', 'purchase', 'note'],
      order: ['quantity', 'comesOn', 'note'],
      reserve: ['quantity', 'job'],
      issue: ['quantity', 'job', 'note'],
      return: ['quantity', 'job', 'note'],
      recount: ['quantity', 'note'],
      back: ['quantity', 'note'],
      measure: ['caliper', 'note'],
      trim: ['quantity', 'small', 'lot', 'place'],
    };
    return FIELDS[this.doing().kind]?.includes(field) ?? false;
  }
  protected begin(doing: Doing, values: Partial<ReturnType<typeof this.form.getRawValue>> = {}): void {
    this.form.reset();
    this.form.patchValue({ small: this.smaller()[0]?.id ?? '', job: this.line().jobs[0]?.job ?? '', ...values });
    this.doing.set(doing);
  }
  protected pick(lot: string, from: HTMLSelectElement): void {
    const kind = from.value;
    from.value = '';
    if (kind !== '') this.begin({ kind: kind as MoveKind | 'reserve', lot });
  }
  /** Done, the form closes; refused, it stays with what was typed. */
  protected ask(call: Observable<unknown>): void {
    const form = this.doing().kind !== 'moves';
    this.asked.emit(
      call.pipe(
        tap(() => {
          if (form) this.doing.set({ kind: 'none' });
        }),
      ),
    );
  }
  protected free(id: string): void {
    this.ask(this.server.send('stock.free', { params: { id }, body: { reason: say('stockDesk.givenFreeByHand') } }));
  }
  protected cancelOrder(id: string): void {
    this.ask(this.server.send('stock.cancelOrder', { params: { id } }));
  }

  protected send(): void {
    const d = this.doing();
    const v = this.form.getRawValue();
    const quantity = Number(v.quantity);
    const caliperUm = v.caliper.trim() === '' ? undefined : readNumber(v.caliper);
    const key = crypto.randomUUID();
    const { stock } = this.line();
    switch (d.kind) {
      case 'lot':
        this.ask(
          this.server.send('stock.addLot', {
            body: {
              key,
              id: v.lot,
              stock,
              quantity,
              owner: v.owner === 'customer' ? 'customer' : 'works',
              place: v.place,
              note: v.note,
              ...(caliperUm !== undefined && { caliperUm }),
              ...(v.purchase !== '' && { purchase: v.purchase }),
            },
          }),
        );
        break;
      case 'order':
        this.ask(this.server.send('stock.order', { body: { id: key, stock, quantity, comesOn: v.comesOn, note: v.note } }));
        break;
      case 'reserve':
        this.ask(this.server.send('stock.reserve', { body: { id: key, job: v.job, lot: d.lot, quantity } }));
        break;
      case 'trim':
        this.ask(
          this.server.send('stock.trim', {
            params: { id: d.lot },
            body: { key, stock: v.small, sheets: quantity, lot: v.lot, place: v.place },
          }),
        );
        break;
      case 'none':
      case 'moves':
        return;
      default:
        this.ask(
          this.server.send('stock.move', {
            params: { id: d.lot },
            body: {
              key,
              kind: d.kind,
              quantity: d.kind === 'measure' ? 0 : quantity,
              note: v.note,
              ...(caliperUm !== undefined && { caliperUm }),
              ...(v.job !== '' && (d.kind === 'issue' || d.kind === 'return') && { job: v.job }),
            },
          }),
        );
    }
  }
}
