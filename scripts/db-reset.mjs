// npm run db:reset: drops the local database; the next npm start makes it anew with the demo.
import { Cluster } from './lib/cluster.mjs';
import { main, say, Stop } from './lib/say.mjs';

await main(async () => {
  if (process.env.DATABASE_URL)
    throw new Stop('DATABASE_URL is set: drop that database yourself, this command touches the local one only.');
  const cluster = new Cluster('main', Number(process.env.PG_PORT ?? 5544));
  const ran = cluster.isUp();
  await cluster.start();
  cluster.dropDatabase('druckerei');
  if (!ran) cluster.stop();
  say('the local database is gone; npm start makes a new one');
});
