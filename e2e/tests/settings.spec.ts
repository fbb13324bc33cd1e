import { expect, test } from '../house';
import { enterOrder, signIn, type } from '../sign-in';

test('a new rate is tried on the open jobs, put in force, and taken by a draft, by visible words', async ({ page, browser }) => {
  await signIn(page);
  await enterOrder(page, 'Card under old rates');
  const cost = page.getByRole('contentinfo').getByText('planning cost').locator('..');
  const before = (await cost.textContent()) ?? '';

  const admin = await (await browser.newContext()).newPage();
  await signIn(admin, 'runa', 'paper-river-25');
  await admin.getByRole('button', { name: 'Runa Tormeel, menu' }).click();
  await admin.getByRole('menuitem', { name: 'Settings' }).click();
  await admin.getByRole('button', { name: /^Press 3/ }).click();
  await type(admin, 'Rate while running', '370');
  await expect(admin.getByText('One change, not in force')).toBeVisible();
  // Nothing is lost by leaving: the change stands in this browser until it is put in force or taken back.
  await admin.reload();
  await expect(admin.getByText('One change, not in force')).toBeVisible();
  await admin.getByRole('button', { name: 'See what it moves' }).click();
  await expect(admin.getByText(/open jobs? move/)).toBeVisible();
  await expect(admin.getByRole('link', { name: /Card under old rates/ })).toBeVisible();
  await admin.getByLabel('Why').fill('the new rates of the works');
  await admin.getByRole('button', { name: 'Put in force' }).click();
  await expect(admin.getByText('stand on the settings before').or(admin.getByText('stands on the settings before'))).toBeVisible();
  await admin.getByRole('tab', { name: 'Changes so far' }).click();
  await expect(admin.getByText('the new rates of the works')).toBeVisible();

  // The draft that is open elsewhere hears of it, says what would differ, and takes it.
  await expect(page.getByText('They would change: planning cost')).toBeVisible();
  await page.getByRole('button', { name: 'Plan it for the new ones' }).click();
  await expect(page.getByText('The settings of the works are newer')).toBeHidden();
  await expect(cost).not.toHaveText(before);
  await expect(cost).toBeVisible();
  await admin.close();
});

test('a value that cannot be is refused at its place, and the drawing stays', async ({ page }) => {
  await signIn(page, 'runa', 'paper-river-25');
  await page.getByRole('button', { name: 'Runa Tormeel, menu' }).click();
  await page.getByRole('menuitem', { name: 'Settings' }).click();
  await page.getByRole('button', { name: /^Press 3/ }).click();
  await page.getByRole('button', { name: /^Smallest, width,/ }).click();
  await page.getByRole('textbox', { name: 'Smallest, width' }).fill('900');
  await expect(page.getByText('is more than the largest sheet, 740 mm')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('is more than the largest sheet')).toBeHidden();
});

test('a press of one’s own: entered like another, drawn, tried, in force, planned on; retired, and planned on no more', async ({
  page,
}) => {
  await signIn(page, 'runa', 'paper-river-25');
  await page.getByRole('button', { name: 'Runa Tormeel, menu' }).click();
  await page.getByRole('menuitem', { name: 'Settings' }).click();
  const putInForce = async (reason: string): Promise<void> => {
    await page.getByRole('button', { name: 'See what it moves' }).click();
    await page.getByLabel('Why').fill(reason);
    await page.getByRole('button', { name: 'Put in force' }).click();
    await expect(page.getByRole('button', { name: 'See what it moves' })).toHaveCount(0);
  };
  await page.getByRole('button', { name: /^Platen 1/ }).click();
  await page.getByRole('button', { name: 'Another like this' }).click();
  await expect(page.getByRole('img', { name: /^Platen 1, copy/ })).toBeVisible();
  await type(page, 'Name', 'Platen 2');
  await type(page, 'Setting a die', '240');
  await putInForce('a second platen came');
  await page.getByRole('button', { name: /^Platen 2/ }).click();
  await page.getByRole('button', { name: 'Retire it' }).click();
  await expect(page.getByRole('button', { name: /^Platen 2.*retired/ })).toBeVisible();
  await putInForce('sold again');
  await page.getByRole('tab', { name: 'Cartons and pallets' }).click();
  await expect(page.getByRole('img', { name: /^Carton 400/ })).toBeVisible();
});

test('somebody new is entered and signs in with the role given', async ({ page, browser }) => {
  await signIn(page, 'runa', 'paper-river-25');
  await page.getByRole('button', { name: 'Runa Tormeel, menu' }).click();
  await page.getByRole('menuitem', { name: 'Settings' }).click();
  await page.getByRole('tab', { name: 'People' }).click();
  await page.getByLabel('Signs in as').fill('tilda');
  await page.getByLabel('Name', { exact: true }).fill('Tilda Kreuz');
  await page.getByRole('textbox', { name: 'Initials' }).fill('TK');
  await page.getByLabel('Role').selectOption('planner');
  await page.getByLabel('First password').fill('a-long-password');
  await page.getByRole('button', { name: 'Enter', exact: true }).click();
  await expect(page.getByRole('row', { name: /tilda/ })).toBeVisible();
  const other = await (await browser.newContext()).newPage();
  await other.goto(page.url());
  await other.getByLabel('Name').fill('tilda');
  await other.getByLabel('Password').fill('a-long-password');
  await other.getByRole('button', { name: 'Sign in' }).click();
  // Somebody else set it: an own one comes first.
  await other.getByLabel('Password until now').fill('a-long-password');
  await other.getByLabel('New password', { exact: true }).fill('paper-in-the-rain-6');
  await other.getByLabel('New password, again').fill('paper-in-the-rain-6');
  await other.getByRole('button', { name: 'Set it' }).click();
  await other.getByRole('button', { name: 'Tilda Kreuz, menu' }).click();
  await expect(other.getByRole('menuitem', { name: 'Settings' })).toBeHidden();
  await other.close();
});

test('a person who reads inches sees and types them, on every screen, and the job stays what it was', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Card in inches');
  const sheets = await page.getByRole('contentinfo').getByRole('button').first().textContent();
  await page.getByRole('tab', { name: 'Product', exact: true }).click();
  await type(page, 'Open width', '8 1/2 in');
  await expect(page.getByRole('button', { name: /^Open width, 215\.9 mm/ })).toBeVisible();
  await page.getByRole('button', { name: 'Anselm Hardt, menu' }).click();
  await page.getByRole('menuitem', { name: 'Inches, pounds and points' }).click();
  await expect(page.getByRole('button', { name: /^Open width, 8 1\/2 in/ })).toBeVisible();
  await expect(page.getByRole('contentinfo').getByText(/lb/).first()).toBeVisible();
  await type(page, 'Open width', '8 1/4');
  await expect(page.getByRole('button', { name: /^Open width, 8 1\/4 in/ })).toBeVisible();
  await page.reload();
  await page.getByRole('tab', { name: 'Product', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Open width, 8 1\/4 in/ })).toBeVisible();
  await page.getByRole('button', { name: 'Anselm Hardt, menu' }).click();
  await page.getByRole('menuitem', { name: 'Millimetres and kilograms' }).click();
  await expect(page.getByRole('button', { name: /^Open width, 209\.55 mm/ })).toBeVisible();
  expect(sheets).toMatch(/sheets/);
});
