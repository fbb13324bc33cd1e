// npm start: everything from a fresh clone to a running program.
import { existsSync, readFileSync } from 'node:fs';
import { ensurePackages } from './lib/packages.mjs';
import { Cluster } from './lib/cluster.mjs';
import { ensureBuilt } from './lib/build.mjs';
import { loadDemo } from './lib/demo.mjs';
import { freePort, ROOT } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';

await main(async () => {
  const from = Date.now();
  process.stdout.write('Druckerei\n');
  const port = Number(process.env.PORT ?? 8080);
  if ((await freePort(port)) === null) throw new Stop(`port ${port} is taken by something else: set PORT to a free one.`);
  ensurePackages();
  ensureBuilt();
  let cluster = null;
  let urls;
  if (process.env.DATABASE_URL) {
    say('using the database of DATABASE_URL');
    urls = { app: process.env.DATABASE_URL, owner: process.env.OWNER_DATABASE_URL };
  } else {
    cluster = await new Cluster('main', Number(process.env.PG_PORT ?? 5544)).start();
    say(`database on 127.0.0.1:${cluster.port}`);
    urls = cluster.database('druckerei');
  }
  const server = startServer({
    PORT: String(port),
    DATABASE_URL: urls.app,
    ...(urls.owner && { OWNER_DATABASE_URL: urls.owner }),
    FIRST_START: `${ROOT}/demo/first-start.json`,
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
  });
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    say('stopping');
    await server.stop();
    cluster?.stop();
    process.exit(code);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));
  try {
    await server.ready;
    server.child.on('exit', () => void stop(1));
    const base = `http://127.0.0.1:${port}`;
    await loadDemo(base);
    const people = existsSync(`${ROOT}/demo/first-start.json`)
      ? JSON.parse(readFileSync(`${ROOT}/demo/first-start.json`, 'utf8')).people
      : [];
    process.stdout.write(
      `\n  Ready after ${Math.round((Date.now() - from) / 1000)} s: open  ${base}\n\n  Demo sign-ins of the Lindmoor works (all invented):\n`,
    );
    for (const p of people)
      process.stdout.write(`    ${p.name.padEnd(10)} ${p.password.padEnd(22)} ${p.fullName}, ${p.roles.join(', ')}\n`);
    process.stdout.write('\n  Ctrl-C stops server and database.\n');
  } catch (error) {
    await server.stop();
    cluster?.stop();
    throw error;
  }
});
