import type { Logger } from 'pino';
import { buildApp } from './app';
import { sessionSecret } from './db/first-start';
import { makePool } from './db/pool';
import { type Env, clockOf } from './env';
import { EventHub } from './events/event-hub';
import { Threads } from './tasks/threads';

const CLOSE_MS = 1_500;

const proxies = (given: string | undefined): string | number | null =>
  given === undefined ? null : /^\d+$/.test(given) ? Number(given) : given;

export interface Answering {
  port: number | null;
  stop(): Promise<void>;
}

/** Answers browsers and terminals until it is stopped. @throws Error of the port, where it is taken */
export async function beginAnswering(env: Env, log: Logger): Promise<Answering> {
  const db = makePool(env.DATABASE_URL, (e) => log.warn({ err: e.message }, 'idle database connection lost'));
  const hub = new EventHub(env.DATABASE_URL, log);
  await hub.start();
  const { app, close } = buildApp({
    db,
    hub,
    threads: new Threads(new URL('./heavy.thread.js', import.meta.url), env.PROCESSES),
    log,
    now: clockOf(env),
    secret: await sessionSecret(db),
    webDir: env.WEB_DIR,
    trustProxy: proxies(env.TRUST_PROXY),
    checkReplies: env.CHECK_REPLIES,
  });
  const server = await new Promise<ReturnType<typeof app.listen>>((resolve, reject) => {
    const made = app.listen(env.PORT, env.HOST, (error?: Error) => {
      if (error) reject(error);
      else resolve(made);
    });
  });
  const address = server.address();
  const stop = async (): Promise<void> => {
    await hub.stop(); // open event streams first, else the server waits for them
    const closed = new Promise<void>((resolve) => server.close(() => resolve()));
    server.closeIdleConnections();
    const late = setTimeout(() => server.closeAllConnections(), CLOSE_MS);
    await closed;
    clearTimeout(late);
    close();
    await db.end();
  };
  return { port: typeof address === 'object' && address !== null ? address.port : null, stop };
}
