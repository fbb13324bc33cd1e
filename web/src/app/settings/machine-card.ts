import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { machineFields, machineScene, say } from '@druckerei/core';
import { abilitiesFor } from '@druckerei/core/planning';
import { type PictureField, PictureFields } from '../shared/picture-fields';
import { CardFields } from './card-fields';
import { cardRow, type RowContext } from './card-rows';

const MONEY = new Set(['setupCostPerHour', 'runCostPerHour']);
const SPEED = new Set(['perHour', 'netPerHour']);

/** A machine on its drawing: the largest and smallest it takes, units, speeds; the rest of its card below. */
@Component({
  selector: 'dk-machine-card',
  imports: [PictureFields, CardFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (machine(); as m) {
    <dk-picture-fields class="drawing" [scene]="scene()!" [fields]="drawn()" (changed)="onDrawing($event.key, $event.value)" />
    <dk-card-fields [rows]="rows()" (set)="set.emit($event)" />
  }`,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(300px, 1.2fr) minmax(260px, 1fr);
      gap: 20px;
      align-items: start;
    }
  `,
})
export class MachineCard {
  readonly id = input.required<string>();
  readonly context = input.required<RowContext>();
  readonly set = output<{ at: string[]; value: unknown }>();
  protected readonly machine = computed(() => this.context().plant.machines[this.id()] ?? null);
  private readonly fields = computed(() => {
    const m = this.machine();
    return m ? machineFields(m, abilitiesFor(m.processes)) : [];
  });
  protected readonly scene = computed(() => {
    const m = this.machine();
    return m ? machineScene(m) : null;
  });
  protected readonly drawn = computed((): PictureField[] =>
    this.fields()
      .filter((f) => f.onDrawing)
      .map((f) => {
        const row = cardRow(this.context(), ['machines', this.id()], f);
        return { key: f.key, label: row.label, kind: f.kind, text: row.text, display: row.text, refused: row.refused };
      }),
  );
  protected readonly rows = computed(() =>
    this.fields()
      .filter((f) => !f.onDrawing)
      .map((f) =>
        cardRow(
          this.context(),
          ['machines', this.id()],
          f,
          MONEY.has(f.key)
            ? say('machineCard.anHour', this.context().plant.currency)
            : SPEED.has(f.key)
              ? say('machineCard.anHour2')
              : undefined,
        ),
      ),
  );
  protected onDrawing(key: string, value: unknown): void {
    const field = this.fields().find((f) => f.key === key);
    if (field) this.set.emit({ at: ['machines', this.id(), ...field.at], value });
  }
}
