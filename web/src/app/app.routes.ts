import type { Routes } from '@angular/router';

/** One folder per screen, each loaded when it is opened. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'orders' },
  { path: 'orders', title: 'Orders – Druckerei', loadChildren: () => import('./orders/orders.routes').then((m) => m.ordersRoutes) },
  { path: 'orders/new', title: 'New order – Druckerei', loadComponent: () => import('./new-order/new-order').then((m) => m.NewOrder) },
  { path: 'jobs/:id', title: 'Job – Druckerei', loadChildren: () => import('./job/job.routes').then((m) => m.jobRoutes) },
  {
    path: 'settings',
    title: 'Settings – Druckerei',
    loadChildren: () => import('./settings/settings.routes').then((m) => m.settingsRoutes),
  },
  { path: '**', redirectTo: 'orders' },
];
