import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { NgApexchartsModule } from 'ng-apexcharts';
import type { StockLine } from '@druckerei/contract';
import { formatNumber, type Plant, say } from '@druckerei/core';
import { chartColours } from '../shared/chart-colours';

const DAYS_A_WEEK = 7;
/** Height of a bar with its name, and of what stands around all of them. */
const ROW_PX = 34;
const FRAME_PX = 90;

/** For how many weeks each stock lasts as it is used, the shortest first, beside how long it takes to get more. */
@Component({
  selector: 'dk-cover-picture',
  imports: [NgApexchartsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<section class="card" [attr.aria-label]="say('coverPicture.cover')">
    <h2>{{ say('coverPicture.cover') }}</h2>
    @if (rows().length > 0) {
      <p class="soft">{{ say('coverPicture.says') }}</p>
      <apx-chart
        [series]="series()"
        [chart]="{
          type: 'bar',
          height: rows().length * rowPx + framePx,
          toolbar: { show: false },
          animations: { enabled: false },
          fontFamily: 'inherit',
          foreColor: colours.soft,
        }"
        [plotOptions]="{ bar: { horizontal: true, borderRadius: 2, barHeight: '60%', distributed: true } }"
        [colors]="rowColours()"
        [dataLabels]="{ enabled: true, style: { colors: [colours.ink] } }"
        [xaxis]="{ title: { text: say('coverPicture.weeks') } }"
        [grid]="{ borderColor: colours.line }"
        [legend]="{ show: false }"
        [tooltip]="{ enabled: false }"
      />
      <table class="lines">
        <thead>
          <tr>
            <th>{{ say('coverPicture.stock') }}</th>
            <th class="number">{{ say('coverPicture.weeks') }}</th>
            <th class="number">{{ say('coverPicture.free') }}</th>
            <th class="number">{{ say('coverPicture.aWeek') }}</th>
            <th class="number">{{ say('coverPicture.lead') }}</th>
          </tr>
        </thead>
        <tbody>
          @for (r of rows(); track r.name) {
            <tr>
              <td>{{ r.name }}</td>
              <td class="number" [class.fail]="r.short">{{ number(r.weeks, 1) }}</td>
              <td class="number">{{ number(r.free) }}</td>
              <td class="number">{{ number(r.usedAWeek) }}</td>
              <td class="number">{{ number(r.leadDays) }}</td>
            </tr>
          }
        </tbody>
      </table>
      @if (unused()) {
        <p class="soft">{{ say('coverPicture.unused', unused()) }}</p>
      }
    } @else {
      <p class="soft">{{ say('coverPicture.nothing') }}</p>
    }
  </section>`,
  styles: `
    :host {
      overflow: auto;
      padding: 0 16px 16px;
    }
    section {
      padding: 12px 16px;
      max-width: 900px;
    }
  `,
})
export class CoverPicture {
  protected readonly say = say;
  protected readonly number = formatNumber;
  protected readonly colours = chartColours();
  protected readonly rowPx = ROW_PX;
  protected readonly framePx = FRAME_PX;
  readonly lines = input.required<readonly StockLine[]>();
  readonly plant = input.required<Plant>();
  private readonly nameOf = (stock: string): string => this.plant().stocks[stock]?.name ?? stock;
  protected readonly rows = computed(() =>
    this.lines()
      .flatMap(({ stock, weeks, free, usedAWeek }) => {
        if (weeks === null) return [];
        const leadDays = this.plant().stocks[stock]?.leadDays ?? 0;
        return [{ name: this.nameOf(stock), weeks, free, usedAWeek, leadDays, short: weeks * DAYS_A_WEEK <= leadDays }];
      })
      .sort((a, b) => a.weeks - b.weeks),
  );
  protected readonly rowColours = computed(() => this.rows().map((r) => (r.short ? this.colours.fail : this.colours.river)));
  protected readonly series = computed(() => [
    {
      name: say('coverPicture.weeks'),
      data: this.rows().map((r) => ({
        x: r.name,
        y: Math.round(r.weeks * 10) / 10,
        goals: [{ name: say('coverPicture.lead'), value: r.leadDays / DAYS_A_WEEK, strokeColor: this.colours.ink, strokeWidth: 3 }],
      })),
    },
  ]);
  protected readonly unused = computed(() =>
    this.lines()
      .filter((l) => l.weeks === null)
      .map((l) => this.nameOf(l.stock))
      .join(', '),
  );
}
