import { type EnvironmentProviders, makeEnvironmentProviders } from '@angular/core';
import { provideStore } from '@ngrx/store';
import type { Me } from '@druckerei/contract';
import { provideServer } from '../shared/server';
import { jobFeature } from '../job/job.feature';
import { sessionFeature, type SessionState } from './session.feature';

/** A store in which somebody with one role is signed in already. */
export function provideSignedIn(role: Me['roles'][number]): EnvironmentProviders {
  const me: Me = {
    name: 'odo',
    fullName: 'Odo',
    initials: 'OP',
    roles: [role],
    units: 'metric',
    mustChange: false,
    timeZone: 'Europe/Berlin',
  };
  const session: SessionState = { me, call: 'idle', own: 'idle', known: true, expired: false };
  return makeEnvironmentProviders([provideStore({ session: sessionFeature.reducer }, { initialState: { session } }), provideServer()]);
}
/** A store for parts of a page that ask the server. */
export const provideAsking = (): EnvironmentProviders =>
  makeEnvironmentProviders([provideStore({ session: sessionFeature.reducer, job: jobFeature.reducer }), provideServer()]);
