import { spawnSync } from 'node:child_process';
import { ROOT } from './run.mjs';

/** A migrated database that each test file copies, as its environment; the owner role may make databases here, in the tests' own cluster only. */
export function template(cluster) {
  cluster.sql('postgres', 'alter role druckerei_owner createdb;');
  const old = cluster.sql('postgres', `select datname from pg_database where datname ~ '^[tm]_[0-9a-f]{32}$';`).split('\n').filter(Boolean);
  for (const name of old) cluster.dropDatabase(name);
  cluster.dropDatabase('druckerei_template');
  const urls = cluster.database('druckerei_template');
  const done = spawnSync(process.execPath, ['--import', 'tsx', `${ROOT}/scripts/migrate.ts`, urls.owner, 'druckerei_app'], {
    cwd: ROOT,
    encoding: 'utf8',
  });
  if (done.status !== 0) throw new Error(done.stderr);
  return { TEST_OWNER_URL: cluster.urls('postgres').owner, TEST_APP_URL: urls.app, FONT_DIR: `${ROOT}/server/fonts` };
}
