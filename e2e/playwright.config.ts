import { defineConfig } from '@playwright/test';

const PORT = Number(process.env['E2E_PORT'] ?? 8181);

export default defineConfig({
  testDir: './tests',
  outputDir: './test-results',
  workers: 1,
  fullyParallel: false,
  retries: 0,
  reporter: [['list']],
  // A busy machine is no fault of the program: speed is measured by npm run bench, never here.
  expect: { timeout: 15_000 },
  timeout: 60_000,
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/Berlin',
    trace: 'retain-on-failure',
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
  webServer: {
    command: 'node --enable-source-maps ../server/dist/main.js',
    url: `http://127.0.0.1:${PORT}/healthz`,
    reuseExistingServer: false,
    timeout: 30_000,
    stdout: 'ignore',
    gracefulShutdown: { signal: 'SIGTERM', timeout: 4000 },
    env: {
      PORT: String(PORT),
      LOG_LEVEL: 'error',
      DATABASE_URL: process.env['E2E_APP_URL'] ?? '',
      OWNER_DATABASE_URL: process.env['E2E_OWNER_URL'] ?? '',
      FIRST_START: '../demo/first-start.json',
      FONT_DIR: `${import.meta.dirname}/../server/fonts`,
    },
  },
});
