import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { auditTime, buffer, catchError, filter, from, groupBy, map, mergeMap, of, switchMap, take, takeUntil, withLatestFrom } from 'rxjs';
import { SessionActions } from '../session/session.feature';
import { ApiCaller, type Failure, isRead } from './api';
import { Changes } from './changes';
import { DeedActions, type Reading, ReadingActions, readingsFeature } from './readings.feature';

/** News that follow each other closely are one reason to read again. */
const NEWS_MS = 300;
const asked = ({ key, name, sent, news }: Reading) => ReadingActions.asked({ key, name, sent, news });

/**
 * Each reading by itself; one that is asked anew takes the place of the one under way, so that an old answer never comes over a newer one. Who is signed out is
 * asked to sign in where there is nothing to show yet: news that cannot be read take nobody out of what he types.
 */
export const load = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), store = inject(Store)) =>
    actions$.pipe(
      ofType(ReadingActions.asked),
      groupBy(({ key }) => key, {
        duration: ({ key }) =>
          actions$.pipe(
            ofType(ReadingActions.left),
            filter((left) => left.key === key),
          ),
      }),
      mergeMap((of_) =>
        of_.pipe(
          switchMap(({ key, name, sent }) =>
            api.call(name, sent as never).pipe(
              map((got) => ReadingActions.loaded({ key, got })),
              catchError((failure: Failure) =>
                store.select(readingsFeature.selectOf(key)).pipe(
                  take(1),
                  mergeMap((reading) => {
                    const nothing = (reading?.got ?? null) === null;
                    return of(
                      ...(failure.status === 401 && nothing ? [SessionActions.sessionExpired()] : []),
                      ReadingActions.failed({ key, failure }),
                    );
                  }),
                ),
              ),
              takeUntil(
                actions$.pipe(
                  ofType(ReadingActions.left),
                  filter((left) => left.key === key),
                ),
              ),
            ),
          ),
        ),
      ),
    ),
  { functional: true },
);

/** What others changed is read again; and what failed when somebody signs in again. */
export const again = createEffect(
  (changes = inject(Changes), store = inject(Store)) =>
    changes.changes$.pipe(
      buffer(changes.changes$.pipe(auditTime(NEWS_MS))),
      withLatestFrom(store.select(readingsFeature.selectAll)),
      mergeMap(([news, readings]) =>
        from(readings.filter((r) => news.some((c) => r.news.length > 0 && (c === null || r.news.includes(c.table)))).map(asked)),
      ),
    ),
  { functional: true },
);
export const afterSignIn = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) =>
    actions$.pipe(
      ofType(SessionActions.signedIn),
      withLatestFrom(store.select(readingsFeature.selectAll)),
      mergeMap(([, readings]) => from(readings.filter((r) => typeof r.call === 'object').map(asked))),
    ),
  { functional: true },
);

/** Deeds go out as they are asked, none instead of another. */
export const deeds = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller)) =>
    actions$.pipe(
      ofType(DeedActions.asked),
      mergeMap(({ id, name, sent }) =>
        api.call(name, sent as never).pipe(
          map((reply) => DeedActions.done({ id, reply })),
          catchError((failure: Failure) =>
            of(...(failure.status === 401 && !isRead(name) ? [SessionActions.sessionExpired()] : []), DeedActions.refused({ id, failure })),
          ),
        ),
      ),
    ),
  { functional: true },
);
