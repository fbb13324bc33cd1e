import { spawnSync } from 'node:child_process';
import { expect, test } from '../house';
import { fill, newOrder, signIn, type } from '../sign-in';

test('rolls by gravure from order to ticket: the pattern is made to begin alike, cylinders go to the cylinder shop, reels are told from the outside', async ({
  page,
}) => {
  await signIn(page);
  await newOrder(page, 'Printed rolls by gravure');
  await type(page, 'Product name', 'Tide lines');
  await fill(page, 'Customer', `Tide papers ${Math.random()}`);
  await type(page, 'Quantity', '8000');
  await fill(page, 'Deliver to', 'Chandlery');
  await page.getByRole('button', { name: 'Enter order' }).click();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();

  // Cut at the mark a roll is a millimetre short of 2 m: found, and mended by another first turn.
  const findings = page.getByRole('region', { name: 'Findings and working' });
  await page.getByLabel('Cut', { exact: true }).selectOption('mark');
  await findings.getByRole('button', { name: /rolls are 1 mm short of 2 m/ }).click();
  await findings.getByRole('button', { name: 'Take a first turn of 500.25 mm' }).click();
  await expect(findings.getByText(/short of 2 m/)).toBeHidden();
  await expect(page.getByRole('button', { name: /^One turn of the first cylinder, 500\.25/ })).toBeVisible();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();

  await page
    .locator('dk-count-river')
    .getByRole('button', { name: /^Wind,/ })
    .click();
  await expect(page.getByText('Mother reels', { exact: true })).toBeVisible();

  const pdf = await page.request.get((await page.getByRole('link', { name: 'Print draft' }).getAttribute('href')) ?? '');
  const text = spawnSync('pdftotext', ['-layout', '-', '-'], { input: await pdf.body() });
  const said = text.stdout.toString().replace(/\s+/gu, ' ');
  for (const words of [
    'Tide lines',
    'Ink, station by station',
    'Solvent vapour explodes',
    'Lanes, from the operator’s side',
    'When the web breaks',
    'each from its outside',
    '500.250 mm',
  ])
    expect(said).toContain(words);

  await page.getByRole('tab', { name: 'Gates', exact: true }).click();
  const tools = page.locator('dk-tools-panel');
  await tools.getByRole('button', { name: 'Have them made here' }).click();
  await tools.getByRole('link', { name: /^job \d+ makes them, ready/ }).click();
  await expect(page.locator('dk-count-river').getByRole('button', { name: /^Nickel, copper,/ })).toBeVisible();
});
