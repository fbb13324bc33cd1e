import { CdkVirtualScrollViewport, ScrollingModule } from '@angular/cdk/scrolling';
import { ChangeDetectionStrategy, Component, computed, effect, type ElementRef, inject, viewChild } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatInputModule } from '@angular/material/input';
import { MatTooltip } from '@angular/material/tooltip';
import { Store } from '@ngrx/store';
import type { OrderRow } from '@druckerei/contract';
import { findingTitle, formatDuration, formatMoment, formatNumber, label, say } from '@druckerei/core/words';
import { Shortcuts } from '../shared/shortcuts';
import { Works } from '../shared/works';
import { OrdersActions, ordersFeature, type OrderSort, type OrderState } from './orders.feature';
import { InPlace } from '../shared/in-place';

/** The orders in hand, one line each, the next due first; opening the page loads them. */
@Component({
  selector: 'dk-order-list',
  host: { '(focusin)': 'focused($event)' },
  imports: [RouterLink, ScrollingModule, InPlace, MatButton, MatButtonToggleModule, MatInputModule, MatTooltip],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './order-list.html',
  styleUrl: './order-list.scss',
})
export class OrderList {
  protected readonly say = say;
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly find = viewChild<ElementRef<HTMLInputElement>>('find');
  protected readonly rows = this.store.selectSignal(ordersFeature.selectAll);
  protected readonly chosen = this.store.selectSignal(ordersFeature.selectChosen);
  protected readonly found = this.store.selectSignal(ordersFeature.selectFind);
  protected readonly call = this.store.selectSignal(ordersFeature.selectCall);
  protected readonly loading = computed(() => this.call() === 'loading');
  protected readonly failure = computed(() => {
    const c = this.call();
    return typeof c === 'object' ? c.failure : null;
  });
  protected readonly filter = this.store.selectSignal(ordersFeature.selectState);
  protected readonly sort = this.store.selectSignal(ordersFeature.selectSort);
  protected readonly next = this.store.selectSignal(ordersFeature.selectNext);
  protected readonly more = this.store.selectSignal(ordersFeature.selectMore);
  protected readonly totals = this.store.selectSignal(ordersFeature.selectTotals);
  protected readonly states: { value: OrderState; says: string }[] = [
    { value: 'all', says: say('orderList.inHand') },
    { value: 'draft', says: say('orderList.drafts') },
    { value: 'blocked', says: say('orderList.blocked') },
    { value: 'late', says: say('orderList.areLate') },
    { value: 'released', says: say('orderList.released') },
    { value: 'delivered', says: say('orderList.delivered') },
  ];
  /** The chosen orders as a file. */
  protected readonly exported = computed(() => {
    const query = new URLSearchParams({ ...(this.found() && { find: this.found() }), state: this.filter() }).toString();
    return { csv: `/api/orders.csv?${query}`, json: `/api/orders.json?${query}` };
  });
  protected readonly sorts: { value: OrderSort; says: string }[] = [
    { value: 'due', says: say('orderList.byDueDate') },
    { value: 'customer', says: say('orderList.byCustomer') },
    { value: 'newest', says: say('orderList.newestFirst') },
  ];
  protected readonly changed = this.store.selectSignal(ordersFeature.selectChanged);
  private readonly list = viewChild(CdkVirtualScrollViewport);
  /** Height of a row, the same in the stylesheet: a list of a hundred thousand rows draws those in sight. */
  protected readonly rowPx = 58;
  protected readonly n = formatNumber;
  protected readonly duration = formatDuration;

  constructor() {
    this.store.dispatch(OrdersActions.opened());
    effect(() => {
      this.rows();
      // Once the rows are drawn.
      if (this.walks)
        setTimeout(() => {
          if (this.walks) this.stand();
        });
    });
    inject(Shortcuts).use([
      {
        keys: 'ArrowDown',
        shown: '↓',
        says: say('orderList.nextOrder'),
        run: () => {
          this.move(1);
        },
      },
      {
        keys: 'ArrowUp',
        shown: '↑',
        says: say('orderList.orderBefore'),
        run: () => {
          this.move(-1);
        },
      },
      {
        keys: 'Enter',
        shown: 'Enter',
        says: say('orderList.openTheChosenOrder'),
        run: () => {
          const job = this.chosen();
          if (job) this.open(job);
        },
      },
      {
        keys: 'n',
        shown: 'N',
        says: say('orderList.newOrder2'),
        run: () => {
          void this.router.navigate(['/orders/new']);
        },
      },
      {
        keys: '/',
        shown: '/',
        says: say('orderList.findAnOrder2'),
        run: () => {
          this.find()?.nativeElement.focus();
        },
      },
    ]);
  }

