import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { catchError, debounceTime, map, merge, of, switchMap, withLatestFrom } from 'rxjs';
import { ApiCaller, type Failure } from '../shared/api';
import { Changes } from '../shared/changes';
import { SessionActions } from '../session/session.feature';
import { OrdersActions, ordersFeature } from './orders.feature';

export const load = createEffect(
  (actions$ = inject(Actions), api = inject(ApiCaller), store = inject(Store)) =>
    merge(
      actions$.pipe(ofType(OrdersActions.opened, OrdersActions.somethingChanged)),
      actions$.pipe(ofType(OrdersActions.findTyped), debounceTime(150)),
    ).pipe(
      withLatestFrom(store.select(ordersFeature.selectFind)),
      switchMap(([, find]) =>
        api.call('orders.list', { query: find ? { find } : {} }).pipe(
          map(({ rows }) => OrdersActions.loaded({ rows })),
          catchError((failure: Failure) =>
            of(failure.status === 401 ? SessionActions.sessionExpired() : OrdersActions.failed({ failure })),
          ),
        ),
      ),
    ),
  { functional: true },
);

export const reload = createEffect(
  (changes = inject(Changes)) =>
    changes.changes$.pipe(
      debounceTime(200),
      map(() => OrdersActions.somethingChanged()),
    ),
  { functional: true },
);
