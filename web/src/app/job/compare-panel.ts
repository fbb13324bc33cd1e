import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  byCost,
  cheaperFrom,
  type Compared,
  type Edit,
  formatDuration,
  formatMoment,
  formatNumber,
  label,
  type Place,
  type Plant,
  say,
} from '@druckerei/core';
import type { Substitute } from '@druckerei/core/planning';
import { movedSays } from '../shared/moved-says';

/** Stocks, presses and work styles side by side, the cheapest good copy first. Each row is a whole plan; taking one is an edit like any other. */
@Component({
  selector: 'dk-compare-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: ` <div class="top">
      <h2>{{ say('comparePanel.stocksAndPressesByCost') }}</h2>
      <span class="space"></span>
      @if (!done()) {
        <span role="status" class="soft">{{ say('comparePanel.planned', rows().length) }}</span>
        <button type="button" matButton="outlined" (click)="stopped.emit()">{{ say('comparePanel.stop') }}</button>
      } @else {
        <button type="button" matButton (click)="stopped.emit()">{{ say('comparePanel.close') }}</button>
      }
    </div>
    <table>
      <thead>
        <tr>
          <th>{{ say('comparePanel.press') }}</th>
          <th>{{ say('comparePanel.stock') }}</th>
          <th>{{ say('comparePanel.workStyle') }}</th>
          <th class="number">{{ say('comparePanel.up') }}</th>
          <th class="number">{{ say('comparePanel.toPull') }}</th>
          <th class="number">{{ say('comparePanel.plates') }}</th>
          <th class="number">{{ say('comparePanel.onMachines') }}</th>
          <th class="number">{{ say('comparePanel.perThousand') }}</th>
          <th class="number">{{ say('comparePanel.breakEven') }}</th>
          <th>{{ say('comparePanel.ready') }}</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        @for (r of sorted(); track $index) {
          <tr [class.chosen]="r.chosen">
            <td>{{ r.what ? r.what + ': ' + r.machine : r.machine }}</td>
            <td>{{ r.stock }}</td>
            <td>{{ word(r.style) }}</td>
            <td class="number">{{ n(r.copiesUp) }}</td>
            <td class="number">
              {{ n(r.pulled) }} <span class="unit">{{ r.pulledUnit === 'metre' ? 'm' : '' }}</span>
            </td>
            <td class="number">{{ n(r.plates) }}</td>
            <td class="number">{{ duration(r.machineS) }}</td>
            <td class="number">
              <b>{{ n(r.perThousand, 2, true) }}</b>
            </td>
            <td class="number">{{ breakEven(r) }}</td>
            <td>{{ moment(r.readyAt, place().timeZone) }}</td>
            <td>
              @if (r.blocking > 0) {
                <span class="fail">{{ say('comparePanel.blocked') }}</span>
              } @else if (r.chosen) {
                {{ say('comparePanel.asPlanned') }}
              } @else {
                <button type="button" matButton (click)="take.emit(r.edits)">{{ say('comparePanel.takeIt') }}</button>
                @if (mayKeep()) {
                  <button type="button" matButton class="gap" (click)="keep.emit({ name: nameOf(r), edits: r.edits })">
                    {{ say('comparePanel.keepIt') }}
                  </button>
                }
              }
            </td>
          </tr>
        }
      </tbody>
    </table>
    @if (others().length > 0) {
      <h2 class="gap-above">{{ say('comparePanel.otherStocksAndWhatTheyChange') }}</h2>
      <table>
        <tbody>
          @for (o of others(); track o.stock) {
            <tr>
              <td>
                {{ stockName(o.stock) }}
                @if (o.otherGrade) {
                  <span class="chip level-decide">{{ say('comparePanel.anotherGrade') }}</span>
                }
              </td>
              <td class="wide">{{ changes(o) }}</td>
              <td class="acts">
                <button type="button" matButton (click)="take.emit(o.edits)">{{ say('comparePanel.takeIt') }}</button>
                @if (mayKeep()) {
                  <button type="button" matButton class="gap" (click)="keep.emit({ name: stockName(o.stock), edits: o.edits })">
                    {{ say('comparePanel.keepIt') }}
                  </button>
                }
              </td>
            </tr>
          }
        </tbody>
      </table>
    }`,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      margin-top: 6px;
    }
    th {
      text-align: left;
      font-weight: 400;
      color: var(--soft);
      font-size: 12.5px;
    }
    th.number {
      text-align: right;
    }
    td,
    th {
      padding: 4px 8px;
      border-bottom: 1px solid var(--line);
    }
    .gap-above {
      margin-top: 16px;
    }
    .acts {
      white-space: nowrap;
    }
    .gap {
      margin-left: 12px;
    }
    .chosen {
      background: var(--act-ground);
    }
  `,
})
export class ComparePanel {
  protected readonly say = say;
  readonly rows = input.required<Compared[]>();
  readonly done = input.required<boolean>();
  readonly place = input.required<Place>();
  readonly plant = input.required<Plant>();
  /** Stocks in place of the one planned. */
  readonly others = input<Substitute[]>([]);
  /** Good pieces of the plan of now. */
  readonly good = input.required<number>();
  readonly take = output<Edit[]>();
  readonly mayKeep = input(false);
  /** Keeps a way as another plan of the job. */
  readonly keep = output<{ name: string; edits: Edit[] }>();
  readonly stopped = output();
  protected readonly sorted = computed(() => [...this.rows()].sort(byCost));
  /** The quantity at which this way and the plan of now cost the same; empty where one is cheaper at any quantity. */
  protected breakEven(r: Compared): string {
    const now = this.rows().find((x) => x.chosen && x.what === r.what);
    const from = now && !r.chosen ? cheaperFrom(r, now, this.good()) : Infinity;
    return Number.isFinite(from) && from < 1e9 ? formatNumber(from) : '–';
  }
  protected stockName = (id: string): string => this.plant().stocks[id]?.name ?? id;
  protected changes = (o: Substitute): string => movedSays(o.moved, this.place()).join(' · ') || say('comparePanel.itChangesNoTotal');
  protected nameOf = (r: Compared): string => [...(r.what ? [r.what] : []), r.machine, r.stock, label(r.style)].join(', ');
  protected readonly n = formatNumber;
  protected readonly duration = formatDuration;
  protected readonly moment = formatMoment;
  protected readonly word = label;
}
