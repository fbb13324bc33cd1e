import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { findingTitle, formatFigure, label, type Moved, type Place, say } from '@druckerei/core';

/** A draft planned for settings that are no longer in force: what the newer ones would change, and the way to take them. */
@Component({
  selector: 'dk-newer-settings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<p class="note level-know" role="status">
    <span>{{ say('newerSettings.theSettingsOfTheWorks', says()) }}</span>
    @if (!locked()) {
      <button type="button" class="plain" [disabled]="taking()" (click)="take.emit()">{{ say('newerSettings.planItForTheNew') }}</button>
    }
  </p>`,
})
export class NewerSettings {
  protected readonly say = say;
  readonly moved = input.required<Moved | null>();
  readonly place = input.required<Place>();
  readonly locked = input(false);
  readonly taking = input(false);
  readonly take = output();
  protected readonly says = computed(() => {
    const m = this.moved();
    if (!m) return '';
    const shown = (value: number, unit: Moved['totals'][number]['unit']): string => {
      const f = formatFigure(value, unit, this.place());
      return `${f.number} ${f.unit}`.trim();
    };
    const parts = [
      ...m.totals.map((t) => `${label(`total.${t.key}`)} ${shown(t.before, t.unit)} → ${shown(t.after, t.unit)}`),
      ...m.come.map((f) => say('newerSettings.newFinding', findingTitle(f.code, f.args))),
      ...m.gone.map((f) => say('newerSettings.settled', findingTitle(f.code, f.args))),
    ];
    return parts.length === 0 ? say('newerSettings.theyChangeNothingHere') : say('newerSettings.theyWouldChange', parts.join(' · '));
  });
}
