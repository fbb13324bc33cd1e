import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { MachineNow } from '@druckerei/contract';
import type { Failure } from '../shared/api';

export interface Board {
  asOf: number;
  timeZone: string;
  machines: MachineNow[];
}
export const FloorActions = createActionGroup({
  source: 'Floor Page',
  events: { Opened: emptyProps(), Loaded: props<{ board: Board }>(), Failed: props<{ failure: Failure }>() },
});
export interface FloorState {
  board: Board | null;
  call: 'loading' | 'idle' | { failure: Failure };
}
const initial: FloorState = { board: null, call: 'loading' };

export const floorFeature = createFeature({
  name: 'floor',
  reducer: createReducer(
    initial,
    on(FloorActions.loaded, (_s, { board }): FloorState => ({ board, call: 'idle' })),
    on(FloorActions.failed, (s, { failure }): FloorState => ({ ...s, call: { failure } })),
  ),
});
