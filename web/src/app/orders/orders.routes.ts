import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import * as effects from './orders.effects';
import { ordersFeature } from './orders.feature';

export const ordersRoutes: Routes = [
  {
    path: '',
    providers: [provideState(ordersFeature), provideEffects(effects)],
    loadComponent: () => import('./order-list').then((m) => m.OrderList),
  },
];
