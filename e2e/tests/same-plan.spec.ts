import type { Page } from '@playwright/test';
import { build } from 'esbuild';
import fc from 'fast-check';
import { expect, test } from '../house';
import { hashOf } from '@druckerei/core';
import { dispatchBest, improve, judged, layingOf, piecesOf } from '@druckerei/core/board';
import { plan } from '@druckerei/core/planning';
import { LINDMOOR, SHELF } from '../../core/src/plan/line-1.fixture';
import { anySpec } from '../../core/src/plan/spec-arbitrary.fixture';
import { randomBoard } from '../../core/src/schedule/random-board.fixture';

/** Runs a module, bundled for the browser, in an empty page. */
async function load(page: Page, contents: string): Promise<void> {
  const bundle = await build({
    stdin: { contents, resolveDir: import.meta.dirname },
    bundle: true,
    write: false,
    format: 'iife',
    platform: 'browser',
  });
  await page.goto('about:blank');
  await page.evaluate(bundle.outputFiles[0]?.text ?? '');
}

test('200 generated specifications give the same plan, bit for bit, in Node and in Chromium', async ({ page }) => {
  const specs = fc.sample(anySpec, { numRuns: 200, seed: 20_260_302 });
  const mine = specs.map((s) => hashOf(plan(s, LINDMOOR, SHELF)));
  await load(
    page,
    `import { hashOf } from '@druckerei/core'; import { plan } from '@druckerei/core/planning'; globalThis.plans = (specs, plant, shelf) => specs.map((s) => hashOf(plan(s, plant, shelf)));`,
  );
  const theirs = await page.evaluate(
    ([s, plant, shelf]) => (globalThis as unknown as { plans: (...a: unknown[]) => string[] }).plans(s, plant, shelf),
    [specs, LINDMOOR, SHELF] as const,
  );
  expect(new Set(mine).size).toBeGreaterThan(150);
  expect(theirs).toEqual(mine);
});

test('a small board and a large one are bettered to the same bars, to the second, in Node and in Chromium', async ({ page }) => {
  const sizes = [
    { jobs: 12, steps: 5, machines: 9, load: 1, tightness: 0.6, seed: 1, everything: true },
    { jobs: 60, steps: 8, machines: 12, load: 0.9, tightness: 1.2, seed: 2 },
  ];
  const mine = sizes.map((size) => {
    const problem = randomBoard(size);
    const pieces = piecesOf(problem);
    const laying = layingOf(pieces, problem);
    const rules = dispatchBest(laying);
    const { total } = improve(laying, 7, 5_000);
    expect(total).toBeLessThan(Math.min(...rules.map((r) => r.total)));
    return JSON.stringify(judged(problem, pieces, laying.list));
  });
  await load(
    page,
    `import { dispatchBest, improve, judged, layingOf, piecesOf } from '@druckerei/core/board'; import { randomBoard } from '../../core/src/schedule/random-board.fixture'; globalThis.boards = (sizes) => sizes.map((size) => { const problem = randomBoard(size); const pieces = piecesOf(problem); const laying = layingOf(pieces, problem); dispatchBest(laying); improve(laying, 7, 5000); return JSON.stringify(judged(problem, pieces, laying.list)); });`,
  );
  const theirs = await page.evaluate((all) => (globalThis as unknown as { boards: (all: unknown[]) => string[] }).boards(all), sizes);
  expect(theirs).toEqual(mine);
});
