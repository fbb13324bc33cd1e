import { expect, test } from '../house';
import { enterOrder, signIn, type } from '../sign-in';

const SCRIPT = `<img src=x onerror="taken=1"><script>taken=1</script>'; drop table jobs`;

test('script and SQL are text wherever a person may type it', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, SCRIPT);
  await type(page, 'Envelope', SCRIPT);
  await page.getByRole('button', { name: 'Add a piece' }).click();
  await type(page, 'Name of the piece', SCRIPT.slice(0, 40));
  await expect(page.getByRole('button', { name: /^Title, <img src=x onerror/ })).toBeVisible();
  await page.getByRole('button', { name: 'As a list' }).click();
  await page.getByRole('link', { name: 'Orders', exact: true }).first().click();
  await expect(page.getByRole('link', { name: /^<img src=x onerror=/ }).first()).toBeVisible();
  await page.getByLabel('Find an order').fill(`'; drop table jobs`);
  await expect(page.getByRole('link', { name: /^<img src=x/ }).first()).toBeVisible();
  expect(await page.evaluate(() => (window as unknown as { taken?: number }).taken)).toBeUndefined();
});

test('no piece, one piece and a thousand million: refused, planned, planned', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Card in every number');
  const quantity = page.getByRole('textbox', { name: 'Quantity', exact: true });
  await page.getByRole('button', { name: /^Quantity,/ }).click();
  await quantity.fill('0');
  await expect(page.getByText('must be at least 1').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Release …' })).toBeDisabled();
  await quantity.fill('2000000000');
  await expect(page.getByText(/more than any works can run/).first()).toBeVisible();
  await quantity.fill('1000000000');
  await expect(page.getByText(/more than any works can run/)).toBeHidden();
  await expect(page.getByRole('contentinfo').getByRole('button').first()).toContainText(/\d{3}.\d{3}.\d{3}/);
  await quantity.fill('1');
  await expect(page.getByRole('contentinfo').getByRole('button').first()).toContainText(/^\s*\d{3}\s+sheets/);
});

test('a product too large for every stock says by how much, and a date in the past says how late', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Card too large');
  await type(page, 'Open width', '1400');
  await expect(page.getByText(/mm too large for the sheet/).first()).toBeVisible();
  await type(page, 'Open width', '200');
  await expect(page.getByText(/mm too large for the sheet/)).toBeHidden();
  await page.getByRole('button', { name: /^Due,/ }).click();
  await page.getByRole('textbox', { name: 'Due', exact: true }).fill('2 Jan 2020');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/late/i).first()).toBeVisible();
});

test('a script that is not there is answered 404, an address of the program with dots in it is the program', async ({ request }) => {
  expect((await request.get('/main-OLD12345.js')).status()).toBe(404);
  const deep = await request.get('/zones/00000000-0000-4000-8000-000000000000/card.card.print.front');
  expect([deep.status(), deep.headers()['content-type']]).toEqual([200, expect.stringContaining('text/html')]);
});
