import * as fc from 'fast-check';
import { JobSpecSchema } from '../plan/door';
import { cardSpec } from '../plan/line-1.fixture';
import { labelSpec } from '../plan/line-2.fixture';
import { anySpec } from '../plan/spec-arbitrary.fixture';
import type { XmlElement } from '../families/card-intents';
import { jobElements, readJobElements } from './job-elements';

const IN_FILE = { number: 2401, customer: 'Lindmoor Choir' };
const find = (e: XmlElement, name: string): XmlElement[] => e.children.flatMap((c) => [...(c.name === name ? [c] : []), ...find(c, name)]);
const withoutOwn = (e: XmlElement): XmlElement => ({ ...e, children: e.children.filter((c) => c.name !== 'dk:Job') });

it('says amounts, sizes in points, inks by side, folds and foil', () => {
  const made = jobElements(cardSpec(10_000), IN_FILE);
  expect(made.attributes).toMatchObject({ JobID: '2401', Version: '2.1' });
  expect(find(made, 'Product')[0]?.attributes).toMatchObject({ Amount: '10000', MinAmount: '10000', MaxAmount: '10500' });
  // 210 mm are 595.276 points of 1/72 inch; folded once, 105 mm.
  expect(find(made, 'LayoutIntent')[0]?.attributes).toMatchObject({
    Dimensions: '595.276 595.276',
    FinishedDimensions: '297.638 595.276 0',
    Sides: 'TwoSided',
  });
  expect(find(made, 'SurfaceColor').map((e) => e.attributes['ColorsUsed'])).toEqual(['Black Cyan Magenta Yellow', 'Black']);
  expect(find(made, 'FoldingIntent')[0]?.attributes).toEqual({ FoldingCatalog: 'F4-1' });
  expect(find(made, 'EmbossingItem')[0]?.attributes).toMatchObject({
    EmbossingType: 'FoilStamping',
    Face: 'Front',
    ImageSize: '113.386 85.039',
  });
});

it('comes back as it went out, whatever was typed', () => {
  fc.assert(
    fc.property(anySpec, (drawn) => {
      const spec = JobSpecSchema.parse(drawn);
      expect(readJobElements(jobElements(spec, IN_FILE))).toEqual({ ok: true, spec, own: true, differences: [] });
    }),
    { numRuns: 50 },
  );
  expect(readJobElements(jobElements(labelSpec(), IN_FILE))).toMatchObject({ ok: true, own: true });
});

it('lists where its elements say something else than the specification in it', () => {
  const made = jobElements(cardSpec(10_000), IN_FILE);
  const product = find(made, 'Product')[0]!;
  product.attributes['Amount'] = '12000';
  expect(readJobElements(made)).toMatchObject({
    ok: true,
    differences: [{ place: 'XJDF/ProductList/Product/@Amount', file: '12000', ours: '10000' }],
  });
});

it('puts a card together from the elements of another’s file', () => {
  const spec = cardSpec(10_000);
  const read = readJobElements(withoutOwn(jobElements(spec, IN_FILE)));
  expect(read).toMatchObject({ ok: true, own: false, differences: [] });
  if (!read.ok) return;
  const wish = (s: typeof spec) => (s.products['card'] as { wish: Record<string, unknown> }).wish;
  expect(wish(read.spec)).toMatchObject({ openWidthMm: 210, openHeightMm: 210, folds: 1, front: ['K', 'C', 'M', 'Y'], back: ['K'] });
  expect(wish(read.spec)['foils']).toMatchObject({ f1: { name: 'crest', widthMm: 40, heightMm: 30, side: 'front' } });
  expect(read.spec.items['i1']).toMatchObject({ versions: { only: { quantity: 10_000 } }, overs: { overPpm: 50_000 } });
});

it.each([
  [{ name: 'html', attributes: {}, children: [] }, '', 'begins with html'],
  [{ name: 'XJDF', attributes: {}, children: [] }, 'name', 'gives the product a name'],
])('refuses what is no job, with the place and a sentence', (root, path, says) => {
  const read = readJobElements(root);
  expect(read.ok).toBe(false);
  expect(!read.ok && read.issues.find((i) => i.path === path)?.says).toContain(says);
});
