import { randomUUID } from 'node:crypto';
import { mkdirSync, mkdtempSync, readFileSync } from 'node:fs';
import { buildSync } from 'esbuild';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import pg from 'pg';
import { pino } from 'pino';
import type { JobSpec } from '@druckerei/core';
import { cardSpec } from '../../core/src/plan/line-1.fixture';
import { buildApp } from './app';
import { dropDatabase } from './db/drop-database.fixture';
import { FirstStart, firstStart, sessionSecret } from './db/first-start';
import { makePool } from './db/pool';
import { EventHub } from './events/event-hub';
import { TaskRunner } from './tasks/runner';
import { FileReader } from './tasks/file-reader';
import { Threads } from './tasks/threads';

const ROOT = `${__dirname}/../..`;
export const NOW = Date.UTC(2026, 2, 2, 6) / 1000;
export const PASSWORDS = {
  planner: 'paper-river-24',
  admin: 'paper-river-25',
  press: 'ink-and-water-3',
  store: 'pallet-rack-51',
  ink: 'grind-and-draw-9',
} as const;
const NAMES = { planner: 'anselm', admin: 'runa', press: 'odo', store: 'ilse', ink: 'rosalind' } as const;

/** Where the tests' cluster listens; set by the test command. */
const admin = (): string => {
  const url = process.env['TEST_OWNER_URL'];
  if (!url) throw new Error('run the tests by npm test: it starts their database');
  return url;
};
const named = (url: string, database: string): string => {
  const u = new URL(url);
  u.pathname = `/${database}`;
  return u.href;
};

/** The thread's own file, bundled once: a thread does not read TypeScript. */
let thread: string | null = null;
function threadFile(): string {
  if (thread !== null) return thread;
  // Beneath the packages: what the thread does not bundle it finds there.
  mkdirSync(`${ROOT}/node_modules/.cache`, { recursive: true });
  const outdir = mkdtempSync(`${ROOT}/node_modules/.cache/thread-`);
  thread = `${outdir}/heavy.thread.mjs`;
  buildSync({
    entryPoints: [`${ROOT}/server/src/tasks/heavy.thread.ts`, `${ROOT}/server/src/tasks/file.reader.ts`],
    outdir,
    outExtension: { '.js': '.mjs' },
    splitting: true,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'error',
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);" },
    external: ['pg-native', 'pdf-lib', 'pdfjs-dist', '@napi-rs/canvas'],
  });
  return thread;
}

/** A whole server on a database of its own, made from the migrated template. */
export class TestServer {
  base = '';
  databaseUrl = '';
  db!: pg.Pool;
  private server!: Server;
  private hub!: EventHub;
  private closeApp: () => void = () => undefined;
  private readonly database = `t_${randomUUID().replaceAll('-', '')}`;
  now = NOW;
  readonly threads = new Threads(threadFile());
  readonly reader = new FileReader(threadFile().replace('heavy.thread', 'file.reader'), [`${ROOT}/node_modules`]);
  private readonly runners: TaskRunner[] = [];

  /** A worker of the queue in this process. */
  async work(): Promise<TaskRunner> {
    const runner = await new TaskRunner({
      db: this.db,
      log: pino({ level: 'silent' }),
      threads: this.threads,
      reader: this.reader,
      now: () => this.now,
      silentS: 2,
    }).start();
    this.runners.push(runner);
    return runner;
  }

  async start(): Promise<this> {
    const owner = new pg.Client({ connectionString: admin() });
    await owner.connect();
    await owner.query(`create database ${this.database} template druckerei_template`);
    await owner.end();
    const url = named(process.env['TEST_APP_URL'] ?? '', this.database);
    this.databaseUrl = url;
    const log = pino({ level: process.env['TEST_LOG'] ?? 'silent' });
    this.db = makePool(url, () => undefined);
    const first = JSON.parse(readFileSync(`${ROOT}/demo/first-start.json`, 'utf8')) as Record<string, unknown>;
    await firstStart(
      this.db,
      FirstStart.parse({ ...first, plant: JSON.parse(readFileSync(`${ROOT}/demo/plant.json`, 'utf8')) as unknown }),
      { demo: true, password: undefined },
    );
    this.hub = new EventHub(url, log);
    await this.hub.start();
    const { app, close } = buildApp({
      db: this.db,
      hub: this.hub,
      threads: this.threads,
      log,
      now: () => this.now,
      secret: await sessionSecret(this.db),
      webDir: null,
      trustProxy: 'loopback',
    });
    this.closeApp = close;
    this.server = await new Promise<Server>((resolve) => {
      const s = app.listen(0, '127.0.0.1', () => {
        resolve(s);
      });
    });
    this.base = `http://127.0.0.1:${(this.server.address() as AddressInfo).port}`;
    return this;
  }

