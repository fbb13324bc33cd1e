// npm run restore -- FILE: into a new database beside the one in use; counted against the file; then the two change names.
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { Cluster } from './lib/cluster.mjs';
import { restore } from './lib/keeping.mjs';
import { main, say, Stop } from './lib/say.mjs';

await main(async () => {
  const [file] = process.argv.slice(2);
  if (!file) throw new Stop('name the file: npm run restore -- FILE');
  const path = resolve(file);
  if (!existsSync(path)) throw new Stop(`${path} is not there.`);
  const cluster = new Cluster('main', Number(process.env.PG_PORT ?? 5544));
  const wasRunning = cluster.isUp();
  await cluster.start();
  try {
    const { counts, kept } = await restore(cluster, 'druckerei', path);
    say(
      `restored: ${counts.jobs} jobs, ${counts.orders} orders, ${counts.specs} versions; the database of before is kept as ${kept ?? 'none'}`,
    );
    if (wasRunning) say('restart npm start, or the server goes on with connections it has to find again');
  } finally {
    if (!wasRunning) cluster.stop();
  }
});
