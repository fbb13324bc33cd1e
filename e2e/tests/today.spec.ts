import { expect, test } from '../house';
import { enterOrder, signIn, type } from '../sign-in';

test('the day begins with what is late and what can be released, and each line leads to its job', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Morning card');
  await type(page, 'Due', '2 Jan 2020');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Druckerei' }).click();
  const late = page.getByRole('region', { name: 'Late, or will be' });
  await expect(late.getByRole('link', { name: /Morning card/ })).toContainText('past its date');
  await page.getByRole('navigation', { name: 'Today' }).getByRole('link', { name: /^Late/ }).click();
  await expect(late).toBeFocused();
  await late.getByRole('link', { name: /Morning card/ }).click();
  await expect(page.getByRole('button', { name: /^Title, Morning card/ })).toBeVisible();
  // The list of orders finds it under the same word, with its slack.
  await page.getByRole('link', { name: 'Orders', exact: true }).click();
  await page.getByRole('radio', { name: /^Late/ }).click();
  await expect(page.getByRole('row', { name: /Morning card/ })).toContainText(/late/);
});

test('who looks for an order walks by keys from the search into the list and opens it', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Card found by keys');
  await page.getByRole('link', { name: 'Orders', exact: true }).click();
  await page.keyboard.press('/');
  await page.keyboard.type('found by keys');
  await expect(page.getByRole('row', { name: /Card found by keys/ })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('link', { name: 'Card found by keys' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Title, Card found by keys/ })).toBeVisible();
});

test('the first key leads past the head of a page', async ({ page }) => {
  await signIn(page);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Orders', exact: true })).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'To the content' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('#content')).toBeFocused();
});

test('a scanner that types at once after the click loses no sign', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Scanned card');
  await page.getByRole('button', { name: /^Title, Scanned card/ }).click();
  await page.keyboard.type('4012345678901', { delay: 0 });
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Title, 4012345678901/ })).toBeVisible();
});
