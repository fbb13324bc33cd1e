import { effect, inject } from '@angular/core';
import { Title } from '@angular/platform-browser';
import { say } from '@druckerei/core/words';

/** Names the browser's tab after what the page is about, so that five open jobs can be told apart. */
export function pageTitle(about: () => string): void {
  const title = inject(Title);
  effect(() => {
    title.setTitle(say('app.titleOf', about()));
  });
}
