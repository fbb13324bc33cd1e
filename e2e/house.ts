import { test as base } from '@playwright/test';

export { type APIRequestContext, expect, type Page } from '@playwright/test';

interface House {
  base: string;
}
interface Lib {
  startServer(env: Record<string, string>): { ready: Promise<number>; stop(): Promise<void> };
}
/** Addresses of the databases that npm test made, one for each worker of the browser tests. */
const DATABASES = JSON.parse(process.env['E2E_DATABASES'] ?? '[]') as { app: string; owner: string }[];

/** Tests on the real program: each worker has a server and a database of its own, so that two may run side by side. */
export const test = base.extend<object, { house: House }>({
  house: [
    async ({}, use, worker) => {
      const { startServer } = (await import(new URL('../scripts/lib/server.mjs', import.meta.url).href)) as Lib;
      const of = DATABASES[worker.parallelIndex];
      if (!of) throw new Error(`npm test made no database for worker ${worker.parallelIndex}`);
      const server = startServer({
        PORT: '0',
        LOG_LEVEL: 'error',
        // Two of these run side by side already.
        PROCESSES: '1',
        DATABASE_URL: of.app,
        OWNER_DATABASE_URL: of.owner,
        FIRST_START: `${import.meta.dirname}/../demo/first-start.json`,
        DEMO: '1',
      });
      await use({ base: `http://127.0.0.1:${await server.ready}` });
      await server.stop();
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: async ({ house }, use) => {
    await use(house.base);
  },
});
