// npm run worker: one more process that takes long work from the queue; with DATABASE_URL on any machine, else on the database of npm start.
import { forkProgram } from './lib/as-user.mjs';
import { ensureBuilt } from './lib/build.mjs';
import { Cluster } from './lib/cluster.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { main, say, Stop } from './lib/say.mjs';

await main(async () => {
  ensurePackages();
  ensureBuilt();
  let url = process.env.DATABASE_URL;
  if (!url) {
    const cluster = new Cluster('main', Number(process.env.PG_PORT ?? 5544));
    if (!cluster.isUp()) throw new Stop('the database does not run: npm start first, or name it by DATABASE_URL.');
    await cluster.start();
    url = cluster.urls('druckerei').app;
  }
  say('taking long work from the queue; Ctrl-C stops');
  const child = forkProgram('server/dist/worker.js', {
    execArgv: ['--enable-source-maps'],
    env: { DATABASE_URL: url, LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn' },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill('SIGTERM'));
  child.on('exit', (code) => process.exit(code ?? 0));
});
