import { provideHttpClient, withFetch } from '@angular/common/http';
import { type ApplicationConfig, provideBrowserGlobalErrorListeners, provideZonelessChangeDetection } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { routes } from './app.routes';
import * as sessionEffects from './session/session.effects';
import { sessionFeature } from './session/session.feature';
import { provideMaterial } from './shared/material';
import { provideServer } from './shared/server';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    provideRouter(routes, withComponentInputBinding()),
    provideHttpClient(withFetch()),
    provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
    provideEffects(sessionEffects),
    provideServer(),
    provideMaterial(),
  ],
};
