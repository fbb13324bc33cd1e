import cluster from 'node:cluster';
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { beginAnswering } from './answering';
import { keepEnds } from './board/keep-ends';
import { demoIsLoaded, FIRST_ADMIN, FirstStart, firstStart } from './db/first-start';
import { DatabaseNewer, migrate } from './db/migrate';
import { makePool } from './db/pool';
import { clockOf, readEnv } from './env';
import { writeOlderReleases } from './floor/released-steps';
import { refreshSummaries } from './jobs/refresh-summaries';
import { noticeClock } from './keeping/clock';
import { password } from '@druckerei/contract';
import { beginProcesses } from './processes';
import { weakPassword } from './session/weak-password';
import { TaskRunner } from './tasks/runner';
import { FileReader } from './tasks/file-reader';
import { Threads } from './tasks/threads';

const env = readEnv();
const log = pino({ level: env.LOG_LEVEL });
const now = clockOf(env);

/** The file names its plant by another file beside it. */
function readFirstStart(path: string): FirstStart {
  const read = (file: string): Record<string, unknown> => JSON.parse(readFileSync(file, 'utf8')) as Record<string, unknown>;
  const document = read(path);
  return FirstStart.parse({ ...document, plant: read(join(dirname(path), String(document['plant']))) });
}

function tooWeak(given: string): string | null {
  const asked = password.safeParse(given);
  return asked.success ? weakPassword(given, FIRST_ADMIN) : (asked.error.issues[0]?.message ?? 'is too weak');
}

/** One clear sentence and exit code 1. */
function fail(sentence: string): never {
  process.stderr.write(`druckerei: ${sentence}\n`);
  process.exit(1);
}

const failToListen = (error: NodeJS.ErrnoException): never =>
  fail(error.code === 'EADDRINUSE' ? `port ${env.PORT} is taken by something else: set PORT to a free one.` : error.message);

/** One of several that answer: whoever began it has prepared the database, and ends it. */
async function answerOnly(): Promise<void> {
  // Whoever began it was killed: there is nobody left to answer for.
  cluster.worker?.on('error', () => process.exit(1));
  const answering = await beginAnswering(env, log).catch(failToListen);
  whenStopped(() => answering.stop());
}

/** The one that starts: brings the database up to date, answers or has others answer, and does the long work. */
async function begin(): Promise<void> {
  const appRole = env.OWNER_DATABASE_URL === undefined ? null : decodeURIComponent(new URL(env.DATABASE_URL).username);
  const { version } = await migrate(env.OWNER_DATABASE_URL ?? env.DATABASE_URL, env.MIGRATIONS_DIR, appRole).catch((error: unknown) =>
    fail(
      error instanceof DatabaseNewer
        ? error.message
        : `the database could not be brought up to date: ${error instanceof Error ? error.message : String(error)}`,
    ),
  );
  const db = makePool(env.DATABASE_URL, (e) => log.warn({ err: e.message }, 'idle database connection lost'));
  const weak = env.FIRST_PASSWORD === undefined ? null : tooWeak(env.FIRST_PASSWORD);
  if (weak !== null) fail(`FIRST_PASSWORD ${weak}.`);
  const started =
    env.FIRST_START === undefined
      ? null
      : await firstStart(db, readFirstStart(env.FIRST_START), { demo: env.DEMO === '1', password: env.FIRST_PASSWORD });
  await noticeClock(db, now(), log);
  void writeOlderReleases(db, log).catch((err: unknown) => log.warn({ err }, 'older releases are not on the floor yet'));
  void refreshSummaries(db, log, now).then(
    (n) => log.info({ jobs: n }, 'planned again by this program'),
    (err: unknown) => log.warn({ err }, 'older plans stay for now'),
  );
  const threads = new Threads(new URL('./heavy.thread.js', import.meta.url));
  const reader = new FileReader(new URL('./file.reader.js', import.meta.url), [fileURLToPath(new URL('../..', import.meta.url))]);
  const runner = env.WORKERS === 0 ? null : await new TaskRunner({ db, log, threads, reader, now, silentS: env.SILENT_S }).start();
  const answering = await (env.PROCESSES === 1 ? beginAnswering(env, log) : beginProcesses(env.PROCESSES, log)).catch(failToListen);
  log.info({ port: answering.port, migration: version, processes: env.PROCESSES }, 'listening');
  // Whoever started this tells the first administrator's password; without one it is told here, this once.
  if (process.send) process.send({ ready: answering.port, started });
  else if (started?.firstAdmin)
    process.stdout.write(`First sign-in, shown this once: ${started.firstAdmin.name}  ${started.firstAdmin.password}\n`);
  process.on('message', (said) => {
    if (typeof said === 'object' && said !== null && 'demoLoaded' in said) void demoIsLoaded(db);
  });
  const stopEnds = keepEnds({ db, log, threads, now });
  whenStopped(async () => {
    await answering.stop();
    stopEnds();
    await runner?.stop();
    await db.end();
  });
}

// A promise nobody waited for is a fault to be found in the log, no reason to end everybody's work.
process.on('unhandledRejection', (err) => log.error({ err }, 'unhandled rejection'));

function whenStopped(work: () => Promise<void>): void {
  let stopping = false;
  const stop = async (): Promise<void> => {
    if (stopping) return;
    stopping = true;
    await work();
    process.exit(0);
  };
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void stop());
  process.on('disconnect', () => void stop());
}

await (cluster.isWorker ? answerOnly() : begin());
