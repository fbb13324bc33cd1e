import type { Routes } from '@angular/router';
import { KitchenPage } from './kitchen-page';

export const kitchenRoutes: Routes = [
  { path: '', component: KitchenPage },
  { path: ':job/:ink', component: KitchenPage },
];
