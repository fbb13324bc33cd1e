import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  catchError,
  concatMap,
  EMPTY,
  expand,
  filter,
  forkJoin,
  from,
  map,
  merge,
  of,
  switchMap,
  takeUntil,
  tap,
  withLatestFrom,
} from 'rxjs';
import { SessionActions } from '../session/session.feature';
import { ApiCaller, type Failure } from '../shared/api';
import { Changes } from '../shared/changes';
import { PlanContext } from '../shared/plan-context';
import { KeptSettings } from './kept-settings';
import { SettingsActions, SettingsApiActions, settingsFeature } from './settings.feature';

const expiredOr = <T>(failure: Failure, otherwise: T) => of(failure.status === 401 ? SessionActions.sessionExpired() : otherwise);

export const load = createEffect(
  (
    actions$ = inject(Actions),
    api = inject(ApiCaller),
    plants = inject(PlanContext),
    kept = inject(KeptSettings),
    changes = inject(Changes),
    store = inject(Store),
  ) =>
    merge(
      actions$.pipe(ofType(SettingsActions.opened, SettingsApiActions.accepted)),
      // Signed in again after the session ended in mid-work; what was changed stays.
      actions$.pipe(
        ofType(SessionActions.signedIn),
        withLatestFrom(store.select(settingsFeature.selectCall)),
        filter(([, call]) => typeof call === 'object'),
      ),
      changes.changes$.pipe(
        withLatestFrom(store.select(settingsFeature.selectEdits)),
        filter(([c, edits]) => (c === null || c.table === 'plants') && edits.length === 0),
      ),
    ).pipe(
      switchMap(() =>
        forkJoin([plants.current(), api.call('plants.history', {})]).pipe(
          switchMap(([{ hash }, history]) =>
            plants.plant(hash).pipe(map((plant) => SettingsApiActions.loaded({ hash, plant, history, kept: kept.of(hash) }))),
          ),
          catchError((failure: Failure) => expiredOr(failure, SettingsApiActions.failed({ failure }))),
        ),
      ),
    ),
  { functional: true },
);

export const keep = createEffect(
  (store = inject(Store), kept = inject(KeptSettings)) =>
    store.select(settingsFeature.selectSettingsState).pipe(
      filter((s) => s.call === 'idle'),
      tap((s) => {
        kept.keep(s.hash, s.edits);
      }),
    ),
  { functional: true, dispatch: false },
);

/** Some jobs a call, until all open ones are planned, a person stops it, or the settings are changed again. */
export const tryThem = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), store = inject(Store)) =>
    actions$.pipe(
      ofType(SettingsActions.tryAsked),
      withLatestFrom(store.select(settingsFeature.selectPlant)),
      switchMap(([, plant]) => {
        if (!plant) return EMPTY;
        const ask = (after: number) => api.call('plants.try', { body: { plant, after } });
        return ask(0).pipe(
          expand(({ next }) => (next === null ? EMPTY : ask(next))),
          map(({ jobs, planned, of: all, next }) => SettingsApiActions.tried({ jobs, planned, of: all, done: next === null })),
          takeUntil(
            actions$.pipe(
              ofType(SettingsActions.tryStopped, SettingsActions.edited, SettingsActions.undoAsked, SettingsActions.allTakenBack),
            ),
          ),
          catchError((failure: Failure) => expiredOr(failure, SettingsApiActions.acceptFailed({ failure }))),
        );
      }),
    ),
  { functional: true },
);

export const accept = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), store = inject(Store)) =>
    actions$.pipe(
      ofType(SettingsActions.acceptAsked),
      withLatestFrom(store.select(settingsFeature.selectSettingsState)),
      switchMap(([{ reason }, { plant, hash }]) =>
        plant
          ? api.call('plants.accept', { body: { before: hash, plant, reason } }).pipe(
              map((said) => SettingsApiActions.accepted(said)),
              catchError((failure: Failure) => expiredOr(failure, SettingsApiActions.acceptFailed({ failure }))),
            )
          : EMPTY,
      ),
    ),
  { functional: true },
);

/** Drafts one after another; one that changed meanwhile stays where it is and is counted. */
export const move = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), store = inject(Store)) =>
    actions$.pipe(
      ofType(SettingsActions.moveAsked),
      withLatestFrom(store.select(settingsFeature.selectToMove)),
      switchMap(([, jobs]) =>
        from(jobs).pipe(
          concatMap(({ job, version }) =>
            api.call('jobs.replant', { params: { id: job }, body: { version } }).pipe(
              map(() => SettingsApiActions.moved({ job, went: true })),
              catchError(() => of(SettingsApiActions.moved({ job, went: false }))),
            ),
          ),
        ),
      ),
    ),
  { functional: true },
);

export const people = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller)) =>
    actions$.pipe(
      ofType(SettingsActions.opened),
      switchMap(() =>
        api.call('people.list', {}).pipe(
          map((list) => SettingsApiActions.peopleLoaded({ people: list })),
          catchError((failure: Failure) => expiredOr(failure, SettingsApiActions.personRefused({ failure }))),
        ),
      ),
    ),
  { functional: true },
);

/** Read again whenever people were: a change of rights is on record at once. */
export const accountRecord = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller)) =>
    actions$.pipe(
      ofType(SettingsApiActions.peopleLoaded),
      switchMap(() =>
        forkJoin({ record: api.call('people.record', {}), keeping: api.call('keeping.read', {}) }).pipe(
          map((loaded) => SettingsApiActions.recordLoaded(loaded)),
          catchError((failure: Failure) => expiredOr(failure, SettingsApiActions.personRefused({ failure }))),
        ),
      ),
    ),
  { functional: true },
);

export const changePeople = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller)) =>
    actions$.pipe(
      ofType(SettingsActions.personEntered, SettingsActions.personChanged),
      concatMap((a) =>
        ('person' in a
          ? api.call('people.create', { body: { id: crypto.randomUUID(), ...a.person } })
          : api.call('people.change', { params: { id: a.id }, body: a.change })
        ).pipe(
          switchMap(() => api.call('people.list', {})),
          map((list) => SettingsApiActions.peopleLoaded({ people: list })),
          catchError((failure: Failure) => expiredOr(failure, SettingsApiActions.personRefused({ failure }))),
        ),
      ),
    ),
  { functional: true },
);
