import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { formatNumber, lossScene, practiceValue, PROCESS_WORDS, type SetupRunning, type Spoilage, tableFrom, say } from '@druckerei/core';
import { PROCESSES } from '@druckerei/core/planning';
import { Drawing } from '../drawings/drawing';
import { CardFields, type CardRow } from './card-fields';
import { cardRow, type RowContext } from './card-rows';

/** How one kind of work loses: both schools as curves, the one in force, and the lines of the table. */
@Component({
  selector: 'dk-losses-card',
  imports: [Drawing, CardFields, MatButton, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="curve">
      <dk-drawing [scene]="scene()" />
      <p class="soft">
        {{ say('lossesCard.shareLostOverGoodCycles', hasSetup() ? '' : say('lossesCard.setupInMetresDependsOn')) }}
      </p>
    </div>
    <div>
      <mat-form-field class="school"
        ><mat-label>{{ say('lossesCard.schoolInForce') }}</mat-label
        ><select matNativeControl [attr.aria-label]="say('lossesCard.schoolInForce')" (change)="choose($any($event.target).value)">
          <option value="setupRunning" [selected]="school() === 'setupRunning'">{{ say('lossesCard.setupAndRunningLoss') }}</option>
          <option value="table" [selected]="school() === 'table'">{{ say('lossesCard.tableByQuantity') }}</option>
        </select></mat-form-field
      >
      @if (kept(); as k) {
        @for (t of k.tables; track $index; let i = $index) {
          <h3>
            {{
              k.tables.length > 1 || t.upToInks > 0
                ? say('lossesCard.upTo') + ' ' + t.upToInks + (' ' + say('lossesCard.inks'))
                : say('lossesCard.table')
            }}
          </h3>
          <dk-card-fields [rows]="lines(i)" (set)="set.emit($event)" />
        }
        <button type="button" matButton (click)="drop()">{{ say('lossesCard.keepNoTable') }}</button>
      } @else {
        <p class="soft">{{ say('lossesCard.noTableIsKeptChoosing') }}</p>
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
  protected readonly say = say;
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
        label: say('lossesCard.lostForGood', formatNumber(good)),
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
