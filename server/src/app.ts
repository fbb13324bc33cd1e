import { existsSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import compression from 'compression';
import express, { type Express, type Request } from 'express';
import expressSession from 'express-session';
import helmet from 'helmet';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import { api, openApi } from '@druckerei/contract';
import type { Ctx, SessionDoor } from './context';
import { errorTable, notFound } from './errors';
import { eventsHandlers } from './events/events.handlers';
import type { EventHub } from './events/event-hub';
import { implement } from './implement';
import { boardHandlers } from './board/board.handlers';
import { floorHandlers } from './floor/floor.handlers';
import { Seal } from './floor/sign-on';
import { kitchenHandlers } from './kitchen/kitchen.handlers';
import { registerHandlers } from './register/register.handlers';
import { toolsHandlers } from './tools/tools.handlers';
import { zonesHandlers } from './zones/zones.handlers';
import { jobsHandlers } from './jobs/jobs.handlers';
import { ordersHandlers } from './orders/orders.handlers';
import { keepingHandlers } from './keeping/keeping.handlers';
import { peopleHandlers } from './people/people.handlers';
import { plantsHandlers } from './plants/plants.handlers';
import { stockHandlers } from './stock/stock.handlers';
import { tasksHandlers } from './tasks/tasks.handlers';
import { logbookHandlers } from './logbook/logbook.handlers';
import { dieLinesHandlers } from './out/die-lines.handlers';
import { outHandlers } from './out/out.handlers';
import { todayHandlers } from './today/today.handlers';
import type { Threads } from './tasks/threads';
import { gate, sameOrigin } from './session/gate';
import { sessionHandlers } from './session/session.handlers';
import { SessionStore } from './session/session-store';

declare module 'express-serve-static-core' {
  interface Request {
    id: string;
    log: Logger;
  }
}

export interface AppParts {
  db: Pool;
  hub: EventHub;
  threads: Threads;
  log: Logger;
  now: () => number;
  secret: string;
  webDir: string | null;
  /** Proxies in front whose word on address and protocol counts, as Express reads it; null: none. */
  trustProxy?: string | number | null;
  /** Which part of the replies that the database wrote itself is held against the contract; 1: every one. */
  checkReplies?: number;
}

const SESSION_MS = 12 * 3600 * 1000;

/** Builds the whole server from its parts; `main.ts` listens, tests listen on port 0. `close` ends what the app itself opened. */
export function buildApp({ db, hub, threads, log, now, secret, webDir, trustProxy = null, checkReplies = 1 }: AppParts): {
  app: Express;
  close: () => void;
} {
  const app = express();
  app.disable('x-powered-by');
  // Replies are not kept, files that are name their own time: a mark of their content would be reckoned for nobody.
  app.disable('etag');
  if (trustProxy !== null) app.set('trust proxy', trustProxy);
  app.use((req, res, next) => {
    req.id = randomUUID();
    req.log = log.child({ requestId: req.id });
    const from = process.hrtime.bigint();
    res.on('finish', () =>
      req.log.info(
        { method: req.method, path: req.path, status: res.statusCode, ms: Number((process.hrtime.bigint() - from) / 1_000_000n) },
        'answered',
      ),
    );
    next();
  });
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          scriptSrc: ["'self'"],
          scriptSrcAttr: ["'none'"],
          workerSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          // Styles of components stand in the page; everything else comes from here, fonts too.
          styleSrc: ["'self'", "'unsafe-inline'"],
          fontSrc: ["'self'"],
          upgradeInsecureRequests: null,
        },
      },
    }),
  );
  // Level 1: pages of JSON shrink to a sixth either way, in a third of the time.
  app.use(compression({ level: 1 }));
  // Whether it lives is asked apart from the pool.
  app.get('/healthz', async (_req, res) => {
    const ok = await hub.isWell();
    res.status(ok ? 200 : 503).json({ ok });
  });
  const store = new SessionStore(db, log);
  app.use('/api', express.json({ limit: '1mb' }));
  app.use(
    '/api',
    expressSession({
      name: 'druckerei',
      store,
      secret,
      resave: false,
      saveUninitialized: false,
      rolling: false,
      cookie: { httpOnly: true, sameSite: 'lax', secure: 'auto', maxAge: SESSION_MS },
    }),
  );
  app.use('/api', sameOrigin);
  const seal = new Seal(secret);
  const context = (req: Request): Ctx => ({
    db,
    log: req.log,
    requestId: req.id,
    now,
    hub,
    threads,
    seal,
    user: req.user ?? null,
    session: sessionDoor(req),
    gone: goneOf(req),
  });
  app.get('/api/openapi.json', (_req, res) => void res.json(openApi(api)));
  implement(
    app,
    api,
    {
      ...sessionHandlers,
      ...peopleHandlers,
      ...keepingHandlers,
      ...plantsHandlers,
      ...ordersHandlers,
      ...jobsHandlers,
      ...stockHandlers,
      ...floorHandlers,
      ...boardHandlers,
      ...tasksHandlers,
      ...logbookHandlers,
      ...outHandlers,
      ...dieLinesHandlers,
      ...todayHandlers,
      ...toolsHandlers,
      ...kitchenHandlers,
      ...zonesHandlers,
      ...registerHandlers,
      ...eventsHandlers,
    },
    { gate, context, checked: checkReplies },
  );
  app.use('/api', () => {
    throw notFound('This address');
  });
  if (webDir !== null && existsSync(webDir)) {
    app.use(
      express.static(webDir, {
        index: false,
        setHeaders: (res, path) =>
          void res.setHeader(
            'Cache-Control',
            /-[A-Z0-9]{8}\.\w+$|\/media\//.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache',
          ),
      }),
    );
    // A script or picture that is not there is not the program: an old page that asks for its script must hear so. Steps have dots in their names, too.
    app.get(/\.(?:m?js|css|map|json|svg|png|ico|woff2?|ttf|txt|webmanifest)$/i, (_req, res) => void res.sendStatus(404));
    app.get('/{*path}', (_req, res) =>
      res.sendFile('index.html', { root: webDir, cacheControl: false, headers: { 'Cache-Control': 'no-cache' } }),
    );
  }
  app.use(errorTable);
  return { app, close: () => store.close() };
}

/** Aborted when the connection closes before the answer is out. */
function goneOf(req: Request): AbortSignal {
  const gone = new AbortController();
  req.res?.once('close', () => {
    if (req.res?.writableEnded !== true) gone.abort();
  });
  return gone.signal;
}

/** A new session id at every sign-in: an id planted before is worth nothing after. */
function sessionDoor(req: Request): SessionDoor {
  const settled = (work: (done: (e?: unknown) => void) => void): Promise<void> =>
    new Promise((resolve, reject) =>
      work((e) => {
        if (e instanceof Error) reject(e);
        else resolve();
      }),
    );
  return {
    address: req.ip ?? '',
    id: req.sessionID,
    begin: async (userId) => {
      await settled((done) => req.session.regenerate(done));
      req.session.userId = userId;
      await settled((done) => req.session.save(done));
    },
    end: () => settled((done) => req.session.destroy(done)),
  };
}
