// npm test: the same preparation as npm start, with a cluster and ports of its own; then every check, stage by stage against a budget.
import { Cluster } from './lib/cluster.mjs';
import { ensureBuilt } from './lib/build.mjs';
import { ensurePackages, ensureTestTools } from './lib/packages.mjs';
import { ROOT, show } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';
import { template } from './lib/template.mjs';

const LINT = ['--max-warnings', '0', '--cache', '--cache-location'];
const BUDGET_S = { static: 400, jest: 300, checks: 60, server: 420, browser: 1500 };
const only = process.argv.slice(2);

/** Counts of passed and failed out of what a runner printed. */
function counted(printed, code) {
  const plain = printed.replace(/\u001b\[[0-9;]*m/g, '');
  const sum = (pattern) => [...plain.matchAll(pattern)].reduce((n, m) => n + Number(m[1]), 0);
  const passed = sum(/^Tests:.*?(\d+) passed/gm) + sum(/^\s+(\d+) passed(?: \(|$)/gm) + sum(/^(\d+) passed, \d+ failed$/gm);
  const failed = sum(/^Tests:.*?(\d+) failed/gm) + sum(/^\s+(\d+) failed$/gm) + sum(/^\d+ passed, (\d+) failed$/gm);
  return { passed: passed || (code === 0 ? 1 : 0), failed: code === 0 ? failed : Math.max(failed, 1) };
}

await main(async () => {
  process.stdout.write('Druckerei: all checks\n');
  const from = Date.now();
  ensurePackages();
  const chromium = ensureTestTools();
  const cluster = await new Cluster('test', 0, { fast: true }).start();
  say(`installing and preparing took ${Math.round((Date.now() - from) / 1000)} s`);
  const totals = { passed: 0, failed: 0 };
  const lines = [];
  const stop = () => {
    cluster.stop();
  };
  process.on('SIGINT', () => {
    stop();
    process.exit(130);
  });
  /** Commands one after another, or two at a time where each takes one core only; those print when they are done. */
  const stage = async (name, commands, { atOnce = 1 } = {}) => {
    if (only.length > 0 && !only.includes(name)) return;
    const begun = Date.now();
    const left = [...commands];
    const lane = async () => {
      for (let next = left.shift(); next; next = left.shift()) {
        const [title, command, args, more] = next;
        const head = `\n── ${name}: ${title}\n`;
        if (atOnce === 1) process.stdout.write(head);
        const { code, printed } = await show(command, args, { ...more, quiet: atOnce > 1 });
        if (atOnce > 1) process.stdout.write(head + printed);
        const { passed, failed } = counted(printed, code);
        totals.passed += passed;
        totals.failed += failed;
        if (code !== 0) lines.push(`   ${name}: ${title} failed`);
      }
    };
    await Promise.all(Array.from({ length: atOnce }, lane));
    const seconds = Math.round((Date.now() - begun) / 1000);
    lines.push(
      `   ${name.padEnd(8)} ${String(seconds).padStart(4)} s of ${BUDGET_S[name]} s${seconds > 0.8 * BUDGET_S[name] ? '  ← near its budget' : ''}`,
    );
  };
  try {
    const bin = (name) => `${ROOT}/node_modules/.bin/${name}`;
    const node = process.execPath;
    // Lint first: it takes as long as all the others together.
    await stage(
      'static',
      [
        // In three: the types of all at once fill more memory than one process has.
        ['lint of core', bin('eslint'), ['core', ...LINT, 'node_modules/.cache/eslint/core/']],
        ['lint of the web client', bin('eslint'), ['web', ...LINT, 'node_modules/.cache/eslint/web/']],
        [
          'lint of the rest',
          bin('eslint'),
          ['.', '--ignore-pattern', 'core/**', '--ignore-pattern', 'web/**', ...LINT, 'node_modules/.cache/eslint/rest/'],
        ],
        ['types', bin('tsc'), ['-b']],
        ['types of the web client', 'npm', ['run', 'typecheck', '-w', '@druckerei/web', '--silent']],
        [
          'format',
          bin('prettier'),
          [
            '--check',
            '--log-level',
            'warn',
            '{core,contract,server,web,e2e}/{src,tests}/**/*.{ts,html,scss}',
            'scripts/**/*.{mjs,ts}',
            'e2e/*.ts',
            'checks/*.ts',
          ],
        ],
        [
          'dependency rules',
          bin('depcruise'),
          ['core/src', 'contract/src', 'server/src', 'web/src', '--config', '.dependency-cruiser.cjs'],
        ],
      ],
      { atOnce: 2 },
    );
    await stage(
      'jest',
      ['core', 'contract', 'web'].map((p) => [
        p,
        node,
        [`${ROOT}/node_modules/jest/bin/jest.js`, '--maxWorkers=2'],
        { cwd: `${ROOT}/${p}` },
      ]),
    );
    await stage('checks', [
      [
        'published cases',
        node,
        [
          'scripts/run-ts.mjs',
          'checks/run.ts',
          '--quick',
          'checks/paper.json',
          'checks/geometry.json',
          'checks/pallet-loading.json',
          'checks/ciede2000.json',
          'checks/template-design.json',
          'checks/fold-and-imposition.json',
          'checks/jobshop.json',
        ],
      ],
    ]);
    const env = template(cluster);
    await stage('server', [
      ['on a real database', node, [`${ROOT}/node_modules/jest/bin/jest.js`, '--maxWorkers=2'], { cwd: `${ROOT}/server`, env }],
    ]);
    ensureBuilt();
    const databases = [0, 1].map((i) => {
      cluster.dropDatabase(`druckerei_e2e_${i}`);
      return cluster.database(`druckerei_e2e_${i}`);
    });
    await stage('browser', [
      [
        'the real thing in Chromium',
        bin('playwright'),
        ['test'],
        { cwd: `${ROOT}/e2e`, env: { CHROMIUM: chromium, E2E_DATABASES: JSON.stringify(databases) } },
      ],
    ]);
  } finally {
    stop();
  }
  process.stdout.write(`\n${lines.join('\n')}\n\n${totals.passed} passed, ${totals.failed} failed\n`);
  process.exit(totals.failed > 0 ? 1 : 0);
});
