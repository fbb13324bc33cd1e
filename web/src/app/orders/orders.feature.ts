import { createEntityAdapter, type EntityState } from '@ngrx/entity';
import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { OrderRow } from '@druckerei/contract';
import type { Failure } from '../shared/api';

export const OrdersActions = createActionGroup({
  source: 'Orders Page',
  events: {
    Opened: emptyProps(),
    'Find typed': props<{ find: string }>(),
    Loaded: props<{ rows: OrderRow[] }>(),
    Failed: props<{ failure: Failure }>(),
    'Something changed': emptyProps(),
    Chosen: props<{ job: string }>(),
  },
});

const adapter = createEntityAdapter<OrderRow>({ selectId: (r) => r.job, sortComparer: false });
export interface OrdersState extends EntityState<OrderRow> {
  call: 'idle' | 'loading' | { failure: Failure };
  find: string;
  chosen: string | null;
}

export const ordersFeature = createFeature({
  name: 'orders',
  reducer: createReducer(
    adapter.getInitialState({ call: 'loading', find: '', chosen: null } as Omit<OrdersState, 'ids' | 'entities'>),
    on(OrdersActions.opened, (s) => ({ ...s, call: s.ids.length > 0 ? s.call : ('loading' as const) })),
    on(OrdersActions.findTyped, (s, { find }) => ({ ...s, find })),
    on(OrdersActions.loaded, (s, { rows }) => ({
      ...adapter.setAll(rows, s),
      call: 'idle' as const,
      chosen: rows.some((r) => r.job === s.chosen) ? s.chosen : (rows[0]?.job ?? null),
    })),
    on(OrdersActions.failed, (s, { failure }) => ({ ...s, call: { failure } })),
    on(OrdersActions.chosen, (s, { job }) => ({ ...s, chosen: job })),
  ),
  extraSelectors: ({ selectOrdersState }) => ({ ...adapter.getSelectors(selectOrdersState) }),
});
