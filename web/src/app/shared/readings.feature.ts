import { createEntityAdapter, type EntityState } from '@ngrx/entity';
import { createActionGroup, createFeature, createReducer, createSelector, on, props } from '@ngrx/store';
import type { Api, Changed } from '@druckerei/contract';
import type { Failure } from './api';

/** What one place on screen reads of the server: what was asked, what came last, and how the asking stands. */
export interface Reading {
  key: string;
  name: keyof Api;
  sent: object;
  /** Read again when others change one of these. */
  news: readonly Changed['table'][];
  got: unknown;
  call: 'loading' | 'idle' | { failure: Failure };
}

export const ReadingActions = createActionGroup({
  source: 'Reading',
  events: {
    Asked: props<{ key: string; name: keyof Api; sent: object; news: readonly Changed['table'][] }>(),
    Loaded: props<{ key: string; got: unknown }>(),
    Failed: props<{ key: string; failure: Failure }>(),
    /** The place on screen is gone. */
    Left: props<{ key: string }>(),
  },
});
/** Something asked of the server to be done. */
export const DeedActions = createActionGroup({
  source: 'Deed',
  events: {
    Asked: props<{ id: string; name: keyof Api; sent: object }>(),
    Done: props<{ id: string; reply: unknown }>(),
    Refused: props<{ id: string; failure: Failure }>(),
  },
});

const adapter = createEntityAdapter<Reading>({ selectId: (r) => r.key });
export type ReadingsState = EntityState<Reading>;

export const readingsFeature = createFeature({
  name: 'readings',
  reducer: createReducer(
    adapter.getInitialState(),
    // What came before stays on screen until the new is there.
    on(ReadingActions.asked, (s, { type: _, ...asked }) =>
      adapter.upsertOne({ got: s.entities[asked.key]?.got ?? null, ...asked, call: 'loading' }, s),
    ),
    on(ReadingActions.loaded, (s, { key, got }) => adapter.updateOne({ id: key, changes: { got, call: 'idle' } }, s)),
    on(ReadingActions.failed, (s, { key, failure }) => adapter.updateOne({ id: key, changes: { call: { failure } } }, s)),
    on(ReadingActions.left, (s, { key }) => adapter.removeOne(key, s)),
  ),
  extraSelectors: ({ selectReadingsState }) => ({
    selectAll: adapter.getSelectors(selectReadingsState).selectAll,
    selectOf: (key: string) => createSelector(selectReadingsState, (s) => s.entities[key]),
  }),
});
