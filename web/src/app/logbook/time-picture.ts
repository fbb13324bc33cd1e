import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { NgApexchartsModule } from 'ng-apexcharts';
import { formatMoment, say, type TimePoint } from '@druckerei/core';
import { chartColours } from '../shared/chart-colours';

/** Something that happened at a moment and may explain what comes after it. */
export interface Mark {
  at: number;
  says: string;
}

/** Jobs in time: each as it was, the middle of the last ten with their middle half, what was planned, what the handbook says; and when settings were changed. */
@Component({
  selector: 'dk-time-picture',
  imports: [NgApexchartsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<apx-chart
      [series]="series()"
      [chart]="{
        type: 'line',
        height: 220,
        toolbar: { show: false },
        zoom: { enabled: false },
        animations: { enabled: false },
        fontFamily: 'inherit',
        foreColor: colours.soft,
      }"
      [stroke]="{ width: [0, 3, 1, 1, 2], dashArray: [0, 0, 4, 4, 6], curve: 'straight' }"
      [markers]="{ size: [4, 0, 0, 0, 0], strokeWidth: 0 }"
      [colors]="[colours.watch, colours.act, colours.act, colours.act, colours.ink]"
      [xaxis]="{ type: 'datetime', labels: { datetimeUTC: false } }"
      [yaxis]="{ min: 0, forceNiceScale: true, title: { text: unit() }, decimalsInFloat: decimals() }"
      [grid]="{ borderColor: colours.line }"
      [legend]="{ show: false }"
      [annotations]="annotations()"
      [tooltip]="{ enabled: false }"
    />
    <table class="said">
      <caption>
        {{
          label()
        }}
      </caption>
      <thead>
        <tr>
          <th>{{ say('logbook.job') }}</th>
          <th>{{ say('logbook.ended') }}</th>
          <th>{{ say('logbook.planned') }}</th>
          <th>{{ say('logbook.was') }}</th>
          <th>{{ say('logbook.middle') }}</th>
        </tr>
      </thead>
      <tbody>
        @for (p of points(); track $index) {
          <tr>
            <td>{{ p.job }}</td>
            <td>{{ moment(p.at, timeZone()) }}</td>
            <td>{{ shown(p.planned) }}</td>
            <td>{{ shown(p.was) }}</td>
            <td>{{ shown(p.middle) }}</td>
          </tr>
        }
      </tbody>
    </table>`,
})
export class TimePicture {
  protected readonly say = say;
  protected readonly moment = formatMoment;
  readonly label = input.required<string>();
  readonly points = input.required<readonly TimePoint[]>();
  /** What the axis counts, and how much of a point's own unit one of it is. */
  readonly unit = input.required<string>();
  readonly per = input(1);
  readonly decimals = input(0);
  readonly timeZone = input('UTC');
  /** What the handbook says, in the point's own unit. */
  readonly handbook = input<number | null>(null);
  readonly marks = input<readonly Mark[]>([]);
  protected readonly colours = chartColours();
  protected readonly shown = (value: number): number => Math.round((value / this.per()) * 10 ** this.decimals()) / 10 ** this.decimals();
  protected readonly series = computed(() => {
    const of = (name: string, y: (p: TimePoint) => number): { name: string; data: { x: number; y: number }[] } => ({
      name,
      data: this.points().map((p) => ({ x: p.at * 1000, y: this.shown(y(p)) })),
    });
    return [
      of(say('logbook.was'), (p) => p.was),
      of(say('logbook.middle'), (p) => p.middle),
      of(say('logbook.lowerQuarter'), (p) => p.quarters[0]),
      of(say('logbook.upperQuarter'), (p) => p.quarters[1]),
      of(say('logbook.planned'), (p) => p.planned),
    ];
  });
  protected readonly annotations = computed(() => {
    const style = { background: 'transparent', color: this.colours.soft };
    const handbook = this.handbook();
    return {
      yaxis:
        handbook === null
          ? []
          : [
              {
                y: this.shown(handbook),
                borderColor: this.colours.fail,
                strokeDashArray: 3,
                label: { text: say('logbook.bookSays'), style },
              },
            ],
      xaxis: this.marks().map((m) => ({
        x: m.at * 1000,
        borderColor: this.colours.soft,
        strokeDashArray: 2,
        label: { text: m.says, style },
      })),
    };
  });
}
