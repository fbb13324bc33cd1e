import { say } from '@druckerei/core';
import { inject } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  auditTime,
  catchError,
  concatMap,
  debounceTime,
  EMPTY,
  exhaustMap,
  filter,
  map,
  merge,
  of,
  switchMap,
  tap,
  timer,
  withLatestFrom,
} from 'rxjs';
import { ApiCaller, type Failure } from '../shared/api';
import { Changes } from '../shared/changes';
import { Typing } from '../shared/typing';
import { PlanContext } from '../shared/plan-context';
import { SessionActions } from '../session/session.feature';
import { isLocked, JobActions, JobApiActions, jobFeature } from './job.feature';
import { KeptEdits } from './kept-edits';
import { Sending } from './sending';

const SAVE_AFTER_MS = 600;
const TRY_AGAIN_MS = 3_000;
const OFFER_MS = 8_000;

export const load = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), plants = inject(PlanContext), kept = inject(KeptEdits)) =>
    actions$.pipe(
      ofType(JobActions.opened),
      switchMap(({ id }) =>
        api.call('jobs.read', { params: { id } }).pipe(
          switchMap((job) => plants.plant(job.plant).pipe(map((plant) => JobApiActions.jobLoaded({ job, plant, kept: kept.of(id) })))),
          catchError((failure: Failure) =>
            of(failure.status === 401 ? SessionActions.sessionExpired() : JobApiActions.loadFailed({ failure })),
          ),
        ),
      ),
    ),
  { functional: true },
);

/** What somebody took away, a gate or a piece, can be had back at once; the next change makes an end of the offer. */
export const offerUndo = createEffect(
  (actions$ = inject(Actions), bar = inject(MatSnackBar)) =>
    actions$.pipe(
      ofType(JobActions.edited),
      switchMap(({ edits }) => {
        const taken = edits.find((e) => e.now === undefined && typeof e.was === 'object' && e.was !== null);
        if (!taken) {
          bar.dismiss();
          return EMPTY;
        }
        const { name } = taken.was as { name?: unknown };
        const says = typeof name === 'string' && name !== '' ? say('jobPage.takenAway', name) : say('jobPage.oneTakenAway');
        return bar
          .open(says, say('jobPage.undo'), { duration: OFFER_MS })
          .onAction()
          .pipe(map(() => JobActions.undoAsked()));
      }),
    ),
  { functional: true },
);

/** What is not acknowledged stands in this browser too, until it is. */
export const keep = createEffect(
  (store = inject(Store), kept = inject(KeptEdits)) =>
    store.select(jobFeature.selectJobState).pipe(
      filter((s) => s.job !== null && s.call === 'idle'),
      tap((s) => {
        if (s.job) kept.keep(s.job.id, s);
      }),
    ),
  { functional: true, dispatch: false },
);

export const save = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), store = inject(Store), sending = inject(Sending), typing = inject(Typing)) =>
    merge(
      actions$.pipe(
        ofType(
          JobActions.edited,
          JobActions.undoAsked,
          JobActions.redoAsked,
          JobApiActions.jobLoaded,
          JobActions.mineKept,
          JobApiActions.saved,
        ),
        debounceTime(SAVE_AFTER_MS),
        switchMap(() => typing.done()),
      ),
      actions$.pipe(ofType(JobApiActions.saveFailed), debounceTime(TRY_AGAIN_MS)),
      actions$.pipe(ofType(SessionActions.signedIn, JobActions.saveTriedAgain)),
    ).pipe(
      withLatestFrom(store.select(jobFeature.selectJobState)),
      // A save under way takes what was pending when it began; what comes after it is saved next.
      exhaustMap(([, s]) => {
        if (!s.job || s.pending.length === 0 || s.stale || isLocked(s.job.state)) return EMPTY;
        const { id, version } = s.job;
        const { key, edits } = sending.of(id, s.pending);
        store.dispatch(JobApiActions.saveBegun({ count: edits.length }));
        return api.call('jobs.edit', { params: { id }, body: { version, key, edits } }).pipe(
          map((saved) => {
            sending.answered();
            return JobApiActions.saved({ version: saved.version, count: edits.length, shelf: saved.shelf, others: saved.othersEdits });
          }),
          catchError((failure: Failure) => {
            if (failure.status >= 400 && failure.status < 500) sending.answered();
            return of(
              failure.status === 401
                ? SessionActions.sessionExpired()
                : failure.status === 409 && failure.stale
                  ? JobApiActions.saveStale({ failure })
                  : JobApiActions.saveFailed({ failure }),
            );
          }),
        );
      }),
    ),
  { functional: true },
);

/** A session that ended in mid-edit: the edits stay pending and go on after the sign-in. */
export const keptOnExpiry = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) =>
    actions$.pipe(
      ofType(SessionActions.sessionExpired),
      withLatestFrom(store.select(jobFeature.selectSaving)),
      filter(([, saving]) => saving > 0),
      map(() =>
        JobApiActions.saveFailed({
          failure: { status: 401, title: say('job.effects.notSignedIn'), detail: say('job.effects.signInToGoOn') },
        }),
      ),
    ),
  { functional: true },
);

