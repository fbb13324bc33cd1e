import type { Routes } from '@angular/router';
import { PracticePage } from './practice-page';
import { RegisterPage } from './register-page';

export const registerRoutes: Routes = [
  { path: '', component: RegisterPage },
  { path: 'practice', component: PracticePage },
  { path: ':job/:step', component: RegisterPage },
];
