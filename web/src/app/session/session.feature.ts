import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { Me } from '@druckerei/contract';
import type { Failure } from '../shared/api';

export const SessionActions = createActionGroup({
  source: 'Session',
  events: {
    'App opened': emptyProps(),
    'Sign in asked': props<{ name: string; password: string }>(),
    'Signed in': props<{ me: Me }>(),
    'Sign in failed': props<{ failure: Failure }>(),
    'Nobody signed in': emptyProps(),
    'Sign out asked': emptyProps(),
    'Signed out': emptyProps(),
    'Session expired': emptyProps(),
    'Units chosen': props<{ units: Me['units'] }>(),
  },
});

export interface SessionState {
  me: Me | null;
  call: 'idle' | 'loading' | { failure: Failure };
  known: boolean;
  /** Who worked here when the session ended: what was typed stays behind the sign-in. */
  expired: boolean;
}
const initial: SessionState = { me: null, call: 'idle', known: false, expired: false };

export const sessionFeature = createFeature({
  name: 'session',
  reducer: createReducer(
    initial,
    on(SessionActions.signInAsked, (s): SessionState => ({ ...s, call: 'loading' })),
    on(SessionActions.signedIn, (_s, { me }): SessionState => ({ me, call: 'idle', known: true, expired: false })),
    on(SessionActions.signInFailed, (s, { failure }): SessionState => ({ ...s, call: { failure }, known: true })),
    on(SessionActions.nobodySignedIn, SessionActions.signedOut, (): SessionState => ({ ...initial, known: true })),
    on(SessionActions.unitsChosen, (s, { units }): SessionState => ({ ...s, me: s.me && { ...s.me, units } })),
    on(SessionActions.sessionExpired, (s): SessionState => ({ ...s, expired: true, known: true })),
  ),
});
