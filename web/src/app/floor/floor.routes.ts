import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import * as effects from './floor.effects';
import { floorFeature } from './floor.feature';

export const floorRoutes: Routes = [
  {
    path: '',
    providers: [provideState(floorFeature), provideEffects(effects)],
    loadComponent: () => import('./floor-page').then((m) => m.FloorPage),
  },
];
