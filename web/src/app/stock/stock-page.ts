import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatTabNavPanel } from '@angular/material/tabs';
import { Store } from '@ngrx/store';
import { catchError, EMPTY, filter, type Observable, switchMap } from 'rxjs';
import type { StockLine } from '@druckerei/contract';
import { formatMoment, formatNumber, say, UNIT_WORDS } from '@druckerei/core';
import { sessionFeature } from '../session/session.feature';
import type { Failure } from '../shared/api';
import { PlanContext } from '../shared/plan-context';
import { readingOf } from '../shared/server';
import { type View, Views } from '../shared/views';
import { CoverPicture } from './cover-picture';
import { StockDesk } from './stock-desk';

/** What lies in the store, what is promised, coming and wanted, stock by stock; what to order by when. */
@Component({
  selector: 'dk-stock-page',
  imports: [CoverPicture, MatTabNavPanel, StockDesk, Views],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="head">
      <h1>{{ say('stockPage.stock') }}</h1>
      <dk-views [views]="views" [here]="shown()" [label]="say('stockPage.stock')" [panel]="panel" />
      <span class="soft">{{ says() }}</span>
    </div>
    <mat-tab-nav-panel #panel></mat-tab-nav-panel>
    @if (failure(); as f) {
      <p class="note level-decide" role="alert">
        {{ f.detail ?? f.title }}
        @for (x of f.fields ?? []; track $index) {
          <span>{{ x.path }} {{ x.says }}. </span>
        }
      </p>
    }
    @if (shown() === 'cover' && plant()) {
      <dk-cover-picture [lines]="page()!.lines" [plant]="plant()!" />
    } @else if (lines().length > 0) {
      <main>
        <section class="card list" [attr.aria-label]="say('stockPage.stock')">
          @for (l of lines(); track l.line.stock) {
            <button
              type="button"
              class="item"
              [class.here]="l.line.stock === chosen()"
              [attr.aria-pressed]="l.line.stock === chosen()"
              (click)="chosen.set(l.line.stock)"
            >
              <span class="name">{{ l.name }}</span>
              @if (l.line.shortage; as s) {
                <span class="chip" [class]="l.late ? 'level-release' : 'level-decide'">{{
                  say('stockPage.orderBy', moment(s.orderByS, zone()))
                }}</span>
              }
              <svg class="bar" viewBox="0 0 300 16" preserveAspectRatio="none" role="img" [attr.aria-label]="l.says">
                <rect class="free" x="0" y="2" height="12" [attr.width]="l.free" />
                <rect class="reserved" y="2" height="12" [attr.x]="l.free" [attr.width]="l.reserved" />
                <rect class="coming" y="2" height="12" [attr.x]="l.free + l.reserved" [attr.width]="l.coming" />
                <line class="wanted" y1="0" y2="16" [attr.x1]="l.wanted" [attr.x2]="l.wanted" />
              </svg>
              <span class="soft says">{{ l.says }}</span>
            </button>
          }
        </section>
        @if (line(); as l) {
          <dk-stock-desk class="card" [line]="l" [page]="page()!" [plant]="plant()!" [zone]="zone()" [may]="may()" (asked)="call($event)" />
        }
      </main>
    } @else if (!failure()) {
      <div class="state" role="status">
        <p class="soft">{{ say('stockPage.readingTheStore') }}</p>
      </div>
    }`,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      height: calc(100vh - 46px);
      min-height: 560px;
    }
    .head {
      display: flex;
      align-items: baseline;
      gap: 18px;
      padding: 12px 16px 10px;
    }
    .state {
      padding: 60px;
      text-align: center;
    }
    main {
      flex: 1;
      min-height: 0;
      display: grid;
      grid-template-columns: 430px minmax(0, 1fr);
      gap: 14px;
      padding: 0 16px 14px;
    }
    .list {
      overflow: auto;
      padding: 6px;
    }
    .item {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 2px 10px;
      width: 100%;
      text-align: left;
      border: 0;
      border-bottom: 1px solid var(--line);
      background: none;
      padding: 8px 10px;
      cursor: pointer;
    }
    .item.here {
      background: var(--act-ground);
      border-radius: 7px;
    }
    .name {
      font-weight: 600;
    }
    .bar {
      grid-column: span 2;
      width: 100%;
      height: 16px;
    }
    .says {
      grid-column: span 2;
      font-size: 13px;
    }
    .free {
      fill: var(--river);
      stroke: var(--act);
    }
    .reserved {
      fill: var(--act);
    }
    .coming {
      fill: none;
      stroke: var(--act);
      stroke-dasharray: 4 3;
    }
    .wanted {
      stroke: var(--ink);
      stroke-width: 2;
      vector-effect: non-scaling-stroke;
    }
    dk-stock-desk {
      overflow: auto;
      padding: 12px 16px;
    }
  `,
})
export class StockPage {
  protected readonly say = say;
  private readonly plants = inject(PlanContext);
  private readonly read = readingOf('stock.read', ['stock', 'jobs']);
  protected readonly page = this.read.got;
  /** The settings the page was reckoned with. */
  protected readonly plant = toSignal(
    toObservable(computed(() => this.page()?.plant)).pipe(
      filter((hash) => hash !== undefined),
      switchMap((hash) =>
        this.plants.plant(hash).pipe(
          catchError((failure: Failure) => {
            this.refused.set(failure);
            return EMPTY;
          }),
        ),
      ),
    ),
    { initialValue: null },
  );
  private readonly refused = signal<Failure | null>(null);
  protected readonly failure = computed(() => this.refused() ?? this.read.failure());
  protected readonly moment = formatMoment;
  private readonly me = inject(Store).selectSignal(sessionFeature.selectMe);
  protected readonly may = computed(() => (this.me()?.roles ?? []).some((r) => r === 'planner' || r === 'store'));
  protected readonly zone = computed(() => this.plant()?.timeZone ?? 'UTC');
  protected readonly says = computed(() => {
    // Of what was never read nothing is known.
    if (!this.page()) return '';
    const short = this.lines().filter((l) => l.line.shortage).length;
    return short === 0 ? say('stockPage.nothingIsShort') : say('stockPage.soManyAreShort', short);
  });
  protected readonly line = computed(() => this.page()?.lines.find((l) => l.stock === this.chosen()) ?? null);
  /** What is to order first, the most pressing on top; then by name. */
  protected readonly lines = computed(() => {
    const [page, plant] = [this.page(), this.plant()];
    if (!page || !plant) return [];
    const now = Date.now() / 1000;
    return page.lines
      .map((line) => {
        const most = Math.max(line.free + line.reserved + line.coming, line.wanted, 1);
        const wide = (of: number): number => (300 * Math.max(of, 0)) / most;
        return {
          line,
          name: plant.stocks[line.stock]?.name ?? line.stock,
          free: wide(line.free),
          reserved: wide(line.reserved),
          coming: wide(line.coming),
          wanted: Math.min(wide(line.wanted), 299),
          late: (line.shortage?.orderByS ?? Infinity) < now,
          says: this.lineSays(line),
        };
      })
      .sort((a, b) => (a.line.shortage?.orderByS ?? Infinity) - (b.line.shortage?.orderByS ?? Infinity) || a.name.localeCompare(b.name));
  });

