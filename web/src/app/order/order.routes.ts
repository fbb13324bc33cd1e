import type { Routes } from '@angular/router';
import { OrderPage } from './order-page';

export const orderRoutes: Routes = [{ path: '', component: OrderPage }];
