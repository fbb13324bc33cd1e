import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import * as effects from './job.effects';
import { jobFeature } from './job.feature';

export const jobRoutes: Routes = [
  {
    path: '',
    providers: [provideState(jobFeature), provideEffects(effects)],
    loadComponent: () => import('./job-page').then((m) => m.JobPage),
  },
];
