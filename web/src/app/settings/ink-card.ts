import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { CARD_WORDS, FASTNESS, INK_FIELDS, type InkSeries, label, say } from '@druckerei/core';
import { type CardRow, CardFields } from './card-fields';
import { at, cardRow, type RowContext } from './card-rows';

/** What an ink series, a varnish or a coating is and stands, as its maker's sheet says. */
@Component({
  selector: 'dk-ink-card',
  imports: [CardFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@if (series()) {
    <dk-card-fields [rows]="rows()" (set)="put($event)" />
    <h3>{{ say('inkCard.stands') }}</h3>
    <dk-card-fields [rows]="stands()" (set)="putStands($event)" />
  }`,
  styles: `
    :host {
      display: block;
      max-width: 420px;
    }
    h3 {
      font-size: 14px;
      margin: 14px 0 4px;
    }
  `,
})
export class InkCard {
  protected readonly say = say;
  /** Where it stands in the plant: inks or coats, and its id. */
  readonly path = input.required<string[]>();
  readonly context = input.required<RowContext>();
  readonly set = output<{ at: string[]; value: unknown }>();
  protected readonly series = computed(() => (at(this.context().plant, this.path()) as InkSeries | undefined) ?? null);
  protected readonly rows = computed((): CardRow[] =>
    INK_FIELDS.map((f) => ({
      ...cardRow(this.context(), this.path(), f.kind === 'flag' ? { ...f, kind: 'text' } : f),
      kind: f.kind,
      label: CARD_WORDS[f.key] ?? f.key,
      unit: f.key === 'pricePerKg' ? this.context().plant.currency : f.key === 'filmGsm' ? 'g/m²' : '',
    })),
  );
  protected readonly stands = computed((): CardRow[] => {
    const [now, inForce] = [this.context().plant, this.context().inForce].map(
      (p) => (at(p, this.path()) as InkSeries | undefined)?.fast ?? [],
    );
    return FASTNESS.map((use) => ({
      at: [use],
      label: label(`fast.${use}`),
      kind: 'flag' as const,
      text: String(now?.includes(use) ?? false),
      unit: '',
      changed: (now?.includes(use) ?? false) !== (inForce?.includes(use) ?? false),
      refused: null,
    }));
  });
  /** What every series says is yes or no, never nothing. */
  protected put({ at: path, value }: { at: string[]; value: unknown }): void {
    const key = path.at(-1);
    this.set.emit({ at: path, value: key === 'lampDried' || key === 'waxed' ? value === true : value });
  }
  protected putStands({ at: [use], value }: { at: string[]; value: unknown }): void {
    const fast = this.series()?.fast ?? [];
    const next = FASTNESS.filter((f) => (f === use ? value === true : fast.includes(f)));
    this.set.emit({ at: [...this.path(), 'fast'], value: next.length > 0 ? next : undefined });
  }
}
