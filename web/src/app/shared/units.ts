import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import type { UnitSystem } from '@druckerei/core/words';
import { sessionFeature } from '../session/session.feature';

/** The units of the person at this screen. Where nobody is signed in (and in tests of parts), metric. */
@Injectable({ providedIn: 'root' })
export class Units {
  private readonly me = inject(Store, { optional: true })?.selectSignal(sessionFeature.selectMe);
  readonly system = computed((): UnitSystem => this.me?.()?.units ?? 'metric');
}
