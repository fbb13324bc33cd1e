import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { filter } from 'rxjs';
import type { OrderPage as Order } from '@druckerei/contract';
import { formatMoment, formatNumber, label, say } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { Changes } from '../shared/changes';
import { pageTitle } from '../shared/page-title';
import { Works } from '../shared/works';

/** An order: what was ordered, what goes where and when, which jobs make it, and whether it adds up. */
@Component({
  selector: 'dk-order-page',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (failure(); as f) {
      <div class="card state" role="alert">
        <h2>{{ f.title }}</h2>
        <p>{{ f.detail }}</p>
        <a routerLink="/orders">{{ say('orderPage.backToTheOrders') }}</a>
      </div>
    } @else if (order(); as o) {
      <div class="head">
        <div>
          <span class="soft">{{ say('orderPage.enteredBy', o.customer, moment(o.madeAt, zone()), o.by) }}</span>
          <h1>{{ say('orderPage.order', o.number) }}</h1>
        </div>
      </div>
      <main>
        @for (l of lines(); track l.id) {
          <section class="card" [attr.aria-label]="l.title">
            <h2>{{ l.title }}</h2>
            <div class="columns">
              <table class="lines">
                <caption>
                  {{
                    say('orderPage.deliveries')
                  }}
                </caption>
                <thead>
                  <tr>
                    <th>{{ say('orderPage.by') }}</th>
                    <th class="number">{{ say('orderPage.pieces') }}</th>
                    <th>{{ say('orderPage.to') }}</th>
                  </tr>
                </thead>
                <tbody>
                  @for (d of l.deliveries; track d.nr) {
                    <tr>
                      <td>{{ moment(d.dueAt, zone()) }}</td>
                      <td class="number">{{ n(d.quantity) }}</td>
                      <td>{{ d.to }}</td>
                    </tr>
                  }
                  <tr class="sum">
                    <td>{{ say('orderPage.inAll') }}</td>
                    <td class="number" [class.fail]="l.delivered !== l.quantity">{{ n(l.delivered) }}</td>
                    <td [class.fail]="l.delivered !== l.quantity">{{ l.says }}</td>
                  </tr>
                </tbody>
              </table>
              <table class="lines">
                <caption>
                  {{
                    say('orderPage.jobsThatMakeIt')
                  }}
                </caption>
                <thead>
                  <tr>
                    <th>{{ say('orderPage.job') }}</th>
                    <th>{{ say('orderPage.state') }}</th>
                    <th class="number">{{ say('orderPage.goodPlanned') }}</th>
                    <th>{{ say('orderPage.ready') }}</th>
                    <th>{{ say('orderPage.worksFor') }}</th>
                  </tr>
                </thead>
                <tbody>
                  @for (j of l.jobs; track j.job) {
                    <tr>
                      <td>
                        <a [routerLink]="['/jobs', j.job]">{{ j.number }} {{ j.title }}</a>
                      </td>
                      <td>{{ word('state.' + j.state) }}</td>
                      <td class="number">{{ n(j.good) }}</td>
                      <td>{{ moment(j.readyAt, zone()) }}</td>
                      <td>{{ j.orders === 1 ? say('orderPage.thisOrder') : say('orderPage.ordersTogether', j.orders) }}</td>
                    </tr>
                  }
                </tbody>
              </table>
            </div>
          </section>
        }
      </main>
    } @else {
      <div class="state" role="status">
        <p class="soft">{{ say('orderPage.readingTheOrder') }}</p>
      </div>
    }`,
  styles: `
    .head {
      padding: 14px 16px 10px;
    }
    main {
      padding: 0 16px 16px;
      display: grid;
      gap: 14px;
    }
    section {
      padding: 12px 16px;
    }
    .state {
      padding: 60px;
      text-align: center;
      margin: 20px;
    }
    .columns {
      display: grid;
      grid-template-columns: 1fr 1.4fr;
      gap: 30px;
      align-items: start;
    }
    caption {
      text-align: left;
      font-weight: 600;
      padding: 8px 0 2px;
    }
    .sum td {
      font-weight: 600;
    }
  `,
})
export class OrderPage {
  protected readonly say = say;
  readonly id = input.required<string>();
  private readonly server = inject(Server);
  protected readonly order = signal<Order | null>(null);
  protected readonly failure = signal<Failure | null>(null);
  protected readonly zone = inject(Works).zone;
  protected readonly moment = formatMoment;
  protected readonly n = formatNumber;
  protected readonly word = label;
  private readonly news = toSignal(inject(Changes).changes$.pipe(filter((c) => c === null || c.table === 'jobs')), { initialValue: null });
  protected readonly lines = computed(() =>
    (this.order()?.lines ?? []).map((l) => {
      const delivered = l.deliveries.reduce((sum, d) => sum + d.quantity, 0);
      const open = l.quantity - delivered;
      return {
        ...l,
        delivered,
        says:
          open === 0
            ? say('orderPage.asOrdered')
            : open > 0
              ? say('orderPage.notPlaced', formatNumber(open), formatNumber(l.quantity))
              : say('orderPage.tooMuch', formatNumber(-open), formatNumber(l.quantity)),
      };
    }),
  );

  constructor() {
    pageTitle(() => say('app.titleOfOrder', this.order()?.number ?? '…', this.order()?.customer ?? ''));
    effect(() => {
      this.news();
      this.server.send('orders.read', { params: { id: this.id() } }).subscribe({
        next: (o) => {
          this.order.set(o);
          this.failure.set(null);
        },
        error: (f: Failure) => {
          this.failure.set(f);
        },
      });
    });
  }
}
