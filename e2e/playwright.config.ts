import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: './tests',
  outputDir: './test-results',
  // Two cores: two workers, each with its own server and database (house.ts).
  workers: 2,
  fullyParallel: false,
  retries: 0,
  reporter: [['list']],
  // A busy machine is no fault of the program: speed is measured by npm run bench, never here.
  expect: { timeout: 60_000 },
  timeout: 300_000,
  use: {
    // Without it a click that finds nothing waits until the whole test is over, and nobody learns which click it was.
    actionTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/Berlin',
    // What fades in is measured half faded.
    contextOptions: { reducedMotion: 'reduce' },
    // A trace of every click costs a good part of two cores: only when somebody looks for a fault (E2E_TRACE=on).
    trace: process.env['E2E_TRACE'] === 'on' ? 'retain-on-failure' : 'off',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        '--disable-gpu',
        '--font-render-hinting=none',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
});
