import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  formatNumber,
  lossScene,
  practiceValue,
  PROCESS_WORDS,
  PROCESSES,
  type SetupRunning,
  type Spoilage,
  tableFrom,
} from '@druckerei/core';
import { Drawing } from '../drawings/drawing';
import { CardFields, type CardRow } from './card-fields';
import { cardRow, type RowContext } from './card-rows';

/** How one kind of work loses: both schools as curves, the one in force, and the lines of the table. */
@Component({
  selector: 'dk-losses-card',
  imports: [Drawing, CardFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="curve">
      <dk-drawing [scene]="scene()" />
      <p class="soft">
        Share lost over good cycles. Full line: the school in force.
        {{ hasSetup() ? '' : 'Setup in metres depends on the repeat and is not in the curve.' }}
      </p>
    </div>
    <div>
      <label class="school"
        ><span class="soft">School in force</span>
        <select aria-label="School in force" (change)="choose($any($event.target).value)">
          <option value="setupRunning" [selected]="school() === 'setupRunning'">setup and running loss</option>
          <option value="table" [selected]="school() === 'table'">table by quantity</option>
        </select></label
      >
      @if (kept(); as k) {
        @for (t of k.tables; track $index; let i = $index) {
          <h3>{{ k.tables.length > 1 || t.upToInks > 0 ? 'Up to ' + t.upToInks + ' inks' : 'Table' }}</h3>
          <dk-card-fields [rows]="lines(i)" (set)="set.emit($event)" />
        }
        <button type="button" class="plain" (click)="drop()">Keep no table</button>
      } @else {
        <p class="soft">No table is kept. Choosing the table begins one with what setup and running loss say today.</p>
      }
    </div>`,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(320px, 1.3fr) minmax(260px, 1fr);
      gap: 20px;
      align-items: start;
    }
    .curve {
      height: 300px;
    }
    h3 {
      font-size: 14px;
      margin: 12px 0 4px;
    }
    .school {
      display: flex;
      justify-content: space-between;
      gap: 12px;
      align-items: baseline;
    }
  `,
})
export class LossesCard {
  readonly id = input.required<string>();
  readonly context = input.required<RowContext>();
  readonly set = output<{ at: string[]; value: unknown }>();
  protected readonly kept = computed((): Spoilage | null => this.context().plant.spoilage?.[this.id()] ?? null);
  protected readonly school = computed(() => this.kept()?.school ?? 'setupRunning');
  protected readonly hasSetup = computed(() => PROCESSES[this.id()]?.losses?.setup !== undefined);
  private readonly now = computed((): SetupRunning => {
    const losses = PROCESSES[this.id()]?.losses;
    const { plant } = this.context();
    return {
      setup: losses?.setup ? practiceValue(plant, losses.setup) : 0,
      runningPpm: losses ? practiceValue(plant, losses.running) : 0,
    };
  });
  protected readonly scene = computed(() => {
    const table = this.kept()?.tables[0]?.lines ?? null;
    return lossScene(PROCESS_WORDS[this.id()] ?? this.id(), this.now(), table, this.school());
  });
  protected lines(table: number): CardRow[] {
    return (this.kept()?.tables[table]?.lines ?? []).flatMap(([good], i) => [
      {
        ...cardRow(this.context(), ['spoilage', this.id()], {
          at: ['tables', String(table), 'lines', String(i), '1'],
          key: 'lost',
          kind: 'count' as const,
        }),
        label: `Lost for ${formatNumber(good)} good`,
      },
    ]);
  }
  protected choose(school: 'setupRunning' | 'table'): void {
    const kept = this.kept();
    if (kept) this.set.emit({ at: ['spoilage', this.id(), 'school'], value: school });
    else if (school === 'table')
      this.set.emit({ at: ['spoilage', this.id()], value: { school, tables: [{ upToInks: 0, lines: tableFrom(this.now()) }] } });
  }
  protected drop(): void {
    this.set.emit({ at: ['spoilage', this.id()], value: undefined });
  }
}