  /** Which view the address asks for. */
  readonly view = input<string>();
  protected readonly shown = computed(() => (this.view() === 'cover' ? 'cover' : 'store'));
  protected readonly views: readonly View[] = [
    { id: 'store', says: say('stockPage.inTheStore'), query: { view: null } },
    { id: 'cover', says: say('stockPage.cover'), query: { view: 'cover' } },
  ];
  /** The stock the address asks for. */
  readonly stock = input<string>();
  /** As chosen or asked for, while it is there; else the first. */
  protected readonly chosen = linkedSignal<{ stocks: string[]; asked: string | undefined }, string>({
    source: () => ({ stocks: this.lines().map((l) => l.line.stock), asked: this.stock() }),
    computation: ({ stocks, asked }, before) =>
      [before?.source.asked === asked ? before?.value : undefined, asked, stocks[0]].find((s) => s !== undefined && stocks.includes(s)) ??
      '',
  });

  constructor() {
    this.read.ask({});
  }

  private lineSays(l: StockLine): string {
    const unit = UNIT_WORDS[l.unit]?.[1] ?? l.unit;
    return [
      say('stockPage.free', formatNumber(l.free), unit),
      ...(l.reserved > 0 ? [say('stockPage.promised', formatNumber(l.reserved))] : []),
      ...(l.coming > 0 ? [say('stockPage.coming', formatNumber(l.coming))] : []),
      ...(l.weeks === null ? [] : [say('stockPage.lasts', formatNumber(l.weeks, l.weeks < 10 ? 1 : 0))]),
      ...(l.wanted > 0 ? [say('stockPage.wanted', formatNumber(l.wanted))] : []),
    ].join(' · ');
  }

  /** Something was asked of the store at the desk: done, the page reads again; refused, it says why. */
  protected call(asked: Observable<unknown>): void {
    asked.subscribe({
      next: () => {
        this.refused.set(null);
        this.read.again();
      },
      error: (f: Failure) => {
        this.refused.set(f);
      },
    });
  }
}
