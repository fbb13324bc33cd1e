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
    'Own password opened': emptyProps(),
    'Own password asked': props<{ old: string; password: string }>(),
    'Own password set': props<{ me: Me }>(),
    'Own password failed': props<{ failure: Failure }>(),
    'Units chosen': props<{ units: Me['units'] }>(),
  },
});

export interface SessionState {
  me: Me | null;
  call: 'idle' | 'loading' | { failure: Failure };
  /** A password of one's own: how far it is. */
  own: 'idle' | 'loading' | 'set' | { failure: Failure };
  known: boolean;
  /** Who worked here when the session ended: what was typed stays behind the sign-in. */
  expired: boolean;
}
const initial: SessionState = { me: null, call: 'idle', own: 'idle', known: false, expired: false };

export const sessionFeature = createFeature({
  name: 'session',
  reducer: createReducer(
    initial,
    on(SessionActions.signInAsked, (s): SessionState => ({ ...s, call: 'loading' })),
    on(SessionActions.signedIn, (s, { me }): SessionState => ({ ...s, me, call: 'idle', known: true, expired: false })),
    on(SessionActions.signInFailed, (s, { failure }): SessionState => ({ ...s, call: { failure }, known: true })),
    on(SessionActions.nobodySignedIn, SessionActions.signedOut, (): SessionState => ({ ...initial, known: true })),
    on(SessionActions.ownPasswordOpened, (s): SessionState => ({ ...s, own: 'idle' })),
    on(SessionActions.ownPasswordAsked, (s): SessionState => ({ ...s, own: 'loading' })),
    on(SessionActions.ownPasswordSet, (s, { me }): SessionState => ({ ...s, me, own: 'set' })),
    on(SessionActions.ownPasswordFailed, (s, { failure }): SessionState => ({ ...s, own: { failure } })),
    on(SessionActions.unitsChosen, (s, { units }): SessionState => ({ ...s, me: s.me && { ...s.me, units } })),
    on(SessionActions.sessionExpired, (s): SessionState => ({ ...s, expired: true, known: true })),
  ),
});