  async stop(): Promise<void> {
    for (const runner of this.runners) await runner.stop();
    await this.hub.stop();
    this.server.closeAllConnections();
    await new Promise((resolve) => this.server.close(resolve));
    this.closeApp();
    await this.db.end();
    const owner = new pg.Client({ connectionString: admin() });
    await owner.connect();
    await dropDatabase((sql) => owner.query(sql), this.database);
    await owner.end();
  }

  client(): Client {
    return new Client(this);
  }
  async signedIn(role: keyof typeof NAMES): Promise<Client> {
    const c = this.client();
    await c.call('POST', '/api/session', { name: NAMES[role], password: PASSWORDS[role] });
    return c;
  }
}

export interface Said {
  status: number;
  body: Record<string, unknown>;
  headers: Headers;
  bytes: Uint8Array;
}

/** A browser's way of talking: cookie kept, same-origin said. */
export class Client {
  cookie = '';
  constructor(private readonly server: TestServer) {}

  async call(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = { 'sec-fetch-site': 'same-origin' },
  ): Promise<Said> {
    const res = await fetch(this.server.base + path, {
      method,
      headers: {
        ...(body !== undefined && { 'content-type': 'application/json' }),
        ...(this.cookie && { cookie: this.cookie }),
        ...headers,
      },
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    const set = res.headers.getSetCookie()[0];
    if (set) this.cookie = set.split(';')[0] ?? '';
    const bytes = new Uint8Array(await res.arrayBuffer());
    const text = new TextDecoder().decode(bytes);
    return {
      status: res.status,
      headers: res.headers,
      bytes,
      body: text.startsWith('{') || text.startsWith('[') ? (JSON.parse(text) as Record<string, unknown>) : {},
    };
  }

  /** A customer and an order of line 1; gives the job's id. `wish` changes what is wished of the card. */
  async order(quantity = 10_000, wish: object = {}, more: object = {}): Promise<string> {
    const spec = { ...cardSpec(quantity), ...more };
    const card = spec.products['card'];
    if (card?.kind === 'made' && card.family === 'folded-card') spec.products['card'] = { ...card, wish: { ...card.wish, ...wish } };
    return this.orderOf(spec, quantity);
  }
  /** An order of a specification with one item, delivered at once to a customer of its own. */
  async orderOf(spec: JobSpec, quantity: number): Promise<string> {
    const customer = randomUUID();
    await this.call('POST', '/api/customers', { id: customer, name: `Customer ${customer}`, address: 'Quay 1' });
    spec.items['i1']!.deliveries = [{ by: '2026-03-20T14:00', share: { only: quantity }, to: 'Quay 1' }];
    return String((await this.call('POST', '/api/orders', { id: randomUUID(), customer, spec })).body['job']);
  }

  /** Releases a job; what must be decided is. */
  async release(job: string): Promise<Said> {
    const version = Number((await this.call('GET', `/api/jobs/${job}`)).body['version']);
    const ask = (decisions: object): Promise<Said> => this.call('POST', `/api/jobs/${job}/release`, { version, decisions });
    const tried = await ask({});
    const fields = (tried.body['fields'] ?? []) as { path: string }[];
    return tried.status === 200 ? tried : ask(Object.fromEntries(fields.map((f) => [f.path, 'agreed'])));
  }
  /** Sends a file as it is. */
  async send(path: string, bytes: Uint8Array): Promise<Said> {
    const res = await fetch(this.server.base + path, {
      method: 'POST',
      headers: { cookie: this.cookie, 'sec-fetch-site': 'same-origin', 'content-type': 'application/octet-stream' },
      body: Buffer.from(bytes),
    });
    const text = await res.text();
    return { status: res.status, headers: res.headers, bytes: new Uint8Array(), body: JSON.parse(text) as Record<string, unknown> };
  }
}
