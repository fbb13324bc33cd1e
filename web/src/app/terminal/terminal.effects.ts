import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { type Action, Store } from '@ngrx/store';
import {
  catchError,
  concatMap,
  debounceTime,
  EMPTY,
  exhaustMap,
  expand,
  filter,
  from,
  fromEvent,
  map,
  merge,
  mergeMap,
  type Observable,
  switchMap,
  tap,
  throttleTime,
  timer,
  withLatestFrom,
} from 'rxjs';
import { ApiCaller, type Failure } from '../shared/api';
import { Changes } from '../shared/changes';
import { SessionActions } from '../session/session.feature';
import { deviceName, keptMachine, keepMachine } from './device';
import { Outbox } from './outbox';
import { TerminalActions, terminalFeature } from './terminal.feature';

/** Entries a batch carries: below what the server takes at once. */
const BATCH = 200;
/** How often the line is tried while something waits, and the server's word is read anew. */
const TRY_MS = 3_000;
const READ_MS = 20_000;

const failed = (failure: Failure) =>
  from([TerminalActions.lineDown({ failure }), ...(failure.status === 401 ? [SessionActions.sessionExpired()] : [])]);

/** What the device kept: entries that wait, entries turned away, the last word about this machine. */
export const findKept = createEffect(
  (actions$ = inject(Actions), outbox = inject(Outbox)) =>
    actions$.pipe(
      ofType(TerminalActions.opened),
      exhaustMap(() => {
        const machine = keptMachine();
        return from(
          Promise.all([outbox.all(), outbox.sent(), outbox.turned(), machine === null ? null : outbox.kept(machine), outbox.people()]),
        ).pipe(
          mergeMap(([waiting, sent, turned, terminal, people]) => [
            TerminalActions.machineChosen({ machine }),
            TerminalActions.keptFound({ waiting, sent, turned, terminal, people }),
            TerminalActions.sendWanted(),
            TerminalActions.readWanted(),
          ]),
        );
      }),
    ),
  { functional: true },
);

export const rememberMachine = createEffect(
  (actions$ = inject(Actions), outbox = inject(Outbox)) =>
    actions$.pipe(
      ofType(TerminalActions.machineChosen),
      tap(({ machine }) => {
        keepMachine(machine);
      }),
      switchMap(({ machine }) =>
        machine === null
          ? EMPTY
          : from(outbox.kept(machine)).pipe(
              mergeMap((terminal) => [
                ...(terminal ? [TerminalActions.terminalRead({ terminal, askedAt: 0 })] : []),
                TerminalActions.readWanted(),
              ]),
            ),
      ),
    ),
  { functional: true },
);

export const readPeople = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller)) =>
    actions$.pipe(
      ofType(TerminalActions.opened, TerminalActions.signedOff),
      switchMap(() =>
        api.call('floor.people', {}).pipe(
          map((people) => TerminalActions.peopleRead({ people })),
          catchError(() => EMPTY), // those known here stay
        ),
      ),
    ),
  { functional: true },
);

/** Nothing is shown as written before it is safe on the device. */
export const keep = createEffect(
  (actions$ = inject(Actions), outbox = inject(Outbox)) =>
    actions$.pipe(
      ofType(TerminalActions.wrote),
      concatMap(({ entries }) =>
        from(outbox.write(entries)).pipe(mergeMap(() => [TerminalActions.kept({ entries }), TerminalActions.sendWanted()])),
      ),
    ),
  { functional: true },
);

/** One batch of the oldest that wait: what the server took is gone from the device, what it turned away stays in sight. */
function batch(api: ApiCaller, outbox: Outbox): Observable<Action[]> {
  return from(outbox.oldest(BATCH)).pipe(
    filter(({ entries }) => entries.length > 0),
    switchMap(({ keys, entries }) =>
      api.call('floor.send', { body: { device: deviceName(), sentAt: Date.now() / 1000, entries: entries.map((e) => ({ ...e })) } }).pipe(
        switchMap(({ accepted, refused }) => {
          const turned = refused.flatMap(({ id, says }) => {
            const entry = entries.find((e) => e.id === id);
            return entry ? [{ entry, says }] : [];
          });
          const answered = TerminalActions.answered({ ids: accepted, turned, at: Date.now() });
          const taken = entries.filter((e) => !turned.some((t) => t.entry.id === e.id));
          return from(outbox.answered(keys, taken, turned)).pipe(map(() => [answered, TerminalActions.readWanted()]));
        }),
      ),
    ),
  );
}

/** Sends what waits, batch by batch, the oldest first, until nothing waits: what is written while one is under way goes at once after it.
 * A batch that was not answered is sent again as it was. */
export const send = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), outbox = inject(Outbox)) =>
    merge(actions$.pipe(ofType(TerminalActions.sendWanted)), timer(TRY_MS, TRY_MS), fromEvent(window, 'online')).pipe(
      exhaustMap(() =>
        batch(api, outbox).pipe(
          expand(() => batch(api, outbox)),
          mergeMap((told) => told),
          catchError(failed),
        ),
      ),
    ),
  { functional: true },
);

/** Reads the server's word when something changed on the floor, now and then, and when a step is chosen: its setup sheet comes with it, however far off its turn is. */
export const read = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), changes = inject(Changes), store = inject(Store)) =>
    merge(
      actions$.pipe(ofType(TerminalActions.readWanted, TerminalActions.stepChosen), debounceTime(150)),
      changes.changes$.pipe(
        filter((c) => c === null || c.table === 'floor' || c.table === 'jobs'),
        throttleTime(1_500, undefined, { leading: false, trailing: true }),
      ),
      timer(READ_MS, READ_MS),
    ).pipe(
      withLatestFrom(store.select(terminalFeature.selectMachine), store.select(terminalFeature.selectChosen)),
      switchMap(([, machine, chosen]) => {
        if (machine === null) return EMPTY;
        const askedAt = Date.now();
        return api.call('floor.terminal', { params: { id: machine }, query: { ...chosen } }).pipe(
          map((terminal) => TerminalActions.terminalRead({ terminal, askedAt })),
          catchError(failed),
        );
      }),
    ),
  { functional: true },
);

export const keepTerminal = createEffect(
  (actions$ = inject(Actions), outbox = inject(Outbox), store = inject(Store)) =>
    actions$.pipe(
      ofType(TerminalActions.terminalRead),
      filter(({ askedAt }) => askedAt > 0), // not what was kept here itself
      withLatestFrom(store.select(terminalFeature.selectWaiting)),
      concatMap(([{ terminal }, waiting]) => outbox.keep(terminal, new Set(waiting.map((w) => w.entry.id)))),
    ),
  { functional: true, dispatch: false },
);

export const forgetTurned = createEffect(
  (actions$ = inject(Actions), outbox = inject(Outbox)) =>
    actions$.pipe(
      ofType(TerminalActions.turnedSeen),
      concatMap(({ id }) => outbox.forgetTurned(id)),
    ),
  { functional: true, dispatch: false },
);
