import { DestroyRef, inject, Injectable, signal } from '@angular/core';
import { tinykeys } from 'tinykeys';

export interface Shortcut {
  keys: string;
  shown: string;
  says: string;
  run: () => void;
  /** Works while typing too (undo does not). */ inFields?: boolean;
  /** The same key on keyboards where it needs no Shift, or another. */ also?: string;
}

const typing = (e: Event): boolean =>
  e.target instanceof HTMLElement && (e.target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(e.target.tagName));

/** Enter on a link or a button presses that, and nothing beside it; with Ctrl or Cmd it is a key of the screen wherever it is pressed. */
const presses = (e: KeyboardEvent): boolean =>
  e.key === 'Enter' && !e.ctrlKey && !e.metaKey && e.target instanceof Element && e.target.closest('a, button, [role=tab]') !== null;

/** Keys of the screen that is open; `?` shows them. None is in the browser's way. */
@Injectable({ providedIn: 'root' })
export class Shortcuts {
  private readonly lists = signal<readonly Shortcut[][]>([]);
  readonly shown = (): Shortcut[] => this.lists().flat();

  /** Registers keys for as long as the calling component lives. */
  use(list: Shortcut[]): void {
    this.lists.update((all) => [...all, list]);
    const bindings = Object.fromEntries(
      list.flatMap((s) =>
        [s.keys, ...(s.also === undefined ? [] : [s.also])].map((keys) => [
          keys,
          (e: KeyboardEvent) => {
            if ((typing(e) && !s.inFields) || presses(e) || document.querySelector('.cdk-overlay-backdrop')) return;
            e.preventDefault();
            s.run();
          },
        ]),
      ),
    );
    const off = tinykeys(window, bindings);
    inject(DestroyRef).onDestroy(() => {
      off();
      this.lists.update((all) => all.filter((l) => l !== list));
    });
  }
}