  protected type(find: string): void {
    this.store.dispatch(OrdersActions.findTyped({ find }));
  }
  protected show(state: OrderState): void {
    this.store.dispatch(OrdersActions.stateChosen({ state }));
  }
  protected sortBy(sort: string): void {
    const known = this.sorts.find((s) => s.value === sort);
    if (known) this.store.dispatch(OrdersActions.sortChosen({ sort: known.value }));
  }
  /** The next page is fetched when the end of what was read comes near. */
  protected reached(): void {
    const end = this.list()?.getRenderedRange().end ?? 0;
    if (end >= this.rows().length) this.wantMore();
  }
  private wantMore(): void {
    if (this.next() !== null && !this.more()) this.store.dispatch(OrdersActions.moreWanted());
  }
  protected readonly byJob = (_: number, row: OrderRow): string => row.job;
  protected again(): void {
    this.store.dispatch(OrdersActions.opened());
  }
  protected choose(job: string): void {
    this.store.dispatch(OrdersActions.chosen({ job }));
  }
  protected open(job: string): void {
    void this.router.navigate(['/jobs', job]);
  }

  /** Kept by the browser for ever: another version is another address. */
  protected picture = (row: OrderRow): string => `/api/jobs/${row.job}/picture.svg?version=${row.version}`;

  /** The river as one closed band: widths along the top, back along the bottom. */
  protected band(row: OrderRow): string {
    const w = row.summary.river;
    const x = (i: number): number => (120 * i) / Math.max(w.length - 1, 1);
    const half = (v: number): number => 13 * v;
    return `M${w.map((v, i) => `${x(i)} ${14 - half(v)}`).join('L')}L${w
      .map((v, i) => `${x(i)} ${14 + half(v)}`)
      .reverse()
      .join('L')}Z`;
  }

  private readonly zone = inject(Works).zone;
  protected due = (row: OrderRow): string => (row.dueAt === null ? say('orderList.noDate') : formatMoment(row.dueAt, this.zone()));
  protected slack(row: OrderRow): { says: string; late: boolean } {
    if (row.dueAt === null) return { says: '', late: false };
    const s = row.dueAt - row.summary.readyAt;
    return {
      says:
        Math.abs(s) < 3600
          ? say('orderList.onTheHour')
          : s < 0
            ? say('orderList.late', formatDuration(-s))
            : say('orderList.before', formatDuration(s)),
      late: s < 0,
    };
  }
  protected state = (row: OrderRow): string =>
    row.state === 'draft' && row.summary.blocking > 0 ? say('orderList.draftBlocked') : label(`state.${row.state}`);
  protected worst = (row: OrderRow): string => (row.summary.worst ? findingTitle(row.summary.worst.code, row.summary.worst.args) : '');

  /** From the search into what it found: the row of the chosen order, else the first. */
  protected intoList(event: Event): void {
    event.preventDefault();
    event.stopPropagation();
    this.walks = true;
    this.stand();
  }
  private stand(): void {
    this.move(0);
    const row = document.getElementById(this.chosen() ?? '');
    row?.querySelector('a')?.focus();
  }
  /** Whether keys walk in the list: what is read meanwhile, a search that ends late, does not take the place away. */
  private walks = false;
  protected focused({ target }: FocusEvent): void {
    this.walks = target instanceof Element && target.closest('[role=rowgroup]') !== null;
  }
  private move(by: number): void {
    const rows = this.rows();
    const at = Math.min(Math.max(rows.findIndex((r) => r.job === this.chosen()) + by, 0), rows.length - 1);
    const next = rows[at];
    if (at >= rows.length - 1) this.wantMore();
    if (!next) return;
    this.choose(next.job);
    const list = this.list();
    const [top, sight] = [list?.measureScrollOffset() ?? 0, list?.getViewportSize() ?? 0];
    if (at * this.rowPx < top) list?.scrollToOffset(at * this.rowPx);
    else if ((at + 1) * this.rowPx > top + sight) list?.scrollToOffset((at + 1) * this.rowPx - sight);
    // Who walks from row to row stands on the row: Enter opens that one and no other.
    const row = document.getElementById(next.job);
    if (row?.parentElement?.contains(document.activeElement)) row.querySelector('a')?.focus();
  }
}
