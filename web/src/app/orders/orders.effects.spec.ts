import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideState, provideStore, Store } from '@ngrx/store';
import { of, Subject, throwError } from 'rxjs';
import { sessionFeature } from '../session/session.feature';
import { ApiCaller } from '../shared/api';
import { Changes } from '../shared/changes';
import * as effects from './orders.effects';
import { OrdersActions, ordersFeature } from './orders.feature';

describe('reading the orders', () => {
  const changes$ = new Subject<unknown>();
  let asked: { name: string; query: Record<string, string> }[];
  let pages: { rows: { job: string }[]; next: string | null }[];
  let store: Store;
  let refusal: number;
  const state = () => store.selectSignal(ordersFeature.selectOrdersState)();
  const rows = (from: number, many: number): { job: string }[] => Array.from({ length: many }, (_, i) => ({ job: `j${from + i}` }));

  beforeEach(() => {
    jest.useFakeTimers();
    asked = [];
    pages = [];
    refusal = 503;
    TestBed.configureTestingModule({
      providers: [
        provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
        provideState(ordersFeature),
        provideEffects(effects),
        { provide: Changes, useValue: { changes$ } },
        {
          provide: ApiCaller,
          useValue: {
            call: (name: string, { query }: { query: Record<string, string> }) => {
              asked.push({ name, query });
              if (name === 'orders.totals') return of({ orders: 500, machineS: 1, sheets: 2, metres: 3, undecided: 4 });
              const next = pages.shift();
              return next ? of(next) : throwError(() => ({ status: refusal, title: 'Refused' }));
            },
          },
        },
      ],
    });
    store = TestBed.inject(Store);
  });
  afterEach(() => jest.useRealTimers());

  it('asks for a page, then for the next after it, until there is none', () => {
    pages.push({ rows: rows(0, 2), next: 'here' }, { rows: rows(2, 1), next: null });
    store.dispatch(OrdersActions.opened());
    expect(state()).toMatchObject({ ids: ['j0', 'j1'], next: 'here', chosen: 'j0', totals: { orders: 500 } });
    store.dispatch(OrdersActions.moreWanted());
    expect(asked.at(-1)).toEqual({ name: 'orders.list', query: { after: 'here' } });
    expect(state()).toMatchObject({ ids: ['j0', 'j1', 'j2'], next: null, more: false });
    store.dispatch(OrdersActions.moreWanted());
    expect(asked).toHaveLength(3);
  });
  it('asks by words, state and sort, and begins anew with each', () => {
    pages.push({ rows: rows(0, 2), next: 'here' }, { rows: rows(5, 1), next: null }, { rows: rows(7, 1), next: null });
    store.dispatch(OrdersActions.opened());
    store.dispatch(OrdersActions.stateChosen({ state: 'blocked' }));
    expect(asked.at(-2)?.query).toEqual({ state: 'blocked' });
    store.dispatch(OrdersActions.sortChosen({ sort: 'customer' }));
    expect(asked.at(-2)?.query).toEqual({ state: 'blocked', sort: 'customer' });
    expect(asked.at(-1)).toEqual({ name: 'orders.totals', query: { state: 'blocked' } });
    expect(state().ids).toEqual(['j7']);
  });
  it('asks to sign in where nothing is there to see, not when news of others cannot be read', () => {
    const expired = () => store.selectSignal(sessionFeature.selectExpired)();
    pages.push({ rows: rows(0, 2), next: null });
    store.dispatch(OrdersActions.opened());
    refusal = 401;
    changes$.next({});
    jest.advanceTimersByTime(1_100);
    expect(asked).toHaveLength(4);
    expect(expired()).toBe(false);
    store.dispatch(OrdersActions.stateChosen({ state: 'blocked' }));
    expect(expired()).toBe(true);
  });
  it('waits for a pause in typing', () => {
    pages.push({ rows: [], next: null });
    for (const find of ['w', 'wi', 'win']) store.dispatch(OrdersActions.findTyped({ find }));
    expect(asked).toHaveLength(0);
    jest.advanceTimersByTime(200);
    expect(asked[0]?.query).toEqual({ find: 'win' });
  });
  it('reads a short list again as far as it went when something changes', () => {
    pages.push({ rows: rows(0, 150), next: 'here' }, { rows: rows(0, 150), next: 'here' });
    store.dispatch(OrdersActions.opened());
    changes$.next({});
    jest.advanceTimersByTime(1_100);
    expect(asked.at(-2)?.query).toEqual({ rows: '150' });
    expect(state().changed).toBe(false);
  });
  it('reads again in a house where something changes all the time', () => {
    pages.push(...Array.from({ length: 9 }, () => ({ rows: rows(0, 2), next: null })));
    store.dispatch(OrdersActions.opened());
    for (let i = 0; i < 35; i++) {
      changes$.next({});
      jest.advanceTimersByTime(100);
    }
    expect(asked.filter((a) => a.name === 'orders.list')).toHaveLength(1 + 3);
  });
  it('says of a long list that it changed, and does not move it', () => {
    pages.push({ rows: rows(0, 201), next: 'here' }, { rows: rows(0, 100), next: 'here' });
    store.dispatch(OrdersActions.opened());
    changes$.next({});
    jest.advanceTimersByTime(1_100);
    expect(asked).toHaveLength(2);
    expect(state()).toMatchObject({ changed: true });
    store.dispatch(OrdersActions.opened());
    expect(state().changed).toBe(false);
  });
  it('says what went wrong, and can be asked again', () => {
    store.dispatch(OrdersActions.opened());
    expect(state().call).toEqual({ failure: { status: 503, title: 'Refused' } });
    pages.push({ rows: rows(0, 1), next: null });
    store.dispatch(OrdersActions.opened());
    expect(state().call).toBe('idle');
  });
});
