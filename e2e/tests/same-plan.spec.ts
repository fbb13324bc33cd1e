import { build } from 'esbuild';
import fc from 'fast-check';
import { expect, test } from '../house';
import { hashOf } from '@druckerei/core';
import { plan } from '@druckerei/core/planning';
import { LINDMOOR, SHELF } from '../../core/src/plan/line-1.fixture';
import { anySpec } from '../../core/src/plan/spec-arbitrary.fixture';

test('200 generated specifications give the same plan, bit for bit, in Node and in Chromium', async ({ page }) => {
  const specs = fc.sample(anySpec, { numRuns: 200, seed: 20_260_302 });
  const mine = specs.map((s) => hashOf(plan(s, LINDMOOR, SHELF)));
  const bundle = await build({
    stdin: {
      contents: `import { hashOf } from '@druckerei/core'; import { plan } from '@druckerei/core/planning'; globalThis.plans = (specs, plant, shelf) => specs.map((s) => hashOf(plan(s, plant, shelf)));`,
      resolveDir: import.meta.dirname,
    },
    bundle: true,
    write: false,
    format: 'iife',
    platform: 'browser',
  });
  await page.goto('about:blank');
  await page.evaluate(bundle.outputFiles[0]?.text ?? '');
  const theirs = await page.evaluate(
    ([s, plant, shelf]) => (globalThis as unknown as { plans: (...a: unknown[]) => string[] }).plans(s, plant, shelf),
    [specs, LINDMOOR, SHELF] as const,
  );
  expect(new Set(mine).size).toBeGreaterThan(150);
  expect(theirs).toEqual(mine);
});
