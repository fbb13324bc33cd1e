import { expect, test } from '../house';
import { enterOrder, signIn, type } from '../sign-in';

test('two people on one job: different places merge by themselves, both see it', async ({ browser, page }) => {
  await signIn(page);
  await enterOrder(page, 'Shared card');
  const address = page.url();
  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(other, 'runa', 'paper-river-25');
  await other.getByRole('link', { name: 'Shared card' }).first().click();
  await type(other, 'Title', 'Shared card, renamed');
  await expect(other.getByText('saved', { exact: true })).toBeVisible();
  expect(other.url()).toBe(address);
  await expect(page.getByRole('button', { name: /^Title, Shared card, renamed/ })).toBeVisible();
  await type(page, 'Quantity', '11000');
  await expect(other.getByRole('button', { name: /^Quantity, 11\s?000/ })).toBeVisible();
});

test('a session that ends in mid-edit loses nothing', async ({ page, context }) => {
  await signIn(page);
  await enterOrder(page, 'Kept card');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  // In mid-edit: what the page asks for by itself could end the session before the first key.
  await page.getByRole('button', { name: /^Quantity, .*edit$/ }).click();
  await page.getByRole('textbox', { name: 'Quantity', exact: true }).fill('4321');
  await context.clearCookies();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Your session has ended.')).toBeVisible();
  await page.getByLabel('Name').fill('anselm');
  await page.getByLabel('Password').fill('paper-river-24');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Quantity, 4\s?321/ })).toBeVisible();
});

test('without an answer from the server the input is kept, and saved when it is back', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Offline card');
  await page.route('**/edits', (route) => route.abort());
  await type(page, 'Quantity', '5555');
  await expect(page.getByText('The server does not answer. What you typed is kept here.')).toBeVisible();
  await page.unroute('**/edits');
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
});

test('9 the same place changed by two: both values stand there with names, and whichever is taken, the other stays in the history', async ({
  browser,
  page,
}) => {
  await signIn(page);
  await enterOrder(page, 'Contested card');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(other, 'runa', 'paper-river-25');
  await other.getByRole('link', { name: 'Contested card' }).first().click();
  await other.getByRole('button', { name: /^Quantity, 10\s?000/ }).waitFor();
  // Both type before either is saved.
  await page.route('**/edits', (route) => route.abort());
  await type(page, 'Quantity', '7000');
  await expect(page.getByText('The server does not answer. What you typed is kept here.')).toBeVisible();
  await type(other, 'Quantity', '8000');
  await expect(other.getByText('saved', { exact: true })).toBeVisible();
  await page.unroute('**/edits');
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect(page.getByText('Runa Tormeel changed the same place meanwhile.')).toBeVisible();
  await expect(page.getByText(/quantity: theirs 8\s?000, yours 7\s?000/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await expect(other.getByRole('button', { name: /^Quantity, 7\s?000/ })).toBeVisible();
  await page.getByRole('tab', { name: 'History' }).click();
  for (const value of [/quantity: .*→ 8\s?000/, /quantity: .*→ 7\s?000/]) await expect(page.getByText(value).first()).toBeVisible();
});

test('9 what others change elsewhere is taken in by itself and listed; the way back survives a reload', async ({ browser, page }) => {
  await signIn(page);
  await enterOrder(page, 'Listed card');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await type(page, 'Quantity', '9000');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(other, 'runa', 'paper-river-25');
  await other.getByRole('link', { name: 'Listed card' }).first().click();
  await type(other, 'Title', 'Listed card, renamed');
  await expect(page.getByText(/changed meanwhile:.*title: Listed card → Listed card, renamed/)).toBeVisible();
  await page.getByRole('button', { name: 'Seen' }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Quantity, 9\s?000/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Quantity, 10\s?000/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Title, Listed card, renamed/ })).toBeVisible();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: /^Quantity, 10\s?000/ }).waitFor();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByRole('button', { name: /^Quantity, 9\s?000/ })).toBeVisible();
});
