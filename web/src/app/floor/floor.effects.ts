import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { catchError, filter, map, merge, of, switchMap, throttleTime, timer } from 'rxjs';
import { SessionActions } from '../session/session.feature';
import { ApiCaller, type Failure } from '../shared/api';
import { Changes } from '../shared/changes';
import { FloorActions } from './floor.feature';

/** News of the floor comes by the hundred when counters run: one reading a second is soon enough. */
const NEWS_MS = 1_000;
/** Times to go move without news too. */
const READ_MS = 30_000;

export const load = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), changes = inject(Changes)) =>
    merge(
      actions$.pipe(ofType(FloorActions.opened)),
      changes.changes$.pipe(
        filter((c) => c === null || c.table === 'floor' || c.table === 'jobs'),
        throttleTime(NEWS_MS, undefined, { leading: true, trailing: true }),
      ),
      timer(READ_MS, READ_MS),
    ).pipe(
      switchMap(() =>
        api.call('floor.board', {}).pipe(
          map((board) => FloorActions.loaded({ board })),
          catchError((failure: Failure) => of(failure.status === 401 ? SessionActions.sessionExpired() : FloorActions.failed({ failure }))),
        ),
      ),
    ),
  { functional: true },
);
