import type { EnvironmentProviders } from '@angular/core';
import { provideStore } from '@ngrx/store';
import type { Me } from '@druckerei/contract';
import { sessionFeature, type SessionState } from './session.feature';

/** A store in which somebody with one role is signed in already. */
export function provideSignedIn(role: Me['roles'][number]): EnvironmentProviders {
  const me: Me = { name: 'odo', fullName: 'Odo', initials: 'OP', roles: [role], units: 'metric', mustChange: false };
  const session: SessionState = { me, call: 'idle', own: 'idle', known: true, expired: false };
  return provideStore({ session: sessionFeature.reducer }, { initialState: { session } });
}
