// Runs a TypeScript file of the project with tsx, whatever folder the command was given in.
import { spawnSync } from 'node:child_process';
import { ensurePackages } from './lib/packages.mjs';
import { ROOT } from './lib/run.mjs';
import { keepOutputClean, main } from './lib/say.mjs';

await main(() => {
  // npm run plan prints JSON: whatever is installed on the way is said beside it.
  keepOutputClean();
  ensurePackages();
  const [file, ...args] = process.argv.slice(2);
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', `${ROOT}/${file}`, ...args], {
    stdio: 'inherit',
    env: { ...process.env, TSX_TSCONFIG_PATH: `${ROOT}/tsconfig.base.json` },
  });
  process.exit(status ?? 1);
});
