// npm run soak -- 200: so many random kills of server and database under load; no acknowledged entry may be lost.
import { soak } from './lib/soak.mjs';
import { ensureBuilt } from './lib/build.mjs';
import { main, say, Stop } from './lib/say.mjs';

await main(async () => {
  const kills = Number(process.argv[2] ?? 200);
  ensureBuilt();
  const from = Date.now();
  const said = await soak({ kills, seed: Number(process.argv[3] ?? 1), tell: say });
  say(`${JSON.stringify(said)} in ${Math.round((Date.now() - from) / 1000)} s`);
  if (said.missing > 0 || said.off !== 0)
    throw new Stop(`${said.missing} acknowledged entries are missing, the lot is off by ${said.off}.`);
  process.exit(0);
});
