import { readdirSync, readFileSync, statSync } from 'node:fs';
import { expect, test } from '../house';

const ROOT = `${import.meta.dirname}/../..`;
const files = (dir: string): string[] =>
  readdirSync(dir)
    .filter((f) => !['node_modules', 'dist', '.angular', '.data', 'test-results'].includes(f))
    .flatMap((f) => {
      const path = `${dir}/${f}`;
      return statSync(path).isDirectory() ? files(path) : [path];
    });

test('every test that docs/progress.md names exists', () => {
  const sources = ['core', 'contract', 'server', 'web', 'e2e', 'checks']
    .flatMap((d) => files(`${ROOT}/${d}`))
    .filter((f) => /\.(test|spec)\.ts$/.test(f))
    .map((f) => readFileSync(f, 'utf8'))
    .join('\n');
  const named = [...readFileSync(`${ROOT}/docs/progress.md`, 'utf8').matchAll(/“([^”]+)”/g)].map((m) => m[1] ?? '');
  expect(named.length).toBeGreaterThan(30);
  expect(named.filter((title) => !sources.includes(title))).toEqual([]);
});
