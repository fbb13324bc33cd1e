import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { sessionFeature } from '../session/session.feature';

/** The works this screen belongs to. Moments are told in its time zone, wherever the screen stands; before anybody is signed in, in the screen's own. */
@Injectable({ providedIn: 'root' })
export class Works {
  private readonly me = inject(Store, { optional: true })?.selectSignal(sessionFeature.selectMe);
  // A name kept by an older program has no zone beside it.
  readonly zone = computed((): string => (this.me?.() as { timeZone?: string } | null | undefined)?.timeZone ?? HERE);
}
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone;
