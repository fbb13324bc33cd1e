import { createEntityAdapter, type EntityState } from '@ngrx/entity';
import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { ORDER_SORTS, OrderFilter, OrderRow, OrderTotals } from '@druckerei/contract';
import type { Failure } from '../shared/api';

export type OrderSort = (typeof ORDER_SORTS)[number];
export type OrderState = NonNullable<OrderFilter['state']>;

export const OrdersActions = createActionGroup({
  source: 'Orders Page',
  events: {
    Opened: emptyProps(),
    'Find typed': props<{ find: string }>(),
    'State chosen': props<{ state: OrderState }>(),
    'Sort chosen': props<{ sort: OrderSort }>(),
    /** The end of what was read came into sight. */
    'More wanted': emptyProps(),
    Loaded: props<{ rows: OrderRow[]; next?: string | null; totals?: OrderTotals }>(),
    'More loaded': props<{ rows: OrderRow[]; next: string | null }>(),
    Failed: props<{ failure: Failure }>(),
    'Something changed': emptyProps(),
    Chosen: props<{ job: string }>(),
  },
});

const adapter = createEntityAdapter<OrderRow>({ selectId: (r) => r.job, sortComparer: false });
export interface OrdersState extends EntityState<OrderRow> {
  call: 'idle' | 'loading' | { failure: Failure };
  find: string;
  state: OrderState;
  sort: OrderSort;
  /** Where the next page begins; null at the end. */
  next: string | null;
  more: boolean;
  /** Something changed, and the list is too long to be read again without moving under the reader's eyes. */
  changed: boolean;
  totals: OrderTotals | null;
  chosen: string | null;
}

/** As many rows as one page may hold: a list up to here is read again by itself when something changes. */
export const READ_AGAIN = 200;

export const ordersFeature = createFeature({
  name: 'orders',
  reducer: createReducer(
    adapter.getInitialState({
      call: 'loading',
      find: '',
      state: 'all',
      sort: 'due',
      next: null,
      more: false,
      changed: false,
      totals: null,
      chosen: null,
    } as Omit<OrdersState, 'ids' | 'entities'>),
    on(OrdersActions.opened, (s) => ({ ...s, call: s.ids.length > 0 ? s.call : ('loading' as const) })),
    on(OrdersActions.findTyped, (s, { find }) => ({ ...s, find })),
    on(OrdersActions.stateChosen, (s, { state }) => ({ ...s, state })),
    on(OrdersActions.sortChosen, (s, { sort }) => ({ ...s, sort })),
    on(OrdersActions.somethingChanged, (s) => (s.ids.length > READ_AGAIN ? { ...s, changed: true } : s)),
    on(OrdersActions.moreWanted, (s) => (s.next === null ? s : { ...s, more: true })),
    on(OrdersActions.moreLoaded, (s, { rows, next }) => ({ ...adapter.addMany(rows, s), next, more: false })),
    on(OrdersActions.loaded, (s, { rows, next = null, totals = null }) => ({
      ...adapter.setAll(rows, s),
      call: 'idle' as const,
      next,
      more: false,
      changed: false,
      totals,
      chosen: rows.some((r) => r.job === s.chosen) ? s.chosen : (rows[0]?.job ?? null),
    })),
    on(OrdersActions.failed, (s, { failure }) => ({ ...s, more: false, call: { failure } })),
    on(OrdersActions.chosen, (s, { job }) => ({ ...s, chosen: job })),
  ),
  extraSelectors: ({ selectOrdersState }) => ({ ...adapter.getSelectors(selectOrdersState) }),
});
