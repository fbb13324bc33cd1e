import { spawnSync } from 'node:child_process';
import { clean } from '../clean';
import { expect, type Page, test } from '../house';
import { fill, newOrder, signIn, type } from '../sign-in';

const saved = (page: Page): Promise<void> => expect(page.getByText('saved', { exact: true })).toBeVisible();
async function enterSleeve(page: Page, name: string, quantity: number): Promise<string> {
  await page.getByRole('link', { name: 'Orders', exact: true }).first().click();
  await newOrder(page, 'Disc sleeve');
  await type(page, 'Product name', name);
  await fill(page, 'Customer', `Harbour players ${Math.random()}`);
  await type(page, 'Quantity', String(quantity));
  await page.getByRole('combobox', { name: 'Board' }).selectOption({ label: 'Sleeve board 300' });
  await fill(page, 'Deliver to', 'Ropewalk 30, Lindmoor');
  await page.getByRole('button', { name: 'Enter order' }).click();
  await expect(page.getByRole('button', { name: new RegExp(`^Title, ${name}`) })).toBeVisible();
  await saved(page);
  return /^\d+/.exec((await page.locator('.title .soft').first().textContent())?.trim() ?? '')?.[0] ?? '';
}

test('sleeves of two orders share their forms: brought together, moved by hand and by dragging, solved, taken, and ticketed each', async ({
  page,
}) => {
  await signIn(page);
  const small = await enterSleeve(page, 'The lamp room', 900);
  await enterSleeve(page, 'Ebb and flood', 4_000);
  await page.getByRole('tab', { name: 'Deliveries' }).click();
  await page.getByLabel('Number of the other job').fill(small);
  await page.getByRole('button', { name: 'Take it in' }).click();
  await page.getByRole('tab', { name: 'Gang' }).click();
  const gang = page.getByRole('region', { name: 'Gang' });
  await expect(gang.getByRole('checkbox')).toHaveCount(2);
  for (const box of await gang.getByRole('checkbox').all()) await box.check();
  await gang.getByRole('button', { name: 'Lay on one sheet' }).click();
  const form = gang.getByRole('region', { name: 'Form', exact: true });
  await expect(form.getByText('8 of 8 places taken')).toBeVisible();
  await saved(page);

  // A second form, by hand: a copy goes over by dragging, another comes off by its key.
  await gang.getByRole('button', { name: 'Another form' }).click();
  const [a, b] = [gang.getByRole('region', { name: 'Form A' }), gang.getByRole('region', { name: 'Form B' })];
  await expect(b.getByText('2 of 8 places taken')).toBeVisible();
  const order = a.getByRole('listitem').first();
  await order.scrollIntoViewIfNeeded();
  const [from, onto] = [await order.boundingBox(), await b.getByRole('list').boundingBox()];
  if (!from || !onto) throw new Error('forms are not to be seen');
  await page.mouse.move(from.x + 40, from.y + 10);
  await page.mouse.down();
  await page.mouse.move(from.x + 80, from.y + 20, { steps: 5 });
  await page.mouse.move(onto.x + 60, onto.y + 12, { steps: 10 });
  await page.mouse.up();
  await expect(b.getByText('3 of 8 places taken')).toBeVisible();
  await gang
    .getByRole('button', { name: /^A copy of .* off Form B/ })
    .first()
    .click();
  await expect(b.getByText('2 of 8 places taken')).toBeVisible();
  await expect(gang.getByText(/EUR by the last change/)).toBeVisible();

  await gang.getByRole('button', { name: 'Solve' }).click();
  await expect(gang.getByText(/Number of forms found: \d\. Proved: none is cheaper\./)).toBeVisible();
  await clean(page);
  await gang.getByRole('button', { name: 'Take these forms' }).click();
  await expect(gang.getByRole('button', { name: 'Solve' })).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(b.getByText('2 of 8 places taken')).toBeVisible();

  // A place of the die is closed: the full form gives up a copy.
  await gang.getByRole('button', { name: 'What is held' }).click();
  await gang.getByRole('combobox', { name: 'Closed places of the die' }).click();
  await page.getByRole('option', { name: 'place 8' }).click();
  await page.keyboard.press('Escape');
  await expect(a.getByText('7 of 7 places taken')).toBeVisible();
  await clean(page);
  await saved(page);

  const pdf = await page.request.get((await page.getByRole('link', { name: 'Print draft' }).getAttribute('href')) ?? '');
  const text = spawnSync('pdftotext', ['-layout', '-', '-'], { input: await pdf.body() });
  const said = text.stdout.toString().replace(/\s/gu, ' ');
  for (const words of ['Lamp coater', 'Die press', 'Tray line', 'gluer', 'Sleeve board 300']) expect(said).toContain(words);
});
