import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';

setupZonelessTestEnv({ errorOnUnknownElements: true, errorOnUnknownProperties: true });

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
