// npm start: everything from a fresh clone to a running program, and again when the server ends. npm start -- --empty: without the demo.
import { readFileSync } from 'node:fs';
import { ensureFolder, ensurePackages } from './lib/packages.mjs';
import { Cluster } from './lib/cluster.mjs';
import { ensureBuilt } from './lib/build.mjs';
import { loadDemo } from './lib/demo.mjs';
import { freePort, ROOT } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';

const FIRST_PAUSE_S = 1;
const LONGEST_PAUSE_S = 60;
/** A server that ran so long has started well: the next fault begins with a short pause again. */
const WELL_S = 120;

await main(async () => {
  const from = Date.now();
  const strange = process.argv.slice(2).filter((a) => a !== '--empty');
  if (strange.length > 0)
    throw new Stop(`${strange[0]} is not known here: npm start, or npm start -- --empty for a works without the demo.`);
  const foreign = process.env.DATABASE_URL !== undefined;
  process.stdout.write('Druckerei\n');
  const port = Number(process.env.PORT ?? 8080);
  if ((await freePort(port)) === null) throw new Stop(`port ${port} is taken by something else: set PORT to a free one.`);
  ensurePackages();
  // It needs packages: on a fresh clone they are not there before.
  const { nightly } = await import('./lib/keeping.mjs');
  ensureBuilt();
  let cluster = null;
  let urls;
  if (foreign) {
    say('using the database of DATABASE_URL');
    urls = { app: process.env.DATABASE_URL, owner: process.env.OWNER_DATABASE_URL };
  } else {
    cluster = await new Cluster('main', Number(process.env.PG_PORT ?? 5544)).start();
    say(`database on 127.0.0.1:${cluster.port}`);
    urls = cluster.database('druckerei');
  }
  // The demo's people have published passwords: they are made on our own database only, and only where they are wanted.
  const demo = !foreign && !process.argv.includes('--empty');
  const start = () =>
    startServer({
      PORT: String(port),
      DATABASE_URL: urls.app,
      ...(urls.owner && { OWNER_DATABASE_URL: urls.owner }),
      FIRST_START: `${ROOT}/demo/first-start.json`,
      DEMO: demo ? '1' : '0',
      LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
    });
  let server = start();
  let stopping = false;
  let stopNightly = () => undefined;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    say('stopping');
    stopNightly();
    await server.stop();
    cluster?.stop();
    process.exit(code);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));
  const base = `http://127.0.0.1:${port}`;
  let started;
  try {
    await server.ready;
    started = server.started();
    // Told before anything else can go wrong: it is shown this once.
    if (started.firstAdmin)
      process.stdout.write(
        `\n  First sign-in, shown this once:  ${started.firstAdmin.name}  ${started.firstAdmin.password}\n  It asks for a password of your own, and enters everybody else.\n\n`,
      );
    if (started.demo === 'toLoad') {
      // A demo that cannot be entered is no reason not to start.
      await loadDemo(base).then(
        () => server.demoIsLoaded(),
        (error) => say(`the demo was not entered: ${error.message}`),
      );
    }
  } catch (error) {
    stopping = true;
    await server.stop();
    cluster?.stop();
    throw error;
  }
  if (cluster)
    stopNightly = nightly(cluster, 'druckerei', {
      folder: process.env.BACKUP_DIR ?? `${ROOT}/.data/backups`,
      timeOfDay: process.env.BACKUP_AT ?? '02:30',
      most: Number(process.env.BACKUP_KEEP ?? 14),
      makeFolder: ensureFolder,
    });
  let since = Date.now();
  let pauseS = FIRST_PAUSE_S;
  const watch = () => {
    server.child.on('exit', (code, signal) => {
      if (stopping) return;
      if (Date.now() - since > WELL_S * 1000) pauseS = FIRST_PAUSE_S;
      say(`the server ended (${signal ?? `code ${code}`}); starting it again in ${pauseS} s, the database goes on`);
      setTimeout(() => {
        if (stopping) return;
        since = Date.now();
        server = start();
        server.ready.then(
          () => say('the server is back'),
          (error) => say(`it did not start: ${error.message}`),
        );
        watch();
      }, pauseS * 1000);
      pauseS = Math.min(pauseS * 2, LONGEST_PAUSE_S);
    });
  };
  watch();
  if (server.child.exitCode !== null || server.child.signalCode !== null)
    server.child.emit('exit', server.child.exitCode, server.child.signalCode);
  process.stdout.write(`\n  Ready after ${Math.round((Date.now() - from) / 1000)} s: open  ${base}\n`);
  if (started.demo !== null) {
    process.stdout.write('\n  Demo sign-ins of the Lindmoor works (all invented; whoever set an own password has that one):\n');
    for (const p of JSON.parse(readFileSync(`${ROOT}/demo/first-start.json`, 'utf8')).people)
      process.stdout.write(`    ${p.name.padEnd(10)} ${p.password.padEnd(22)} ${p.fullName}, ${p.roles.join(', ')}\n`);
  }
  process.stdout.write('\n  Ctrl-C stops server and database.\n');
});
