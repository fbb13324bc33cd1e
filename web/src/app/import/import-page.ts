import { ChangeDetectionStrategy, Component, computed, inject, type OnDestroy, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { filter, interval, merge, startWith, type Subscription, switchMap } from 'rxjs';
import type { ImportPreview, Task } from '@druckerei/contract';
import { formatNumber, ORDER_COLUMNS, say } from '@druckerei/core';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { Changes } from '../shared/changes';

/** The task of an import under way, so that the page finds it again. */
const KEPT = 'druckerei.import';
const LOOK_MS = 1_000;

/** Orders from a CSV file: what would be made and which rows are bad is seen before anything is made; then it runs on the server, with progress, and can be stopped. */
@Component({
  selector: 'dk-import-page',
  imports: [RouterLink, MatButton, MatProgressBar],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="head">
      <div>
        <a routerLink="/orders" class="soft">{{ say('importPage.orders') }}</a>
        <h1>{{ say('importPage.ordersFromAFile') }}</h1>
      </div>
      <span class="space"></span>
      <label class="choose"
        >{{ say('importPage.chooseAFile') }}<input #file class="said" type="file" accept=".csv,text/csv,text/plain" (change)="send(file)"
      /></label>
    </div>
    @if (failure(); as f) {
      <p class="note level-decide" role="alert">{{ f.detail ?? f.title }}</p>
    }
    <main>
      @if (task(); as t) {
        <section class="card" role="status" [attr.aria-label]="say('importPage.progress')">
          <h2>{{ taskSays() }}</h2>
          <mat-progress-bar
            [mode]="t.of === null ? 'indeterminate' : 'determinate'"
            [value]="(100 * t.done) / (t.of || 1)"
            [attr.aria-label]="say('importPage.progress')"
          />
          @if (t.state === 'waiting' || t.state === 'running') {
            <button type="button" matButton="outlined" (click)="stop()">{{ say('importPage.stop') }}</button>
          } @else {
            <a routerLink="/orders" matButton="filled">{{ say('importPage.seeTheOrders') }}</a>
          }
        </section>
      }
      @if (preview(); as p) {
        <section class="card" [attr.aria-label]="say('importPage.whatItWouldMake')">
          <div class="top">
            <h2>{{ say('importPage.rowsBecomeOrders', n(p.good), n(p.rows)) }}</h2>
            <span class="space"></span>
            <button type="button" matButton="filled" [disabled]="p.good === 0 || sending()" (click)="start()">
              {{ say('importPage.makeThem', n(p.good)) }}
            </button>
          </div>
          @if (p.customersNew.length > 0) {
            <p class="soft">{{ say('importPage.newCustomers', p.customersNew.join(', ')) }}</p>
          }
          @if (p.columnsIgnored.length > 0) {
            <p class="soft">{{ say('importPage.columnsUnknown', p.columnsIgnored.join(', ')) }}</p>
          }
          @if (p.badRows > 0) {
            <h3>{{ say('importPage.badRows', n(p.badRows)) }}</h3>
            <table class="lines">
              <tbody>
                @for (b of p.bad; track b.line) {
                  <tr>
                    <td class="soft">{{ say('importPage.line', b.line) }}</td>
                    <td>
                      @for (x of b.issues; track $index) {
                        <span class="fail">{{ x.column }}</span> {{ x.says }}.
                      }
                    </td>
                  </tr>
                }
              </tbody>
            </table>
          }
          <h3>{{ say('importPage.theFirstOrders') }}</h3>
          <table class="lines">
            <thead>
              <tr>
                <th>{{ say('importPage.lineHead') }}</th>
                <th>{{ say('importPage.customer') }}</th>
                <th>{{ say('importPage.product') }}</th>
                <th class="number">{{ say('importPage.quantity') }}</th>
                <th>{{ say('importPage.due') }}</th>
              </tr>
            </thead>
            <tbody>
              @for (o of p.first; track o.line) {
                <tr>
                  <td class="soft">{{ o.line }}</td>
                  <td>{{ o.customer }}</td>
                  <td>{{ o.title }}</td>
                  <td class="number">
                    {{ n(o.quantity) }} <span class="unit" data-figures>{{ o.pieces }}</span>
                  </td>
                  <td>{{ o.due.replace('T', ' ') }}</td>
                </tr>
              } @empty {
                <tr>
                  <td colspan="5" class="soft">{{ say('importPage.none') }}</td>
                </tr>
              }
            </tbody>
          </table>
        </section>
      } @else if (reading()) {
        <section class="card" role="status">
          <p class="soft">{{ say('importPage.readingTheFile') }}</p>
        </section>
      } @else if (!task()) {
        <section class="card">
          <h2>{{ say('importPage.howAFileLooks') }}</h2>
          <p>{{ say('importPage.aLineAnOrder') }}</p>
          <pre data-figures>{{ example }}</pre>
          <p class="soft">{{ say('importPage.everyOtherColumn') }}</p>
        </section>
      }
    </main>`,
  styles: `
    .head,
    .top {
      display: flex;
      align-items: end;
      gap: 16px;
    }
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
    pre {
      overflow: auto;
      background: var(--know-ground);
      padding: 10px 12px;
      border-radius: 7px;
    }
  `,
})
export class ImportPage implements OnDestroy {
  protected readonly say = say;
  private readonly server = inject(Server);
  private readonly changes = inject(Changes);
  protected readonly n = formatNumber;
  protected readonly example = `${ORDER_COLUMNS.join(',')},openWidthMm,openHeightMm,folds,front,back\nSeaside cafe,Menu card,folded-card,2000,2026-12-03,Quay 4,3,0,210,210,1,K C M Y,K`;
  protected readonly preview = signal<ImportPreview | null>(null);
  protected readonly reading = signal(false);
  protected readonly sending = signal(false);
  protected readonly failure = signal<Failure | null>(null);
  protected readonly task = signal<Task | null>(null);
  private file = '';
  private watching: Subscription | null = null;
  protected readonly taskSays = computed(() => {
    const t = this.task();
    if (!t) return '';
    const { made, there } = t.result && 'made' in t.result ? t.result : { made: t.done, there: 0 };
    return {
      waiting: say('importPage.waitsForAWorker'),
      running: say('importPage.madeSoFar', formatNumber(t.done), t.of === null ? '…' : formatNumber(t.of)),
      done:
        there > 0 ? say('importPage.allMadeThere', formatNumber(made), formatNumber(there)) : say('importPage.allMade', formatNumber(made)),
      failed: say('importPage.failed', t.says),
      cancelled: say('importPage.stopped', formatNumber(t.done)),
    }[t.state];
  });

  constructor() {
    const kept = sessionStorage.getItem(KEPT);
    if (kept !== null) this.watch(kept);
  }
  ngOnDestroy(): void {
    this.watching?.unsubscribe();
  }

  protected send(from: HTMLInputElement): void {
    const file = from.files?.[0];
    from.value = '';
    if (!file) return;
    this.watching?.unsubscribe();
    this.task.set(null);
    this.preview.set(null);
    this.failure.set(null);
    this.reading.set(true);
    this.server.send('imports.send', { file: new Blob([file], { type: 'text/csv' }) }).subscribe({
      next: (sent) => {
        this.file = sent.file;
        this.reading.set(false);
        this.preview.set(sent.preview);
      },
      error: (f: Failure) => {
        this.reading.set(false);
        this.failure.set(f);
      },
    });
  }
  protected start(): void {
    const id = crypto.randomUUID();
    this.sending.set(true);
    this.server.send('tasks.import', { body: { id, file: this.file } }).subscribe({
      next: () => {
        this.sending.set(false);
        this.preview.set(null);
        sessionStorage.setItem(KEPT, id);
        this.watch(id);
      },
      error: (f: Failure) => {
        this.sending.set(false);
        this.failure.set(f);
      },
    });
  }
  protected stop(): void {
    const id = this.task()?.id;
    if (id !== undefined) this.server.send('tasks.cancel', { params: { id } }).subscribe({ error: (f: Failure) => this.failure.set(f) });
  }

  private watch(id: string): void {
    this.watching?.unsubscribe();
    this.watching = merge(interval(LOOK_MS).pipe(startWith(0)), this.changes.changes$.pipe(filter((c) => c?.id === id)))
      .pipe(switchMap(() => this.server.send('tasks.read', { params: { id } })))
      .subscribe({
        next: (task) => {
          this.task.set(task);
          if (task.state === 'waiting' || task.state === 'running') return;
          this.watching?.unsubscribe();
          sessionStorage.removeItem(KEPT);
        },
        error: (f: Failure) => {
          sessionStorage.removeItem(KEPT);
          if (f.status !== 404) this.failure.set(f);
        },
      });
  }
}
