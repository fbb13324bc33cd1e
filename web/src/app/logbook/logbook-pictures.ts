import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBar } from '@angular/material/progress-bar';
import { NgApexchartsModule } from 'ng-apexcharts';
import type { LogbookPage } from '@druckerei/contract';
import {
  allowanceKept,
  formatMoment,
  formatNumber,
  label,
  logged,
  type LogFilter,
  type LogRow,
  lossesInTime,
  type Plant,
  practiceValue,
  PROCESS_WORDS,
  promisesKept,
  say,
  speedsInTime,
  stopsByReason,
  WASTE_CLASSES,
  wasteOf,
} from '@druckerei/core';
import { PROCESSES } from '@druckerei/core/planning';
import type { Failure } from '../shared/api';
import { chartColours } from '../shared/chart-colours';
import { Server } from '../shared/server';
import { type Mark, TimePicture } from './time-picture';

export const PICTURES = ['losses', 'stops', 'promises'] as const;
export type Picture = (typeof PICTURES)[number];
/** What narrows the pictures; all of it stands in the address. */
export type Narrowing = Partial<Record<'machine' | 'process' | 'stock' | 'customer' | 'days', string | undefined>>;

const PERIODS = ['30', '90', '365', '1095'] as const;
/** Pairs of work and machine that are drawn, those with most jobs first: more than a screen holds. */
const MOST_GROUPS = 8;

/** The logbook as pictures: losses and speeds in time, stops and waste by reason, promises kept; by machine, work, stock, customer and period. */
@Component({
  selector: 'dk-logbook-pictures',
  imports: [MatButton, MatInputModule, MatProgressBar, NgApexchartsModule, TimePicture],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './logbook-pictures.html',
  styles: `
    .filter {
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
      align-items: center;
      padding: 8px 16px;
    }
    mat-form-field {
      width: 170px;
    }
    .grid {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(400px, 1fr));
      gap: 14px;
      padding: 0 16px 16px;
      align-items: start;
    }
    section {
      padding: 12px 16px;
      min-width: 0;
    }
    .wide {
      grid-column: 1 / -1;
    }
    .key {
      margin: 0;
      padding: 0 16px 8px;
    }
    .under {
      padding-left: 18px;
    }
    .state {
      padding: 60px;
      text-align: center;
    }
    mat-progress-bar {
      min-width: 120px;
    }
  `,
})
export class LogbookPictures {
  protected readonly say = say;
  protected readonly label = label;
  protected readonly number = formatNumber;
  protected readonly moment = formatMoment;
  protected readonly colours = chartColours();
  readonly view = input.required<Picture>();
  readonly plant = input.required<Plant>();
  readonly narrowing = input.required<Narrowing>();
  readonly narrowed = output<{ key: string; value: string }>();
  protected readonly page = signal<LogbookPage | null>(null);
  protected readonly failure = signal<Failure | null>(null);
  protected readonly days = computed(() => this.narrowing().days ?? '365');
  protected readonly timeZone = computed(() => this.plant().timeZone);
  protected readonly currency = computed(() => this.plant().currency);
  private readonly filter = computed((): LogFilter => {
    const { machine, process, stock, customer } = this.narrowing();
    return { ...(machine && { machine }), ...(process && { process }), ...(stock && { stock }), ...(customer && { customer }) };
  });
  protected readonly rows = computed(() => logged(this.page()?.rows ?? [], this.filter()));
  protected readonly jobs = computed(() => new Set(this.rows().map((r) => r.job)).size);
  protected readonly wish = computed(() => practiceValue(this.plant(), 'risk.allowanceShare'));

  protected readonly filters = computed(() => {
    const all = this.page()?.rows ?? [];
    const now = this.narrowing();
    const of = (key: keyof Narrowing, says: string, values: string[], name: (v: string) => string) => ({
      key,
      says,
      value: now[key] ?? '',
      options: [...new Set(values)].map((value) => ({ value, says: name(value) })).sort((a, b) => a.says.localeCompare(b.says)),
    });
    return [
      {
        ...{ key: 'days' as const, says: say('logbook.period'), value: this.days() },
        options: PERIODS.map((value) => ({ value, says: say('logbook.lastDays', value) })),
      },
      of(
        'machine',
        say('logbook.machine'),
        all.map((r) => r.machine),
        (id) => this.machineName(id),
      ),
      of(
        'process',
        say('logbook.work'),
        all.map((r) => r.process),
        workName,
      ),
      of(
        'stock',
        say('logbook.stock'),
        all.flatMap((r) => r.stocks),
        (id) => this.plant().stocks[id]?.name ?? id,
      ),
      of(
        'customer',
        say('logbook.customer'),
        all.map((r) => r.customer),
        (name) => name,
      ),
    ];
  });

