// npm run soak -- 200: so many random kills of server, its processes and the database, full disks and clocks set back under load; nothing acknowledged may be lost, or be there twice.
import { soak } from './lib/soak.mjs';
import { ensureBuilt } from './lib/build.mjs';
import { main, say, Stop } from './lib/say.mjs';

await main(async () => {
  const kills = Number(process.argv[2] ?? 200);
  ensureBuilt();
  const from = Date.now();
  const said = await soak({ kills, seed: Number(process.argv[3] ?? 1), tell: say });
  say(`${JSON.stringify(said)} in ${Math.round((Date.now() - from) / 1000)} s`);
  if (said.missing + said.twice + said.unfinished > 0 || said.off !== 0)
    throw new Stop(
      `${said.missing} acknowledged entries are missing, ${said.twice} are there twice, ${said.unfinished} imports were not done, the lot is off by ${said.off}.`,
    );
  process.exit(0);
});
