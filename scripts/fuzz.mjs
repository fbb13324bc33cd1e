// npm run fuzz [RUNS] [PART]: the fuzz tests with very many runs, 10,000 as a rule: the door of core, and every endpoint of the server. Minutes, so apart from npm test.
import { Cluster } from './lib/cluster.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { ROOT, show } from './lib/run.mjs';
import { main, Stop } from './lib/say.mjs';
import { template } from './lib/template.mjs';

const [runs = '10000', only] = process.argv.slice(2);
const jest = (...args) => [process.execPath, [`${ROOT}/node_modules/jest/bin/jest.js`, '--testTimeout', '3600000', ...args]];

await main(async () => {
  ensurePackages();
  const parts = {
    core: () => show(...jest('src/plan/plan.test.ts', '-t', 'never throws'), { cwd: `${ROOT}/core`, env: { FUZZ_RUNS: runs } }),
    server: async () => {
      const cluster = await new Cluster('fuzz', 0, { fast: true }).start();
      try {
        return await show(...jest('src/fuzz.test.ts'), { cwd: `${ROOT}/server`, env: { ...template(cluster), FUZZ_RUNS: runs } });
      } finally {
        cluster.stop();
      }
    },
  };
  const failed = [];
  for (const [name, run] of Object.entries(parts)) {
    if (only !== undefined && only !== name) continue;
    if ((await run()).code !== 0) failed.push(name);
  }
  if (failed.length > 0) throw new Stop(`${failed.join(' and ')} failed.`);
});
