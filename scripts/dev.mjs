// npm run dev: the database, the server rebuilt and restarted on change, and the web client's development server with a proxy to it.
import { spawn } from 'node:child_process';
import { Cluster } from './lib/cluster.mjs';
import { ensurePdfFiles } from './lib/build.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { ROOT } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';

await main(async () => {
  ensurePackages();
  ensurePdfFiles();
  const cluster = await new Cluster('main', Number(process.env.PG_PORT ?? 5544)).start();
  const urls = cluster.database('druckerei');
  const env = {
    ...process.env,
    PORT: process.env.PORT ?? '8080',
    DATABASE_URL: urls.app,
    OWNER_DATABASE_URL: urls.owner,
    FIRST_START: `${ROOT}/demo/first-start.json`,
    DEMO: '1',
    FONT_DIR: `${ROOT}/server/fonts`,
    MIGRATIONS_DIR: `${ROOT}/server/migrations`,
    TSX_TSCONFIG_PATH: `${ROOT}/tsconfig.base.json`,
  };
  const children = [
    spawn(`${ROOT}/node_modules/.bin/tsx`, ['watch', 'server/src/main.ts'], { cwd: ROOT, env, stdio: 'inherit' }),
    spawn('npm', ['run', 'dev', '-w', '@druckerei/web'], { cwd: ROOT, env, stdio: 'inherit' }),
  ];
  say('open http://127.0.0.1:4200 when both are ready; Ctrl-C stops everything');
  const stop = () => {
    for (const c of children) c.kill('SIGTERM');
    cluster.stop();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stop);
});
