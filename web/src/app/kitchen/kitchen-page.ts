import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { MatTabNavPanel } from '@angular/material/tabs';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { auditTime, filter, map, type Observable } from 'rxjs';
import type { InkDesk as Desk, InkRow, KitchenPage as Page, Pail } from '@druckerei/contract';
import { formatMoment, formatNumber, label, type Lab, say, screenColour } from '@druckerei/core';
import { sessionFeature } from '../session/session.feature';
import type { Failure } from '../shared/api';
import { type View, Views } from '../shared/views';
import { Server } from '../shared/server';
import { Changes } from '../shared/changes';
import { AimList } from './aim-list';
import { InkDesk } from './ink-desk';
import { LotTrace } from './lot-trace';
import { PailList } from './pail-list';
import { RecipeList } from './recipe-list';

const SHOWN = ['inks', 'pails', 'library', 'aims', 'trace'] as const;
type Shown = (typeof SHOWN)[number];

/** Inks that jobs want mixed and where each stands; the desk of the one chosen; pails and left-overs; the house's library; where a lot went. */
@Component({
  selector: 'dk-kitchen-page',
  imports: [AimList, InkDesk, LotTrace, MatTabNavPanel, PailList, RecipeList, Views],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './kitchen-page.html',
  styleUrl: './kitchen-page.scss',
})
export class KitchenPage {
  protected readonly say = say;
  protected readonly label = label;
  /** Which of them, as the address names it. */
  readonly view = input<string>();
  protected readonly shown = computed((): Shown => SHOWN.find((v) => v === this.view()) ?? 'inks');
  protected readonly views: readonly View[] = SHOWN.map((v) => ({
    id: v,
    says: label(`kitchen.${v}`),
    query: { view: v === 'inks' ? null : v },
  }));
  private readonly server = inject(Server);
  private readonly router = inject(Router);
  protected readonly page = signal<Page | null>(null);
  protected readonly desk = signal<Desk | null>(null);
  protected readonly failure = signal<Failure | null>(null);
  private readonly at = toSignal(inject(ActivatedRoute).paramMap.pipe(map((p) => ({ job: p.get('job'), ink: p.get('ink') }))), {
    initialValue: { job: null, ink: null },
  });
  private readonly me = inject(Store).selectSignal(sessionFeature.selectMe);
  protected readonly may = computed(() => (this.me()?.roles ?? []).some((r) => r === 'planner' || r === 'ink'));
  protected readonly isAdmin = computed(() => (this.me()?.roles ?? []).includes('admin'));
  private readonly news = toSignal(
    inject(Changes).changes$.pipe(
      filter((c) => c === null || c.table === 'kitchen' || c.table === 'jobs'),
      auditTime(400),
    ),
    { initialValue: null },
  );
  protected readonly says = computed(() => {
    const inks = this.page()?.inks ?? [];
    const open = inks.filter((i) => i.stands !== 'accepted').length;
    return open === 0 ? say('kitchen.allAccepted') : say('kitchen.soManyOpen', open);
  });

  constructor() {
    effect(() => {
      this.news();
      this.read();
    });
    effect(() => {
      const { job, ink } = this.at();
      if (job !== null && ink !== null) this.readInk(job, ink);
    });
  }

  protected isHere = (r: InkRow): boolean => r.job === this.desk()?.job && r.ink === this.desk()?.ink;
  protected colour = (lab: Lab | null): string => (lab === null ? 'transparent' : screenColour(lab));
  protected readonly moment = formatMoment;
  protected kg = (v: number): string => `${formatNumber(v, 2)} kg`;
  protected open(r: InkRow): void {
    void this.router.navigate(['/kitchen', r.job, r.ink]);
  }

  private read(): void {
    this.server.send('kitchen.read', {}).subscribe({
      next: (page) => {
        this.page.set(page);
        const { job, ink } = this.at();
        const [first] = page.inks;
        if (job === null && first) void this.router.navigate(['/kitchen', first.job, first.ink], { replaceUrl: true });
        else if (job !== null && ink !== null) this.readInk(job, ink);
      },
      error: this.failed,
    });
  }
  private readInk(job: string, ink: string): void {
    this.server.send('kitchen.ink', { params: { job, ink } }).subscribe({ next: (desk) => this.desk.set(desk), error: this.failed });
  }
  /** Something was written at the desk: done, it shows how the ink stands now; refused, it says why. */
  protected call(asked: Observable<Desk>): void {
    asked.subscribe({
      next: (desk) => {
        this.failure.set(null);
        this.desk.set(desk);
      },
      error: this.failed,
    });
  }
  protected callPail(asked: Observable<Pail>): void {
    asked.subscribe({
      next: () => {
        this.failure.set(null);
        this.read();
      },
      error: this.failed,
    });
  }
  protected readonly failed = (f: Failure): void => {
    this.failure.set(f);
  };
}
