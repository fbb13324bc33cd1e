import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { MatProgressBar } from '@angular/material/progress-bar';
import { formatMoment, say } from '@druckerei/core/words';
import { sessionFeature } from '../session/session.feature';
import { readingOf } from '../shared/server';
import { Shortcuts } from '../shared/shortcuts';
import { lineSays, SECTIONS } from './line-says';

/** Times go on without news too. */
const READ_MS = 60_000;

/** The start: what this person's roles look after today, each line leading to the place where it is mended. */
@Component({
  selector: 'dk-today-page',
  imports: [MatButton, MatProgressBar, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="head top">
      <h1>{{ say('today.today') }}</h1>
      @if (read(); as r) {
        <span class="soft" data-figures>{{ say('today.asOf', moment(r.asOf, r.timeZone)) }}</span>
      }
      <nav [attr.aria-label]="say('today.today')">
        @for (s of sections(); track s.id) {
          @if (s.all > 0) {
            <a [href]="'today#' + s.id" (click)="to($event, s.id)" [class.fail]="s.grave">
              {{ s.head }} <b data-figures>{{ s.all }}</b></a
            >
          }
        }
      </nav>
      @if (plans()) {
        <a matButton="outlined" routerLink="/orders/new">{{ say('orderList.newOrder') }} <kbd class="kbd" aria-hidden="true">N</kbd></a>
      }
    </div>
    @if (failure(); as f) {
      <p class="note level-decide" role="alert">
        {{ f.detail ?? f.title }}
        @if (read(); as r) {
          <span data-figures>{{ say('today.lastKnown', moment(r.asOf, r.timeZone)) }}</span>
        }
      </p>
    }
    <main>
      @if (read()) {
        @for (s of sections(); track s.id) {
          <section class="card" [id]="s.id" [attr.aria-label]="s.head" tabindex="-1">
            <h2>{{ s.head }}</h2>
            <ul>
              @for (l of s.lines; track l.key) {
                <li>
                  <a [routerLink]="l.link" [queryParams]="l.query" [class.drawn]="l.picture" data-figures>
                    @if (l.picture; as picture) {
                      <img [src]="picture" alt="" width="38" height="30" loading="lazy" />
                    }
                    <b>{{ l.subject }}</b> <span class="right" [class]="l.grave">{{ l.right }}</span><span
                      class="says"
                      [class]="l.right ? '' : l.grave"
                      >{{ l.says }}</span
                    ></a
                  >
                </li>
              } @empty {
                <li class="soft none">{{ s.none }}</li>
              }
            </ul>
            @if (s.all > s.lines.length) {
              <p class="soft" data-figures>{{ say('today.soMany', s.lines.length, s.all) }}</p>
            }
          </section>
        }
      } @else if (!failure()) {
        <p class="soft" role="status">{{ say('today.reading') }}</p>
        <mat-progress-bar mode="indeterminate" [attr.aria-label]="say('today.reading')" />
      }
    </main>`,
  styles: `
    .head {
      padding: 12px 16px 10px;
    }
    nav {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 20px;
      margin-left: auto;
    }
    nav a {
      text-decoration: none;
      color: var(--ink);
    }
    nav a.fail {
      color: var(--fail);
    }
    main {
      columns: 3 360px;
      column-gap: 14px;
      padding: 0 16px 14px;
    }
    section {
      break-inside: avoid;
      padding: 11px 14px 8px;
      margin-bottom: 14px;
    }
    ul {
      list-style: none;
      margin: 6px 0 0;
      padding: 0;
    }
    li {
      border-top: 1px solid var(--line);
    }
    li a {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 0 12px;
      padding: 5px 0;
      color: var(--ink);
      text-decoration: none;
    }
    li a.drawn {
      grid-template-columns: 38px minmax(0, 1fr) auto;
    }
    img {
      grid-row: 1 / span 2;
      align-self: center;
      object-fit: contain;
    }
    .drawn .says {
      grid-column: 2 / -1;
    }
    li a:hover b {
      text-decoration: underline;
    }
    b {
      font-weight: 600;
    }
    .says {
      grid-column: 1 / -1;
      font-size: 13px;
      color: var(--soft);
    }
    .right {
      white-space: nowrap;
    }
    .right.fail,
    .says.fail {
      color: var(--fail);
    }
    .right.watch,
    .says.watch {
      color: var(--watch);
    }
    .none {
      padding: 5px 0;
    }
  `,
})
export class TodayPage {
  protected readonly say = say;
  protected readonly moment = formatMoment;
  private readonly reading = readingOf('today.read', ['jobs', 'stock', 'floor', 'kitchen']);
  private readonly me = inject(Store).selectSignal(sessionFeature.selectMe);
  protected readonly plans = computed(() => this.me()?.roles.includes('planner') ?? false);
  private readonly router = inject(Router);
  protected readonly read = this.reading.got;
  protected readonly failure = this.reading.failure;
  protected readonly sections = computed(() => {
    const r = this.read();
    if (!r) return [];
    return SECTIONS.flatMap(({ id, head, none, kinds }) => {
      const own: readonly string[] = kinds;
      if (!own.some((k) => r.kinds.includes(k))) return [];
      const lines = r.lines.filter((l) => own.includes(l.kind)).map((l) => lineSays(l, r.asOf, r.timeZone));
      const hidden = r.more
        .filter((m) => own.includes(m.kind))
        .reduce((n, m) => n + m.all - r.lines.filter((l) => l.kind === m.kind).length, 0);
      return [
        {
          ...{ id, lines, all: lines.length + hidden, grave: lines.some((l) => l.grave === 'fail') },
          ...{ head: say(head), none: say(none) },
        },
      ];
    });
  });

  constructor() {
    this.reading.ask({});
    inject(Shortcuts).use([
      {
        keys: 'n',
        shown: 'N',
        says: say('orderList.newOrder2'),
        run: () => {
          if (this.plans()) void this.router.navigate(['/orders/new']);
        },
      },
    ]);
    const timer = setInterval(() => {
      this.reading.again();
    }, READ_MS);
    inject(DestroyRef).onDestroy(() => {
      clearInterval(timer);
    });
  }
  /** A head in the list of heads leads to its section. */
  protected to(event: Event, id: string): void {
    event.preventDefault();
    const section = document.getElementById(id);
    section?.scrollIntoView({ block: 'start' });
    section?.focus();
  }
}
