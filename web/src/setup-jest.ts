import { TestBed } from '@angular/core/testing';
import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';
import { provideMaterial } from './app/shared/material';

setupZonelessTestEnv({ errorOnUnknownElements: true, errorOnUnknownProperties: true });
// Fields behave as in the program.
beforeEach(() => TestBed.configureTestingModule({ providers: provideMaterial() }));

// jsdom has neither of these:
Object.assign(globalThis, {
  ResizeObserver: class {
    observe(): void {
      /* no layout in jsdom */
    }
    unobserve(): void {
      /* no layout in jsdom */
    }
    disconnect(): void {
      /* no layout in jsdom */
    }
  },
  structuredClone: (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown,
});
