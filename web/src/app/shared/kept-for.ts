import { computed, linkedSignal, type WritableSignal } from '@angular/core';

/**
 * What a person chose or typed, kept as long as it belongs to the same thing: told by what that is called, since the server's newest word of it is another
 * object every few seconds. Of another thing it begins afresh.
 */
export function keptFor<T>(key: () => string, fresh: (key: string) => T): WritableSignal<T> {
  const named = computed(key);
  return linkedSignal<string, T>({ source: () => named(), computation: (name) => fresh(name) });
}
