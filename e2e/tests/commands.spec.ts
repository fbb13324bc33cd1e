import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { expect, test } from '../house';

const ROOT = `${import.meta.dirname}/../..`;
const run = (script: string, ...args: string[]): { status: number | null; out: string; err: string } => {
  const done = spawnSync(process.execPath, [`${ROOT}/scripts/run-ts.mjs`, script, ...args], {
    cwd: ROOT,
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });
  return { status: done.status, out: done.stdout, err: done.stderr };
};
const file = (name: string, content: string): string => {
  const path = `${mkdtempSync(`${tmpdir()}/druckerei-`)}/${name}`;
  writeFileSync(path, content);
  return path;
};
const EXAMPLE = `${ROOT}/docs/examples/line-1.json`;

test('npm run plan prints the plan of a file without a database', () => {
  const { status, out } = run('scripts/plan.ts', EXAMPLE);
  expect(status).toBe(0);
  const plan = JSON.parse(out) as { figures: Record<string, { value: number }>; stones: unknown[] };
  expect(plan.figures['total.sheets']?.value).toBeGreaterThan(1700);
  expect(plan.stones).toHaveLength(10);
});

test('npm run plan names the field that is wrong and ends with 1', () => {
  const document = JSON.parse(readFileSync(EXAMPLE, 'utf8')) as { items: { i1: { versions: { only: { quantity: number } } } } };
  document.items.i1.versions.only.quantity = 0;
  const wrong = run('scripts/plan.ts', file('job.json', JSON.stringify(document)));
  expect(wrong.status).toBe(1);
  expect(wrong.err).toContain('items.i1.versions.only.quantity must be at least 1');
  expect(run('scripts/plan.ts', file('job.json', '{"schema":')).err).toContain('is not JSON');
  expect(run('scripts/plan.ts', '/no/such/file.json').err).toContain('there is no file');
  expect(run('scripts/plan.ts').err).toContain('usage');
});

test('the page of the job format is the one the program writes', () => {
  const before = readFileSync(`${ROOT}/docs/job-format.md`, 'utf8');
  expect(run('scripts/job-format.ts').status).toBe(0);
  expect(readFileSync(`${ROOT}/docs/job-format.md`, 'utf8')).toBe(before);
});

test.describe('npm run checks', () => {
  const check = (cases: unknown[], topic = 'paper'): string => file('cases.json', JSON.stringify({ topic, cases }));
  const good = { id: 'a', source: 's', data: { kind: 'size', name: 'A4' }, answer: { widthMm: 210, heightMm: 297 } };

  test('passes what is right and ends with 0', () => {
    const { status, out } = run('checks/run.ts', check([good]));
    expect(status).toBe(0);
    expect(out).toMatch(/^ok +a .*210, 297 .*ms +s$/m);
    expect(out).toContain('1 passed, 0 failed');
  });
  test('fails what is wrong and ends with 1', () => {
    const { status, out } = run('checks/run.ts', check([good, { ...good, id: 'b', answer: { widthMm: 211, heightMm: 297 } }]));
    expect(status).toBe(1);
    expect(out).toMatch(/^FAIL +b /m);
    expect(out).toContain('1 passed, 1 failed');
  });
  test('fails a case it cannot read, a kind it does not do, and a file that is none', () => {
    const strange = run(
      'checks/run.ts',
      check([{ id: 'c' }, { ...good, id: 'd', data: { kind: 'colour' } }, { ...good, id: 'e', data: { kind: 'mass' } }]),
    );
    expect(strange.status).toBe(1);
    expect(strange.out).toContain('the case cannot be read');
    expect(strange.out).toMatch(/^not yet +d /m);
    expect(strange.out).toMatch(/^FAIL +e .*unreadable/m);
    expect(run('checks/run.ts', file('broken.json', '[')).status).toBe(1);
    expect(run('checks/run.ts', '/no/such/file.json').out).toContain('the file cannot be read');
  });
  test('puts both halves of pallet loading and all of geometry through core', () => {
    const { status, out } = run('checks/run.ts', `${ROOT}/checks/pallet-loading.json`, `${ROOT}/checks/geometry.json`);
    expect(out).toContain('81 passed, 0 failed');
    expect(status).toBe(0);
    expect(out).toMatch(/^ok +pallet-86x52-9x5 any layout/m);
  });
  test('says of a topic core does not do that it is not there yet', () => {
    const { status, out } = run('checks/run.ts', `${ROOT}/checks/sampling-plans.json`);
    expect(status).toBe(1);
    expect(out).toMatch(/^not yet /m);
  });
});
