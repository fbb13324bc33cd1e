import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { catchError, concatMap, EMPTY, exhaustMap, map, of, tap } from 'rxjs';
import type { Me } from '@druckerei/contract';
import { ApiCaller, type Failure } from '../shared/api';
import { Changes } from '../shared/changes';
import { SessionActions } from './session.feature';

export const findOut = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller)) =>
    actions$.pipe(
      ofType(SessionActions.appOpened),
      exhaustMap(() =>
        api.call('session.me', {}).pipe(
          map((me) => SessionActions.signedIn({ me })),
          catchError((failure: Failure) => {
            const me = failure.status === 0 ? keptMe() : null;
            if (me) return of(SessionActions.signedIn({ me }));
            return of(failure.status === 401 ? SessionActions.nobodySignedIn() : SessionActions.signInFailed({ failure }));
          }),
        ),
      ),
    ),
  { functional: true },
);

/** Who worked here last: a terminal that is started without the line goes on with that name; the server asks again when it is back. */
const KEPT = 'druckerei-me';
function keptMe(): Me | null {
  const kept = localStorage.getItem(KEPT);
  return kept === null ? null : (JSON.parse(kept) as Me);
}
export const keepMe = createEffect(
  (actions$ = inject(Actions)) =>
    actions$.pipe(
      ofType(SessionActions.signedIn, SessionActions.signedOut, SessionActions.nobodySignedIn),
      tap((action) => {
        if ('me' in action) localStorage.setItem(KEPT, JSON.stringify(action.me));
        else localStorage.removeItem(KEPT);
      }),
    ),
  { functional: true, dispatch: false },
);

export const signIn = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller)) =>
    actions$.pipe(
      ofType(SessionActions.signInAsked),
      exhaustMap(({ name, password }) =>
        api.call('session.signIn', { body: { name, password } }).pipe(
          map((me) => SessionActions.signedIn({ me })),
          catchError((failure: Failure) => of(SessionActions.signInFailed({ failure }))),
        ),
      ),
    ),
  { functional: true },
);

export const ownPassword = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller)) =>
    actions$.pipe(
      ofType(SessionActions.ownPasswordAsked),
      exhaustMap(({ old, password }) =>
        api.call('session.password', { body: { old, password } }).pipe(
          map((me) => SessionActions.ownPasswordSet({ me })),
          catchError((failure: Failure) =>
            of(failure.status === 401 ? SessionActions.sessionExpired() : SessionActions.ownPasswordFailed({ failure })),
          ),
        ),
      ),
    ),
  { functional: true },
);

export const signOut = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller)) =>
    actions$.pipe(
      ofType(SessionActions.signOutAsked),
      exhaustMap(() =>
        api.call('session.signOut', {}).pipe(
          map(() => SessionActions.signedOut()),
          catchError(() => of(SessionActions.signedOut())),
        ),
      ),
    ),
  { functional: true },
);

export const listen = createEffect(
  (actions$ = inject(Actions), changes = inject(Changes)) =>
    actions$.pipe(
      ofType(SessionActions.signedIn),
      tap(() => {
        changes.start();
      }),
    ),
  { functional: true, dispatch: false },
);

/** Shown at once; kept for the person on the server, for every screen he or she signs in at. */
export const chooseUnits = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller)) =>
    actions$.pipe(
      ofType(SessionActions.unitsChosen),
      concatMap(({ units }) =>
        api.call('session.units', { body: { units } }).pipe(
          map((me) => SessionActions.signedIn({ me })),
          catchError((failure: Failure) => (failure.status === 401 ? of(SessionActions.sessionExpired()) : EMPTY)),
        ),
      ),
    ),
  { functional: true },
);
