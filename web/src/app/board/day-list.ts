import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { BoardBar, BoardPage } from '@druckerei/contract';
import { changesSay, formatMoment, say } from '@druckerei/core/words';

const DAY_S = 86_400;

/** What every machine has to do in the next 24 hours, machine by machine: seen on paper only, a machine a block that is not torn. */
@Component({
  selector: 'dk-day-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@for (lane of lanes(); track lane.machine) {
    <section>
      <h2 data-figures>{{ say('board.dayOf', lane.name, moment(page().asOf)) }}</h2>
      <table>
        <thead>
          <tr>
            <th>{{ say('board.day.from') }}</th>
            <th>{{ say('board.day.until') }}</th>
            <th>{{ say('board.day.job') }}</th>
            <th>{{ say('board.day.step') }}</th>
            <th>{{ say('board.day.change') }}</th>
          </tr>
        </thead>
        <tbody data-figures>
          @for (row of lane.rows; track row.bar.work) {
            <tr>
              <td>{{ moment(row.bar.start) }}</td>
              <td>{{ moment(row.bar.end) }}</td>
              <td>{{ row.job }}</td>
              <td>{{ row.bar.name }}</td>
              <td>{{ changes(row.bar) }}</td>
            </tr>
          }
        </tbody>
      </table>
    </section>
  }`,
  styles: `
    :host {
      display: none;
    }
    @media print {
      :host {
        display: block;
      }
      section {
        break-inside: avoid;
        padding: 0 0 14px;
      }
      table {
        width: 100%;
        border-collapse: collapse;
        font-size: 12px;
      }
      th,
      td {
        padding: 2px 10px 2px 0;
        border-bottom: 1px solid #999;
        text-align: left;
        vertical-align: top;
      }
    }
  `,
})
export class DayList {
  protected readonly say = say;
  readonly page = input.required<BoardPage>();
  protected readonly lanes = computed(() => {
    const { lanes, bars, jobs, asOf } = this.page();
    const of = new Map(jobs.map((j) => [j.job, `${j.number} ${j.customer}, ${j.title}`]));
    return lanes.flatMap(({ machine, name }) => {
      const rows = bars
        .filter((b) => b.machine === machine && !b.quoted && b.end > asOf && b.start < asOf + DAY_S)
        .sort((a, b) => a.start - b.start)
        .map((bar) => ({ bar, job: of.get(bar.job) ?? '' }));
      return rows.length > 0 ? [{ machine, name, rows }] : [];
    });
  });
  protected moment = (at: number): string => formatMoment(at, this.page().timeZone);
  protected changes = (bar: BoardBar): string => changesSay(bar.changes);
}
