// npm run backup -- FILE: the whole database as one file, with what it counts, so that a restore can be checked against it.
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { Cluster } from './lib/cluster.mjs';
import { keptBackup } from './lib/keeping.mjs';
import { main, say, Stop } from './lib/say.mjs';

await main(async () => {
  const [file] = process.argv.slice(2);
  if (!file) throw new Stop('name the file: npm run backup -- FILE');
  const path = resolve(file);
  if (existsSync(path)) throw new Stop(`${path} is there already: name another file.`);
  const cluster = new Cluster('main', Number(process.env.PG_PORT ?? 5544));
  const wasRunning = cluster.isUp();
  await cluster.start();
  try {
    const { counts, bytes } = await keptBackup(cluster, 'druckerei', path, { retries: [] });
    say(`${path}: ${counts.jobs} jobs, ${counts.orders} orders, ${counts.specs} versions, ${Math.ceil(bytes / 1024)} kB`);
  } finally {
    if (!wasRunning) cluster.stop();
  }
});
