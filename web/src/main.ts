import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app/app';
import { appConfig } from './app/app.config';

/** `localStorage.setItem('druckerei.words', 'pseudo')`: the catalogue in a language that does not exist, to see what was written past it. */
async function start(): Promise<void> {
  if (localStorage.getItem('druckerei.words') === 'pseudo') (await import('./app/shared/pseudo')).speakPseudo();
  await bootstrapApplication(App, appConfig);
}
start().catch((error: unknown) => {
  console.error(error);
});
