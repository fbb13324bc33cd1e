import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test } from '../house';
import { fill, newOrder, signIn, type } from '../sign-in';

test('a softcover book of 196 pages with a picture section: what is counted asked, two-up switched at the binder, cover template and hoppers taken out, its ticket printed', async ({
  page,
}) => {
  await signIn(page);
  await newOrder(page, 'Softcover book');
  await type(page, 'Product name', 'Reed cutters');
  await fill(page, 'Customer', `Marsh readers ${Math.random()}`);
  await type(page, 'Quantity', '3000');
  await type(page, 'Width', '120');
  await type(page, 'Height', '190');
  await type(page, 'Pages', '196');
  await type(page, 'Insert, pages', '8');
  await type(page, 'Insert after page', '96');
  await fill(page, 'Deliver to', 'Reed Lane 2, Lindmoor');
  await page.getByRole('button', { name: 'Enter order' }).click();
  await expect(page.getByRole('button', { name: /^Title, Reed cutters/ })).toBeVisible();
  for (const stone of ['Print, text', 'Fold, text', 'Fold, insert', 'Print, cover', 'Gather and bind', 'Trim', 'Pack'])
    await expect(page.getByRole('button', { name: new RegExp(`^${stone},`) })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Saw apart,/ })).toHaveCount(0);

  // Whether the pages hold the insert was not said: it blocks the release until somebody says it.
  const findings = page.getByRole('region', { name: 'Findings and working' });
  await findings.getByRole('button', { name: 'Blocks release: Are 196 pages with the insert, or without?' }).click();
  await findings.getByRole('button', { name: '196 of text, 8 beside', exact: true }).click();
  await expect(findings.getByText('Are 196 pages with the insert, or without?')).toBeHidden();

  // Two-up at the binder: half as many blocks, a saw behind it, and forms, folds and plates follow at once.
  await page.getByRole('button', { name: /^Gather and bind,/ }).click();
  await page.getByRole('combobox', { name: 'Bound' }).selectOption({ label: 'two-up, head to foot' });
  await expect(page.getByRole('button', { name: /^Saw apart,/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Gather and bind' }).getByText('405 mm').first()).toBeVisible();
  // 196 pages are no mirror of themselves: come-and-go cannot be, and says why.
  await page.getByRole('combobox', { name: 'Bound' }).selectOption({ label: 'two-up, come-and-go' });
  await findings.getByRole('button', { name: /^Blocks release: Two-up cannot be with/ }).click();
  await findings.getByRole('button', { name: 'Two-up, head to foot', exact: true }).click();
  await expect(findings.getByText(/Two-up cannot be with/)).toBeHidden();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();

  await page.getByRole('tab', { name: 'Sections' }).click();
  const sheets = page.getByRole('region', { name: 'Sections' });
  await expect(sheets.getByText('Proved: printed, turned, cut and folded')).toBeVisible();
  await sheets.getByRole('combobox', { name: 'Sheets' }).selectOption({ label: 'section 2' });
  await expect(sheets.getByRole('img', { name: /with pages .*32.* on its front/ })).toBeVisible();
  const [hoppers] = await Promise.all([page.waitForEvent('download'), sheets.getByRole('link', { name: 'Hoppers, CSV' }).click()]);
  const rows = readFileSync(await hoppers.path(), 'utf8')
    .trim()
    .split('\n');
  // 12 of 16, one of 4, and the insert behind page 96.
  expect(rows).toHaveLength(1 + 14);
  expect(rows[7]).toContain('insert');
  const [template] = await Promise.all([
    page.waitForEvent('download'),
    sheets.getByRole('button', { name: 'cover spread as PDF, true size' }).click(),
  ]);
  expect(spawnSync('pdfinfo', [await template.path()]).stdout.toString()).toMatch(/Pages:\s+1/);

  const pdf = await page.request.get((await page.getByRole('link', { name: 'Print draft' }).getAttribute('href')) ?? '');
  const text = spawnSync('pdftotext', ['-layout', '-', '-'], { input: await pdf.body() });
  const said = text.stdout.toString().replace(/\s/gu, ' ');
  for (const words of ['Reed cutters', 'Clamp opens', 'as folded', 'Meet at the saw', 'Saw at', 'Cover scored at', 'Hot glue: burns'])
    expect(said.replace(/ +/g, ' ')).toContain(words);
});
