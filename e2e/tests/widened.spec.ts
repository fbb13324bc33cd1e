import { expect, type Page, test } from '../house';
import { enterOrder, release, signIn, type } from '../sign-in';

const saved = (page: Page): Promise<void> => expect(page.getByText('saved', { exact: true })).toBeVisible();
const view = (page: Page, name: string): Promise<void> => page.getByRole('tab', { name, exact: true }).click();
const number = async (page: Page): Promise<string> =>
  /^\d+/.exec((await page.locator('.title .soft').first().textContent())?.trim() ?? '')?.[0] ?? '';

test('versions run one after another: plates, order, counts of each, to the floor', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Concert in three languages');
  await view(page, 'Deliveries');
  await page.getByRole('button', { name: 'Another version' }).click();
  await page.getByRole('button', { name: 'Another version' }).click();
  await type(page, 'Name of only', 'English');
  await type(page, 'Name of v2', 'German');
  await type(page, 'Name of v3', 'French');
  await page.getByRole('checkbox', { name: 'English has a plate of its own for K' }).check();
  await page.getByRole('checkbox', { name: 'French has a plate of its own for K' }).check();
  await expect(page.getByText('4 plates are changed in this order.')).toBeVisible();
  await page.getByRole('button', { name: 'Run German earlier' }).click();
  await saved(page);
  await page
    .locator('dk-count-river')
    .getByRole('button', { name: /^Print,/ })
    .click();
  await page
    .locator('dk-count-river')
    .getByRole('button', { name: /^Score and fold,/ })
    .click();
  await page.getByRole('radio', { name: 'French' }).click();
  await release(page);
  await view(page, 'Floor');
  await expect(page.getByRole('row', { name: /^Score and fold, French/ })).toBeVisible();
});

test('orders of one stock share a sheet: copies found and typed, overs of each, taken apart again', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Menu of the Ferry inn');
  await saved(page);
  const first = page.url();
  await enterOrder(page, 'Menu of the Quay inn');
  await type(page, 'Quantity', '4000');
  await type(page, 'Open width', '200');
  await saved(page);
  const second = await number(page);
  await page.goto(first);
  await view(page, 'Deliveries');
  await page.getByLabel('Number of the other job').fill(second);
  await page.getByRole('button', { name: 'Take it in' }).click();
  await view(page, 'Gang');
  await expect(page.getByRole('group', { name: /Bring together/ })).toBeVisible();
  for (const box of await page
    .getByRole('group', { name: /Bring together/ })
    .getByRole('checkbox')
    .all())
    await box.check();
  await page.getByRole('button', { name: 'Lay on one sheet' }).click();
  await expect(page.getByText(/good sheets, as few as its orders take/)).toBeVisible();
  await saved(page);
  await type(page, 'Copies of card on Form', '2');
  await expect(page.getByRole('button', { name: /^Copies of card on Form, 2, edit/ })).toBeVisible();
  await page.locator('dk-count-river').getByRole('button', { name: /^Cut,/ }).first().click();
  await expect(page.getByRole('region', { name: 'Cut' })).toBeVisible();
  await view(page, 'Gang');
  await page.getByRole('button', { name: 'Take them apart' }).click();
  await expect(page.getByText(/good sheets, as few as its orders take/)).toHaveCount(0);
  await saved(page);
});

test('foil dies are made by a job of the house: the parent waits for it, names it, and finds them in the store', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Card with a crest');
  await saved(page);
  await page.getByRole('button', { name: 'Add a foil area' }).click();
  await saved(page);
  await view(page, 'Gates');
  const tools = page.locator('dk-tools-panel');
  await expect(tools).toContainText('bought, 4 days');
  await tools.getByRole('button', { name: 'Have them made here' }).click();
  await expect(tools.getByRole('link', { name: /^job \d+ makes them, ready/ })).toBeVisible();
  await expect(page.getByText(/makes them, and they are not in the store yet/).first()).toBeVisible();
  await tools.getByRole('link').click();
  await expect(page.locator('dk-count-river').getByRole('button', { name: /^Engrave,/ })).toBeVisible();
  await page
    .locator('dk-count-river')
    .getByRole('button', { name: /^Engrave,/ })
    .click();
  await expect(page.getByRole('region', { name: 'Engrave' })).toBeVisible();
});
