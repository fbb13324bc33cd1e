import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { PACK_FIELDS, type PackCard as Pack, packScene } from '@druckerei/core';
import { type PictureField, PictureFields } from '../shared/picture-fields';
import { CardFields } from './card-fields';
import { at, cardRow, type RowContext } from './card-rows';

/** A carton or pallet on its drawing, from above and from the front; mass and price below. */
@Component({
  selector: 'dk-pack-card',
  imports: [PictureFields, CardFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (scene(); as s) {
    <dk-picture-fields class="drawing" [scene]="s" [fields]="drawn()" (changed)="onDrawing($event.key, $event.value)" />
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
export class PackCard {
  /** Where it stands in the plant: cartons or pallets, and its id. */
  readonly path = input.required<string[]>();
  readonly context = input.required<RowContext>();
  readonly set = output<{ at: string[]; value: unknown }>();
  private readonly pack = computed(() => (at(this.context().plant, this.path()) as Pack | undefined) ?? null);
  protected readonly scene = computed(() => {
    const pack = this.pack();
    return pack && packScene(pack);
  });
  protected readonly drawn = computed((): PictureField[] =>
    PACK_FIELDS.filter((f) => f.onDrawing).map((f) => {
      const { label, text, refused } = cardRow(this.context(), this.path(), f);
      return { key: f.key, label, kind: f.kind, text, display: text, refused };
    }),
  );
  protected readonly rows = computed(() =>
    PACK_FIELDS.filter((f) => !f.onDrawing).map((f) =>
      cardRow(this.context(), this.path(), f, f.key === 'price' ? this.context().plant.currency : undefined),
    ),
  );
  protected onDrawing(key: string, value: unknown): void {
    this.set.emit({ at: [...this.path(), key], value });
  }
}
