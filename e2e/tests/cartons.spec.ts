import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test } from '../house';
import { fill, newOrder, signIn, type } from '../sign-in';

test('a carton is made from three inside sizes, nested, folded up, its die taken out and in again, and its ticket printed', async ({
  page,
}) => {
  await signIn(page);
  await newOrder(page, 'Folding carton');
  await type(page, 'Product name', 'Honey carton');
  await fill(page, 'Customer', `Bee keepers ${Math.random()}`);
  await type(page, 'Quantity', '20000');
  await type(page, 'Length', '80');
  await type(page, 'Width', '50');
  await type(page, 'Height', '120');
  await page.getByRole('combobox', { name: 'Board' }).selectOption({ label: 'Folding board 275' });
  await fill(page, 'Deliver to', 'Linden Row 6, Lindmoor');
  await page.getByRole('button', { name: 'Enter order' }).click();

  await expect(page.getByRole('button', { name: /^Title, Honey carton/ })).toBeVisible();
  for (const stone of ['Board', 'Plates', 'Print', 'Die-cut', 'Fold and glue', 'Pack'])
    await expect(page.getByRole('button', { name: new RegExp(`^${stone},`) })).toBeVisible();

  // The sheet with its nest: a search looks for more.
  await page.getByRole('button', { name: /^Board,/ }).click();
  await expect(page.getByRole('img', { name: /Sheet 1060 by 670 millimetres with \d+ copies/ })).toBeVisible();
  await page.getByRole('button', { name: 'Search any layout' }).click();
  await expect(page.getByText(/No layout with more than \d+ found; not proved, gap|\d+ up instead of \d+/)).toBeVisible();
  // The die: cut, creased, nicked; and the blank between the belts.
  await page.getByRole('button', { name: /^Die-cut,/ }).click();
  await expect(page.getByRole('img', { name: /Die with \d+ places/ })).toBeVisible();
  await page.getByRole('button', { name: /^Fold and glue,/ }).click();
  await expect(page.getByRole('img', { name: /The blank runs with its upper edge first/ })).toBeVisible();

  await page.getByRole('tab', { name: 'Fold-up' }).click();
  const fold = page.getByRole('region', { name: 'Fold-up' });
  for (const size of ['asked 80', 'asked 50', 'asked 120']) await expect(fold.getByText(size)).toBeVisible();
  await expect(fold.getByText('Every panel meets where it should.')).toBeVisible();
  // Something is drawn in space, and something else once it is closed.
  const canvas = fold.locator('canvas');
  const half = await canvas.screenshot();
  await fold.getByRole('slider', { name: 'How far it is folded' }).fill('100');
  await expect.poll(async () => (await canvas.screenshot()).equals(half)).toBe(false);

  const [dxf] = await Promise.all([page.waitForEvent('download'), fold.getByRole('button', { name: 'DXF' }).click()]);
  const path = await dxf.path();
  expect(readFileSync(path, 'utf8')).toContain('LWPOLYLINE');
  await fold.getByRole('button', { name: 'Die line from a file …' }).click();
  await fold
    .getByLabel('Choose a DXF or SVG file')
    .setInputFiles({ name: 'honey.dxf', mimeType: 'image/vnd.dxf', buffer: readFileSync(path) });
  await expect(fold.getByText(/A\sblank\sof\s276\.3\s×\s250\.3\smm/)).toBeVisible();
  await fold.getByRole('button', { name: 'Take this line' }).click();
  await expect(fold.getByRole('heading', { name: 'honey' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(fold.getByRole('heading', { name: /reverse tuck 80 × 50 × 120/ })).toBeVisible();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();

  const pdf = await page.request.get((await page.getByRole('link', { name: 'Print draft' }).getAttribute('href')) ?? '');
  const text = spawnSync('pdftotext', ['-layout', '-', '-'], { input: await pdf.body() });
  const said = text.stdout.toString().replace(/\s/gu, ' ');
  for (const words of [
    'Honey carton',
    'Rests in its wrapping',
    'Form of the coat',
    'First knife',
    'Channels of the counter plate',
    'break and lay back',
    'fold for good',
    'Die press: crushing',
    'Pieces a carton',
  ])
    expect(said).toContain(words);
});

test('a hostile die file is refused with its reason, and the program goes on', async ({ page }) => {
  await signIn(page);
  const send = (body: string): Promise<{ status: number; says: string }> =>
    page.evaluate(async (text) => {
      const answer = await fetch('/api/die-lines', { method: 'POST', body: text, headers: { 'content-type': 'application/octet-stream' } });
      return { status: answer.status, says: await answer.text() };
    }, body);
  for (const body of [
    'no die',
    '<svg><script>alert(1)</script></svg>',
    `<svg><polyline points="${'1,2 '.repeat(50_000)}"/></svg>`,
    '0\nSECTION\n'.repeat(10_000),
  ]) {
    const { status, says } = await send(body);
    expect([400, 413, 422]).toContain(status);
    expect(says).toContain('says');
  }
  expect((await page.request.get('/api/session')).status()).toBe(200);
});