  /** Each work on each machine, those with most jobs first. */
  protected readonly groups = computed(() => {
    const by = new Map<string, LogRow[]>();
    for (const r of this.rows()) {
      const key = `${r.process}@${r.machine}`;
      by.set(key, [...(by.get(key) ?? []), r]);
    }
    return [...by]
      .sort((a, b) => b[1].length - a[1].length)
      .slice(0, MOST_GROUPS)
      .map(([key, rows]) => {
        const { process, machine } = rows[0] as LogRow;
        const running = PROCESSES[process]?.losses?.running;
        const allowance = allowanceKept(rows);
        return {
          key,
          name: `${workName(process)}, ${this.machineName(machine)}`,
          losses: lossesInTime(rows),
          speeds: speedsInTime(rows),
          handbookPpm: running ? practiceValue(this.plant(), running) : null,
          allowance,
          share: allowance.steps > 0 ? allowance.kept / allowance.steps : 0,
          used: allowance.allowed > 0 ? Math.min(allowance.lost / allowance.allowed, 1) : 0,
        };
      });
  });
  protected readonly marks = computed((): Mark[] => (this.page()?.changes ?? []).map((c) => ({ at: c.at, says: c.reason })));

  protected readonly stops = computed(() => stopsByReason(this.rows(), (id) => this.plant().machines[id]?.runCostPerHour ?? 0));
  protected readonly stopNames = computed(() => this.stops().map((s) => label(`stop.${s.reason}`)));
  protected readonly stopSeries = computed(() => [
    { name: say('logbook.minutes'), type: 'column', data: this.stops().map((s) => Math.round(s.seconds / 60)) },
    { name: say('logbook.upTo'), type: 'line', data: this.stops().map((s) => Math.round(s.upTo * 100)) },
  ]);
  protected readonly waste = computed(() => wasteOf(this.rows()));
  protected readonly wasteNames = computed(() => this.waste().byReason.map((r) => label(`waste.${r.reason}`)));
  protected readonly wasteSeries = computed(() => [{ name: 'kg', data: this.waste().byReason.map((r) => Math.round(r.kg * 10) / 10) }]);
  protected readonly wasteClasses = computed(() =>
    WASTE_CLASSES.map((c) => ({ says: label(`waste.class.${c}`), kg: this.waste().byClass[c] })),
  );

  private readonly promises = computed(() => {
    const { stock, customer } = this.narrowing();
    return (this.page()?.promises ?? []).filter((p) => (!customer || p.customer === customer) && (!stock || p.stocks.includes(stock)));
  });
  protected readonly promised = computed(() => promisesKept(this.promises()));
  protected readonly late = computed(() => this.promises().filter((p) => p.delivered > p.due));
  protected readonly promiseNames = [
    say('logbook.onTime'),
    ...Array.from({ length: 6 }, (_, i) => say('logbook.daysLate', i + 1)),
    say('logbook.laterStill'),
  ];
  protected readonly promiseColours = this.promiseNames.map((_, i) => (i === 0 ? this.colours.river : this.colours.fail));
  protected readonly promiseSeries = computed(() => [{ name: say('logbook.jobs'), data: [this.promised().kept, ...this.promised().late] }]);

  protected readonly bars = {
    ...{ type: 'bar' as const, height: 300, toolbar: { show: false }, animations: { enabled: false } },
    ...{ fontFamily: 'inherit', foreColor: this.colours.soft },
  };

  constructor() {
    const server = inject(Server);
    effect(() => {
      server.send('logbook.read', { query: { days: this.days() } }).subscribe({
        next: (page) => {
          this.page.set(page);
          this.failure.set(null);
        },
        error: (f: Failure) => {
          this.failure.set(f);
        },
      });
    });
  }

  private machineName = (id: string): string => this.plant().machines[id]?.name ?? id;
}

const workName = (process: string): string => PROCESS_WORDS[process] ?? process;
