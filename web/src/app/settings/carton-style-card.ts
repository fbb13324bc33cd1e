import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { CARD_WORDS, CARTON_STYLE_FIELDS, familyOf } from '@druckerei/core';
import { type CardRow, CardFields } from './card-fields';
import { at, cardRow, type RowContext } from './card-rows';

/** A carton style of the works' own: what it is built on, and the flaps that differ from the usual ones. */
@Component({
  selector: 'dk-carton-style-card',
  imports: [CardFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (rows().length > 0) {
    <dk-card-fields [rows]="rows()" (set)="set.emit($event)" />
  }`,
  styles: `
    :host {
      display: block;
      max-width: 420px;
    }
  `,
})
export class CartonStyleCard {
  /** Where it stands in the plant. */
  readonly path = input.required<string[]>();
  readonly context = input.required<RowContext>();
  readonly set = output<{ at: string[]; value: unknown }>();
  protected readonly rows = computed((): CardRow[] => {
    const { plant } = this.context();
    if (at(plant, this.path()) === undefined) return [];
    const base = { at: ['base'], key: 'cartonBase', kind: 'text' as const };
    const options = familyOf('folding-carton')
      .fields.find((f) => f.key === 'style')
      ?.options?.(plant);
    return [
      ...CARTON_STYLE_FIELDS.map((f) => cardRow(this.context(), this.path(), f)),
      { ...cardRow(this.context(), this.path(), base), kind: 'choice', label: CARD_WORDS['cartonBase'] ?? '', options: options ?? [] },
    ];
  });
}