/** Read again when others changed the job, or when a save came back with others' edits merged in. */
export const others = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), changes = inject(Changes), store = inject(Store)) =>
    merge(
      changes.changes$.pipe(
        filter((c) => c === null || c.table === 'jobs'),
        map((c) => ({ id: c?.id ?? null, version: c?.version ?? Infinity, force: c === null, by: c?.by ?? '' })),
      ),
      actions$.pipe(
        ofType(JobApiActions.saved),
        filter(({ others: o }) => o.length > 0),
        map(() => ({ id: null, version: Infinity, force: true, by: '' })),
      ),
      actions$.pipe(
        ofType(JobActions.theirsTaken),
        map(() => ({ id: null, version: Infinity, force: true, by: '' })),
      ),
    ).pipe(
      withLatestFrom(store.select(jobFeature.selectJobState)),
      filter(([c, s]) => s.job !== null && s.pending.length === 0 && (c.force || (c.id === s.job.id && c.version > s.job.version))),
      // A moment, so that our own save's answer comes before the news of it.
      concatMap(([c, s]) =>
        timer(150).pipe(
          switchMap(() => api.call('jobs.read', { params: { id: s.job?.id ?? '' } })),
          map((job) => ({ job, by: c.by })),
          catchError(() => EMPTY),
        ),
      ),
      withLatestFrom(store.select(jobFeature.selectJobState)),
      filter(
        ([{ job }, s]) => s.job?.id === job.id && s.pending.length === 0 && (job.version > s.job.version || job.state !== s.job.state),
      ),
      map(([{ job, by }]) => JobApiActions.othersChanged({ version: job.version, spec: job.spec, shelf: job.shelf, state: job.state, by })),
    ),
  { functional: true },
);

export const release = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), store = inject(Store)) =>
    actions$.pipe(
      ofType(JobActions.releaseAsked),
      withLatestFrom(store.select(jobFeature.selectJobState)),
      exhaustMap(([{ ask }, s]) => {
        if (!s.job || s.pending.length > 0)
          return of(
            JobApiActions.releaseFailed({
              failure: { status: 0, title: say('job.effects.notSavedYet'), detail: say('job.effects.theLastChangeIsStill') },
            }),
          );
        return api.call('jobs.release', { params: { id: s.job.id }, body: { version: s.job.version, ...ask } }).pipe(
          map(() => JobApiActions.released()),
          catchError((failure: Failure) => of(JobApiActions.releaseFailed({ failure }))),
        );
      }),
    ),
  { functional: true },
);

/** Reads the job again after something was done beside its specification; and when an answer or a reservation of others reaches it. */
export const readAgain = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), plants = inject(PlanContext), changes = inject(Changes), store = inject(Store)) =>
    merge(
      actions$.pipe(ofType(JobActions.readAgainAsked, JobApiActions.released)),
      changes.changes$.pipe(
        withLatestFrom(store.select(jobFeature.selectJob)),
        // The same version again: its shelf changed, or its state.
        filter(
          ([c, job]) =>
            c?.table === 'stock' ||
            (c?.table === 'floor' && c.id === (job?.alternativeOf ?? job?.id)) ||
            (c?.table === 'jobs' && c.id === (job?.alternativeOf ?? job?.id) && c.version <= (job?.version ?? 0)),
        ),
        auditTime(300),
      ),
    ).pipe(
      withLatestFrom(store.select(jobFeature.selectJob)),
      switchMap(([, job]) =>
        job === null
          ? EMPTY
          : api.call('jobs.read', { params: { id: job.id } }).pipe(
              switchMap((read) => plants.plant(read.plant).pipe(map((plant) => JobApiActions.jobReadAgain({ job: read, plant })))),
              catchError(() => EMPTY),
            ),
      ),
    ),
  { functional: true },
);

/** Whether the works has newer settings than those a draft is planned for: asked when it opens and when settings change. */
export const newerSettings = createEffect(
  (actions$ = inject(Actions), plants = inject(PlanContext), changes = inject(Changes), store = inject(Store)) =>
    merge(actions$.pipe(ofType(JobApiActions.jobLoaded)), changes.changes$.pipe(filter((c) => c?.table === 'plants'))).pipe(
      withLatestFrom(store.select(jobFeature.selectJob)),
      switchMap(([, job]) =>
        !job || isLocked(job.state)
          ? EMPTY
          : plants.current().pipe(
              switchMap(({ hash }) => (hash === job.plant ? of(null) : plants.plant(hash))),
              map((newer) => JobApiActions.newerSettingsFound({ newer })),
              catchError(() => EMPTY), // the job itself says when the server is away
            ),
      ),
    ),
  { functional: true },
);

/** Plans the draft for the settings in force and reads it again; what is not saved yet goes first. */
export const takeSettings = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), store = inject(Store)) =>
    actions$.pipe(
      ofType(JobActions.newSettingsTaken),
      withLatestFrom(store.select(jobFeature.selectJobState)),
      exhaustMap(([, { job, pending }]) => {
        const wait: Failure = { status: 0, title: say('job.effects.notSavedYet'), detail: say('job.effects.theLastChangeIsStill2') };
        if (!job || pending.length > 0) return of(JobApiActions.settingsFailed({ failure: wait }));
        return api.call('jobs.replant', { params: { id: job.id }, body: { version: job.version } }).pipe(
          map(() => JobActions.opened({ id: job.id })),
          catchError((failure: Failure) => of(JobApiActions.settingsFailed({ failure }))),
        );
      }),
    ),
  { functional: true },
);
