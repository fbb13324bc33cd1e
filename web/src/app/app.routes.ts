import type { Routes } from '@angular/router';

/** One folder per screen, each loaded when it is opened. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'today' },
  { path: 'today', title: 'Today – Druckerei', loadComponent: () => import('./today/today-page').then((m) => m.TodayPage) },
  { path: 'orders', title: 'Orders – Druckerei', loadChildren: () => import('./orders/orders.routes').then((m) => m.ordersRoutes) },
  { path: 'orders/new', title: 'New order – Druckerei', loadComponent: () => import('./new-order/new-order').then((m) => m.NewOrder) },
  {
    path: 'orders/import',
    title: 'Orders from a file – Druckerei',
    loadComponent: () => import('./import/import-page').then((m) => m.ImportPage),
  },
  // Pages about one thing name the tab after it.
  { path: 'orders/:id', loadChildren: () => import('./order/order.routes').then((m) => m.orderRoutes) },
  { path: 'zones/:job/:step', loadComponent: () => import('./zones/zones-page').then((m) => m.ZonesPage) },
  { path: 'stock', title: 'Stock – Druckerei', loadComponent: () => import('./stock/stock-page').then((m) => m.StockPage) },
  { path: 'tools', title: 'Tools – Druckerei', loadComponent: () => import('./tools/tool-store-page').then((m) => m.ToolStorePage) },
  {
    path: 'kitchen',
    title: 'Ink kitchen – Druckerei',
    loadChildren: () => import('./kitchen/kitchen.routes').then((m) => m.kitchenRoutes),
  },
  {
    path: 'register',
    title: 'Register desk – Druckerei',
    loadChildren: () => import('./register/register.routes').then((m) => m.registerRoutes),
  },
  { path: 'jobs/:id', loadChildren: () => import('./job/job.routes').then((m) => m.jobRoutes) },
  { path: 'board', title: 'Board – Druckerei', loadComponent: () => import('./board/board-page').then((m) => m.BoardPage) },
  { path: 'floor', title: 'Floor – Druckerei', loadChildren: () => import('./floor/floor.routes').then((m) => m.floorRoutes) },
  {
    path: 'terminal',
    title: 'Terminal – Druckerei',
    loadChildren: () => import('./terminal/terminal.routes').then((m) => m.terminalRoutes),
  },
  { path: 'logbook', title: 'Logbook – Druckerei', loadComponent: () => import('./logbook/logbook-page').then((m) => m.LogbookPage) },
  {
    path: 'settings',
    title: 'Settings – Druckerei',
    loadChildren: () => import('./settings/settings.routes').then((m) => m.settingsRoutes),
  },
  { path: '**', redirectTo: 'today' },
];
