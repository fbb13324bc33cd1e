import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatSortModule } from '@angular/material/sort';
import { MatTabNavPanel } from '@angular/material/tabs';
import { Router } from '@angular/router';
import { NgApexchartsModule } from 'ng-apexcharts';
import { switchMap } from 'rxjs';
import type { LearnedPage } from '@druckerei/contract';
import { ENOUGH_LIKE_JOBS, formatDuration, formatNumber, label, type Plant, practiceValue, PROCESS_WORDS, say } from '@druckerei/core';
import { PROCESSES } from '@druckerei/core/planning';
import type { Failure } from '../shared/api';
import { Server } from '../shared/server';
import { chartColours } from '../shared/chart-colours';
import { PlanContext } from '../shared/plan-context';
import { sorting } from '../shared/sorting';
import { type View, Views } from '../shared/views';
import { LogbookPictures, type Narrowing, PICTURES } from './logbook-pictures';

/** What the works learned from its closed jobs, beside what the handbook and the machine cards say; and the log as pictures. Which view and what narrows it stands in the address. */
@Component({
  selector: 'dk-logbook-page',
  imports: [LogbookPictures, MatTabNavPanel, NgApexchartsModule, MatSortModule, Views],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './logbook-page.html',
  styles: `
    .head {
      display: flex;
      align-items: baseline;
      gap: 18px;
      padding: 12px 16px 10px;
    }
    main {
      display: grid;
      grid-template-columns: minmax(0, 3fr) minmax(320px, 2fr);
      gap: 14px;
      padding: 0 16px 16px;
    }
    section {
      padding: 12px 16px;
    }
    .thin {
      color: var(--soft);
    }
    .state {
      padding: 60px;
      text-align: center;
    }
  `,
})
export class LogbookPage {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly number = formatNumber;
  protected readonly duration = formatDuration;
  protected readonly enough = ENOUGH_LIKE_JOBS;
  protected readonly page = signal<LearnedPage | null>(null);
  protected readonly plant = signal<Plant | null>(null);
  readonly view = input<string>();
  readonly machine = input<string>();
  readonly process = input<string>();
  readonly stock = input<string>();
  readonly customer = input<string>();
  readonly days = input<string>();
  private readonly router = inject(Router);
  protected readonly picture = computed(() => PICTURES.find((p) => p === this.view()) ?? null);
  protected readonly shown = computed(() => this.picture() ?? 'learned');
  protected readonly views: readonly View[] = [
    { id: 'learned', says: say('logbook.learned'), query: { view: null } },
    { id: 'losses', says: say('logbook.inTime'), query: { view: 'losses' } },
    { id: 'stops', says: say('logbook.stopsAndWaste'), query: { view: 'stops' } },
    { id: 'promises', says: say('logbook.promises'), query: { view: 'promises' } },
  ];
  protected readonly narrowing = computed((): Narrowing => ({
    machine: this.machine(),
    process: this.process(),
    stock: this.stock(),
    customer: this.customer(),
    days: this.days(),
  }));
  protected readonly failure = signal<Failure | null>(null);
  protected readonly colours = chartColours();

  /** Losses of each process on each machine: the handbook's, ours, and how they spread. */
  protected readonly losses = computed(() => {
    const [page, plant] = [this.page(), this.plant()];
    if (!page || !plant) return [];
    return page.losses
      .filter((l) => l.machine !== null && l.jobs > 0)
      .map((l) => {
        const running = PROCESSES[l.process]?.losses?.running;
        const handbookPpm = running ? practiceValue(plant, running) : null;
        return {
          ...l,
          handbookPpm,
          name: PROCESS_WORDS[l.process] ?? l.process,
          machineName: plant.machines[l.machine ?? '']?.name ?? l.machine,
          handbook: handbookPpm === null ? '–' : percent(handbookPpm),
          ours: percent(l.meanPpm),
          spread: l.jobs > 1 ? `± ${percent(l.sdPpm)}` : '',
          setup: l.setupFactor === null ? '–' : say('logbook.times', formatNumber(l.setupFactor, 2)),
        };
      });
  });
  protected readonly sorted = sorting(this.losses, {
    work: (l) => l.name,
    machine: (l) => l.machineName,
    jobs: (l) => l.jobs,
    handbookRunning: (l) => l.handbookPpm,
    oursRunning: (l) => l.meanPpm,
    oursSetup: (l) => l.setupFactor,
  });
  protected readonly times = computed(() => {
    const [page, plant] = [this.page(), this.plant()];
    if (!page || !plant) return [];
    return page.times
      .filter((t) => t.jobs > 0)
      .map((t) => ({
        ...t,
        name: plant.machines[t.machine]?.name ?? t.machine,
        cardSetupS: plant.machines[t.machine]?.setupS ?? 0,
      }));
  });
  /** Minutes stood, by reason, all machines together. */
  protected readonly stops = computed(() => {
    const sums = new Map<string, number>();
    for (const t of this.page()?.times ?? []) for (const s of t.stops) sums.set(s.reason, (sums.get(s.reason) ?? 0) + s.seconds / 60);
    const rows = [...sums].sort((a, b) => b[1] - a[1]).slice(0, 10);
    return {
      series: [{ name: say('logbook.minutes'), data: rows.map(([, minutes]) => Math.round(minutes)) }],
      names: rows.map(([reason]) => label(`stop.${reason}`)),
    };
  });

  protected narrow({ key, value }: { key: string; value: string }): void {
    void this.router.navigate([], { queryParams: { [key]: value || null }, queryParamsHandling: 'merge' });
  }

  constructor() {
    const plants = inject(PlanContext);
    const failed = (f: Failure): void => {
      this.failure.set(f);
    };
    inject(Server)
      .send('floor.learned', {})
      .subscribe({ next: (p) => this.page.set(p), error: failed });
    plants
      .current()
      .pipe(switchMap(({ hash }) => plants.plant(hash)))
      .subscribe({ next: (p) => this.plant.set(p), error: failed });
  }
}

const percent = (ppm: number): string => `${formatNumber(ppm / 10_000, 2)} %`;
