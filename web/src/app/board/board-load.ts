import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { NgApexchartsModule } from 'ng-apexcharts';
import type { BoardPage } from '@druckerei/contract';
import { formatNumber, say } from '@druckerei/core/words';
import { DateTime } from 'luxon';
import { chartColours } from '../shared/chart-colours';
import { busiest, loadByDay } from './load-by-day';

/** What a machine has to do in the next three weeks, day by day, beside its open hours: of the chosen bar, else of the one with the most to do. */
@Component({
  selector: 'dk-board-load',
  imports: [NgApexchartsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<section [attr.aria-label]="say('board.load')">
    <h2 data-figures>{{ say('board.load.of', name()) }}</h2>
    <apx-chart
      aria-hidden="true"
      [series]="series()"
      [chart]="{
        type: 'bar',
        height: 120,
        toolbar: { show: false },
        animations: { enabled: false },
        fontFamily: 'inherit',
        foreColor: colours.soft,
      }"
      [plotOptions]="{ bar: { columnWidth: '55%', borderRadius: 2 } }"
      [colors]="[colours.act]"
      [dataLabels]="{ enabled: false }"
      [grid]="{ borderColor: colours.line }"
      [legend]="{ show: false }"
      [tooltip]="{ enabled: false }"
      [yaxis]="{ title: { text: say('board.load.hours') }, tickAmount: 2, forceNiceScale: true }"
    />
    <p class="said" data-figures>{{ told() }}</p>
  </section>`,
  styles: `
    section {
      padding: 6px 16px 0;
      border-top: 1px solid var(--line);
    }
    h2 {
      margin: 0;
      font-size: 15px;
    }
  `,
})
export class BoardLoad {
  protected readonly say = say;
  protected readonly colours = chartColours();
  readonly page = input.required<BoardPage>();
  /** null: the machine with the most to do. */
  readonly machine = input<string | null>(null);
  private readonly shown = computed(() => this.machine() ?? busiest(this.page()));
  protected readonly name = computed(() => this.page().lanes.find((l) => l.machine === this.shown())?.name ?? '');
  private readonly days = computed(() =>
    loadByDay(this.page(), this.shown()).map((d) => ({ ...d, name: DateTime.fromISO(d.day).setLocale('en').toFormat('ccc d') })),
  );
  protected readonly series = computed(() => [
    {
      name: this.name(),
      data: this.days().map((d) => ({
        x: d.name,
        y: Math.round(10 * d.takenH) / 10,
        goals: [{ name: say('board.load.open'), value: d.openH, strokeColor: this.colours.watch }],
      })),
    },
  ]);
  protected readonly told = computed(() =>
    this.days()
      .filter((d) => d.openH > 0)
      .map((d) => say('board.load.day', d.name, formatNumber(d.takenH, 1), formatNumber(d.openH, 1)))
      .join('; '),
  );
}
