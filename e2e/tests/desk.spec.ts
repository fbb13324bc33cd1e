import { spawnSync } from 'node:child_process';
import { expect, test } from '../house';
import { enterOrder, newOrder, signIn, type } from '../sign-in';

test('the list of orders is walked by keys, searched, and opened', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Keyboard card');
  await page.getByRole('link', { name: 'Orders', exact: true }).first().click();
  await page.getByRole('link', { name: 'Keyboard card' }).first().waitFor();
  await page.keyboard.press('/');
  await page.keyboard.type('keyboard');
  await expect(page.getByRole('row')).toHaveCount(2);
  await page.keyboard.press('Escape');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Title, Keyboard card/ })).toBeVisible();
});

test('nothing found says so', async ({ page }) => {
  await signIn(page);
  await page.getByLabel('Find an order').fill('no such thing anywhere');
  await expect(page.getByRole('heading', { name: /Nothing found|No orders yet/ })).toBeVisible();
});

test('a new order keeps what was typed over a reload, and says what is missing', async ({ page }) => {
  await signIn(page);
  await newOrder(page);
  await expect(page.getByRole('status').filter({ hasText: 'Name the product.' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Enter order' })).toBeDisabled();
  await type(page, 'Product name', 'Half entered card');
  await expect(page.getByRole('status').filter({ hasText: 'Choose the customer.' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Product name, Half entered card/ })).toBeVisible();
  await page.getByRole('button', { name: 'Start over' }).click();
  await expect(page.getByRole('heading', { name: 'What is to be made?' })).toBeVisible();
});

test('a size in inches is taken, a sheet of 20 m is not', async ({ page }) => {
  await signIn(page);
  await newOrder(page);
  await type(page, 'Open width', '8 1/2 in');
  await expect(page.getByRole('button', { name: /^Open width, 215\.9 mm/ })).toBeVisible();
  await page.getByRole('button', { name: /^Height,/ }).click();
  await page.getByRole('textbox', { name: 'Height' }).fill('20000');
  await expect(page.getByText('is longer than any sheet here (5 m at most)').first()).toBeVisible();
});

test('the sheet is zoomed and measured', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Measured card');
  await page.getByRole('button', { name: /^Stock,/ }).click();
  const drawing = page.getByRole('img', { name: /^Sheet 720 by 520/ });
  await drawing.waitFor();
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  const box = (await drawing.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  await page.mouse.click(box.x + box.width * 0.3, box.y + box.height * 0.5);
  await page.mouse.click(box.x + box.width * 0.6, box.y + box.height * 0.5);
  await expect(page.getByText(/^\d+(\.\d)? mm$/)).toBeVisible();
  await page.getByRole('button', { name: 'Zoom in' }).click();
  await expect(drawing.locator('g').first()).toHaveAttribute('transform', /scale\(1\.4/);
  await page.getByRole('button', { name: 'Whole' }).click();
  await expect(drawing.locator('g').first()).toHaveAttribute('transform', /scale\(1\)/);
});

test('a blocked job is not released; its remedy is previewed, applied, and lets it go', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Unscored card');
  await page.getByRole('button', { name: /^Score and fold,/ }).click();
  await page.getByLabel('Score', { exact: true }).selectOption('none');
  const finding = page.getByRole('button', { name: /^Blocks release: 300 g board folded without a score/ });
  await finding.click();
  await expect(page.getByText('changes no total')).toBeVisible();
  await page.getByRole('button', { name: 'Release …' }).click();
  await expect(page.getByText('These block the release')).toBeVisible();
  await page.getByRole('button', { name: 'Not yet' }).click();
  await page.getByRole('button', { name: 'Score before folding' }).click();
  await expect(finding).toHaveCount(0);
});

test('a draft ticket says on every page that it is one', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Draft card');
  const href = (await page.getByRole('link', { name: 'Print draft' }).getAttribute('href')) ?? '';
  const bytes = await (await page.request.get(href)).body();
  const text = spawnSync('pdftotext', ['-layout', '-', '-'], { input: bytes });
  expect(text.error).toBeUndefined();
  const pages = text.stdout
    .toString()
    .split('\f')
    .filter((p) => p.trim());
  expect(pages.length).toBeGreaterThan(6);
  for (const p of pages) expect(p).toContain('DRAFT');
});

test('the theme is chosen and kept', async ({ page }) => {
  await signIn(page);
  await page.getByRole('button', { name: 'Anselm Hardt, menu' }).click();
  await page.getByRole('menuitem', { name: 'Dark' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

test('signing out ends the session', async ({ page }) => {
  await signIn(page);
  await page.getByRole('button', { name: 'Anselm Hardt, menu' }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  expect((await page.request.get('/api/session')).status()).toBe(401);
});

test('a wrong password is said in words', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Name').fill('ilse');
  await page.getByLabel('Password').fill('not hers');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('Name or password is wrong.')).toBeVisible();
});
