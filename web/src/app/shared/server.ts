import { computed, DestroyRef, type EnvironmentProviders, inject, Injectable, makeEnvironmentProviders, type Signal } from '@angular/core';
import { Actions, ofType, provideEffects } from '@ngrx/effects';
import { provideState, Store } from '@ngrx/store';
import { defer, EMPTY, filter, merge, mergeMap, type Observable, of, take, throwError } from 'rxjs';
import type { Api, Changed, Replied, Sent } from '@druckerei/contract';
import type { Failure } from './api';
import * as effects from './readings.effects';
import { DeedActions, ReadingActions, readingsFeature } from './readings.feature';

/** The feature of what is read, and its effects. */
export const provideServer = (): EnvironmentProviders => makeEnvironmentProviders([provideState(readingsFeature), provideEffects(effects)]);

/** What a place on screen reads: what came last, why it failed, and how to ask. */
export interface ReadingOf<N extends keyof Api> {
  got: Signal<Replied<Api[N]> | null>;
  failure: Signal<Failure | null>;
  loading: Signal<boolean>;
  ask(sent: Sent<Api[N]>): void;
  /** The same once more. */
  again(): void;
}

let keys = 0;
/** A reading of the server for the place that calls this, as long as it stands; read again when others change one of the tables. */
export function readingOf<N extends keyof Api>(name: N, news: readonly Changed['table'][] = []): ReadingOf<N> {
  const store = inject(Store);
  const key = `${name} ${++keys}`;
  const reading = store.selectSignal(readingsFeature.selectOf(key));
  let last: Sent<Api[N]> | undefined;
  const ask = (sent: Sent<Api[N]>): void => {
    last = sent;
    store.dispatch(ReadingActions.asked({ key, name, sent, news }));
  };
  inject(DestroyRef).onDestroy(() => {
    store.dispatch(ReadingActions.left({ key }));
  });
  return {
    got: computed(() => (reading()?.got ?? null) as Replied<Api[N]> | null),
    failure: computed(() => {
      const call = reading()?.call;
      return typeof call === 'object' ? call.failure : null;
    }),
    loading: computed(() => reading()?.call === 'loading'),
    ask,
    again: () => {
      if (last) ask(last);
    },
  };
}

/** Asks the server to do something: the answer, or a failure in its words. Nothing is sent before somebody listens. */
@Injectable({ providedIn: 'root' })
export class Server {
  private readonly store = inject(Store);
  private readonly actions = inject(Actions);

  send<N extends keyof Api>(name: N, sent: Sent<Api[N]>): Observable<Replied<Api[N]>> {
    return defer(() => {
      const id = crypto.randomUUID();
      const answer = this.actions.pipe(
        ofType(DeedActions.done, DeedActions.refused),
        filter((a) => a.id === id),
        take(1),
        mergeMap((a) => ('failure' in a ? throwError(() => a.failure) : of(a.reply as Replied<Api[N]>))),
      );
      // Asked once somebody listens: an answer may come in the same moment.
      const asks = defer(() => {
        this.store.dispatch(DeedActions.asked({ id, name, sent }));
        return EMPTY;
      });
      return merge(answer, asks);
    });
  }
}
