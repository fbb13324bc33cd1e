// npm run fuzz [RUNS]: the fuzz tests of core with very many runs, 10,000 as a rule. Minutes, so apart from npm test.
import { spawnSync } from 'node:child_process';
import { ROOT } from './lib/run.mjs';

const runs = process.argv[2] ?? '10000';
const { status } = spawnSync(
  process.execPath,
  [`${ROOT}/node_modules/jest/bin/jest.js`, 'src/plan/plan.test.ts', '-t', 'never throws', '--testTimeout', '3600000'],
  { cwd: `${ROOT}/core`, stdio: 'inherit', env: { ...process.env, FUZZ_RUNS: runs } },
);
process.exit(status ?? 1);
