import { spawnSync } from 'node:child_process';
import { expect, test } from '../house';
import { fill, newOrder, signIn, type } from '../sign-in';

test('a new order of line 2 goes from sign-in to the printed ticket by visible words', async ({ page }) => {
  await signIn(page);
  await newOrder(page, 'Labels from the roll');
  await type(page, 'Product name', 'Honey labels');
  await fill(page, 'Customer', `Bee keepers ${Math.random()}`);
  await type(page, 'Quantity', '240000');
  await type(page, 'Label width', '50');
  await type(page, 'Labels across', '5');
  await type(page, 'Liner slit every', '50');
  await page.getByLabel('Touches food').check();
  await fill(page, 'Deliver to', 'Linden Row 6, Lindmoor');
  await expect(page.getByRole('button', { name: /^Reject, Inspection table/ })).toBeVisible();
  await page.getByRole('button', { name: 'Enter order' }).click();

  await expect(page.getByRole('button', { name: /^Title, Honey labels/ })).toBeVisible();
  for (const stone of ['Rolls', 'Plates', 'Print', 'Camera', 'Perforate and sheet', 'Reject', 'Stack', 'Pack'])
    await expect(page.getByRole('button', { name: new RegExp(`^${stone},`) })).toBeVisible();
  const totals = page.getByRole('contentinfo', { name: 'Totals' });
  await expect(totals.getByText('to pull')).toBeVisible();
  await expect(totals.getByRole('button', { name: /metres, show the working/ })).toBeVisible();

  // A roll is a drawing with its diameter; the web is drawn with lamps, camera and one repeat.
  await page.getByRole('button', { name: /^Rolls,/ }).click();
  await expect(page.getByRole('img', { name: /Roll of .* metres, .* diameter/ })).toBeVisible();
  await page.getByRole('button', { name: /^Print,/ }).click();
  await expect(page.getByRole('img', { name: /a lamp after each, past the camera; repeat/ })).toBeVisible();

  // It touches food: the ink blocks the release until a series made for it is taken.
  const findings = page.getByRole('region', { name: 'Findings and working' });
  await findings.getByRole('button', { name: /Blocks release: .* not made to lie near food/ }).click();
  await findings.getByRole('button', { name: /^Print with .* low migration/ }).click();
  await expect(findings.getByText(/Blocks release/)).toHaveCount(0);
  await expect(page.getByText('saved', { exact: true })).toBeVisible();

  await page.getByRole('button', { name: 'Release …' }).click();
  for (const reason of await page.getByRole('textbox', { name: /^Reason:/ }).all()) await reason.fill('agreed with the customer');
  await page.getByRole('button', { name: 'Release now' }).click();
  await expect(page.getByText(/^Released by Anselm Hardt/)).toBeVisible();

  const pdf = await page.request.get((await page.getByRole('link', { name: 'Print ticket' }).getAttribute('href')) ?? '');
  const text = spawnSync('pdftotext', ['-layout', '-', '-'], { input: await pdf.body() });
  expect(text.error).toBeUndefined();
  const said = text.stdout.toString().replace(/\s/gu, ' ');
  for (const words of [
    'Honey labels',
    '240 000 wanted',
    'at metre',
    'low migration',
    'second signature (witness)',
    'Rolls move by truck',
    'Linden Row 6',
  ])
    expect(said).toContain(words);
});

test('labels wound on rolls lose the stacks and gain the rewinder', async ({ page }) => {
  await signIn(page);
  await newOrder(page, 'Labels from the roll');
  await expect(page.getByRole('button', { name: /^Stack,/ })).toBeVisible();
  await page.getByLabel('Delivered as').selectOption({ label: 'rolls' });
  await expect(page.getByRole('button', { name: /^Rewind,/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Stack,/ })).toHaveCount(0);
});
