import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import * as effects from './settings.effects';
import { settingsFeature } from './settings.feature';

export const settingsRoutes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'machines' },
  {
    path: ':section',
    providers: [provideState(settingsFeature), provideEffects(effects)],
    loadComponent: () => import('./settings-page').then((m) => m.SettingsPage),
  },
];
