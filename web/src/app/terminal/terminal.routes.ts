import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import * as effects from './terminal.effects';
import { terminalFeature } from './terminal.feature';

export const terminalRoutes: Routes = [
  {
    path: '',
    providers: [provideState(terminalFeature), provideEffects(effects)],
    loadComponent: () => import('./terminal-page').then((m) => m.TerminalPage),
  },
];
