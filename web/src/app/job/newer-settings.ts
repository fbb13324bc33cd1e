import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type Place, say } from '@druckerei/core';
import type { Moved } from '@druckerei/core/planning';
import { movedSays } from '../shared/moved-says';

/** A draft planned for settings that are no longer in force: what the newer ones would change, and the way to take them. */
@Component({
  selector: 'dk-newer-settings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `<p class="note level-know" role="status">
    <span>{{ say('newerSettings.theSettingsOfTheWorks', says()) }}</span>
    @if (!locked()) {
      <button type="button" matButton [disabled]="taking()" (click)="take.emit()">{{ say('newerSettings.planItForTheNew') }}</button>
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
    const parts = movedSays(m, this.place());
    return parts.length === 0 ? say('newerSettings.theyChangeNothingHere') : say('newerSettings.theyWouldChange', parts.join(' · '));
  });
}
