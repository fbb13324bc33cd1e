import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  auditTime,
  catchError,
  debounceTime,
  EMPTY,
  exhaustMap,
  filter,
  forkJoin,
  map,
  merge,
  of,
  switchMap,
  takeUntil,
  withLatestFrom,
} from 'rxjs';
import { ApiCaller, type Failure } from '../shared/api';
import { Changes } from '../shared/changes';
import { SessionActions } from '../session/session.feature';
import { OrdersActions, ordersFeature, type OrdersState, READ_AGAIN } from './orders.feature';

const PAGE = 100;
/** A list that others change is read again no more often than this. */
const READ_AGAIN_MS = 1_000;
/** What is asked of the server: nothing that is as it always is. */
const askOf = ({ find, state, sort }: OrdersState): { which: Record<string, string>; page: Record<string, string> } => {
  const which = { ...(find && { find }), ...(state !== 'all' && { state }) };
  return { which, page: { ...which, ...(sort !== 'due' && { sort }) } };
};
const failed = (failure: Failure) => of(failure.status === 401 ? SessionActions.sessionExpired() : OrdersActions.failed({ failure }));

export const load = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), store = inject(Store)) =>
    merge(
      actions$.pipe(ofType(OrdersActions.opened, OrdersActions.somethingChanged, OrdersActions.stateChosen, OrdersActions.sortChosen)),
      actions$.pipe(ofType(OrdersActions.findTyped), debounceTime(150)),
    ).pipe(
      withLatestFrom(store.select(ordersFeature.selectOrdersState)),
      // What is on screen is read again as far as it went, so that nothing jumps; a long list says that it changed.
      filter(([action, state]) => action.type !== OrdersActions.somethingChanged.type || state.ids.length <= READ_AGAIN),
      switchMap(([action, state]) => {
        const { which, page } = askOf(state);
        if (action.type === OrdersActions.somethingChanged.type) page['rows'] = String(Math.max(state.ids.length, PAGE));
        return forkJoin([api.call('orders.list', { query: page }), api.call('orders.totals', { query: which })]).pipe(
          map(([{ rows, next }, totals]) => OrdersActions.loaded({ rows, next, totals })),
          // News that cannot be read take nobody out of what he does elsewhere.
          catchError((failure: Failure) =>
            failure.status === 401 && action.type === OrdersActions.somethingChanged.type ? EMPTY : failed(failure),
          ),
        );
      }),
    ),
  { functional: true },
);

/** The next page; given up when another list is asked for meanwhile. */
export const loadMore = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), store = inject(Store)) =>
    actions$.pipe(
      ofType(OrdersActions.moreWanted),
      withLatestFrom(store.select(ordersFeature.selectOrdersState)),
      exhaustMap(([, state]) =>
        state.next === null
          ? of()
          : api.call('orders.list', { query: { ...askOf(state).page, after: state.next } }).pipe(
              map(({ rows, next }) => OrdersActions.moreLoaded({ rows, next })),
              catchError(failed),
              takeUntil(actions$.pipe(ofType(OrdersActions.loaded, OrdersActions.findTyped))),
            ),
      ),
    ),
  { functional: true },
);

export const reload = createEffect(
  (changes = inject(Changes)) =>
    changes.changes$.pipe(
      // Counted from the first change: in a busy house there is no pause to wait for.
      auditTime(READ_AGAIN_MS),
      map(() => OrdersActions.somethingChanged()),
    ),
  { functional: true },
);
