// npm run quick: types, format, lint and unit tests of what changed since the last commit (or since the one named), for the loop of work. Three minutes at most.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { ensurePackages } from './lib/packages.mjs';
import { ROOT, show } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';

const since = process.argv[2] ?? 'HEAD';

await main(async () => {
  ensurePackages();
  const begun = Date.now();
  const git = (...args) => spawnSync('git', args, { cwd: ROOT, encoding: 'utf8' }).stdout.split('\n').filter(Boolean);
  const changed = [...new Set([...git('diff', '--name-only', since), ...git('ls-files', '--others', '--exclude-standard')])].filter((f) =>
    existsSync(`${ROOT}/${f}`),
  );
  const source = changed.filter((f) => /\.(ts|mjs)$/.test(f));
  say(`${changed.length} files changed since ${since}`);
  const bin = (name) => `${ROOT}/node_modules/.bin/${name}`;
  const failed = [];
  const step = async (title, command, args, more) => {
    process.stdout.write(`── ${title}\n`);
    if ((await show(command, args, more)).code !== 0) failed.push(title);
  };
  await step('types', bin('tsc'), ['-b']);
  if (changed.some((f) => f.startsWith('web/') || f.startsWith('core/') || f.startsWith('contract/')))
    await step('types of the web client', 'npm', ['run', 'typecheck', '-w', '@druckerei/web', '--silent']);
  const formatted = changed.filter((f) => /^(core|contract|server|web|e2e|scripts|checks)\/.*\.(ts|mjs|html|scss)$/.test(f));
  if (formatted.length > 0) await step('format', bin('prettier'), ['--check', '--log-level', 'warn', ...formatted]);
  if (source.length > 0)
    await step('lint', bin('eslint'), ['--cache', '--cache-location', 'node_modules/.cache/eslint/', '--max-warnings', '0', ...source]);
  // Server tests need a database of their own: npm test -- server.
  for (const p of ['core', 'contract', 'web']) {
    const mine = source.filter((f) => f.startsWith(`${p}/src/`) || (p !== 'core' && f.startsWith('core/src/'))).map((f) => `${ROOT}/${f}`);
    if (mine.length > 0)
      await step(
        `tests of ${p}`,
        process.execPath,
        [`${ROOT}/node_modules/jest/bin/jest.js`, '--findRelatedTests', '--passWithNoTests', ...mine],
        { cwd: `${ROOT}/${p}` },
      );
  }
  say(`took ${Math.round((Date.now() - begun) / 1000)} s`);
  if (failed.length > 0) throw new Stop(`${failed.join(', ')} failed`);
});
