import { expect, type Page } from '@playwright/test';

/** Signs in by the words on the screen. */
export async function signIn(page: Page, name = 'anselm', password = 'paper-river-24', base = ''): Promise<void> {
  await page.goto(`${base}/`);
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Orders', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Orders', exact: true })).toBeVisible();
}

/** Edits a value in place. */
export async function type(page: Page, label: string, text: string): Promise<void> {
  await page
    .getByRole('button', { name: new RegExp(`^${label}, .*edit$`) })
    .first()
    .click();
  await page.getByRole('textbox', { name: label, exact: true }).fill(text);
  await page.keyboard.press('Enter');
}

/** Types into a field that finds what is known while it is typed, and goes on to the next. */
export async function fill(page: Page, label: string, text: string): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: true }).fill(text);
  await page.keyboard.press('Tab');
}

/** Begins a new order by the picture of what is to be made. */
export async function newOrder(page: Page, line = 'Card or leaflet'): Promise<void> {
  await page
    .getByRole('link', { name: /^New order/ })
    .first()
    .click();
  const picture = page.locator('.made').getByRole('button', { name: new RegExp(line) });
  const over = page.getByRole('button', { name: 'Start over' });
  await picture.or(over).first().waitFor();
  // An order that was left half typed goes on where it was.
  if (!(await picture.isVisible())) await over.click();
  await picture.click();
  await expect(page.getByRole('heading', { name: 'New order' })).toBeVisible();
}

let made = 0;
/** A new order of line 1, entered by the words on the screen; ends on its job page. */
export async function enterOrder(page: Page, title: string): Promise<void> {
  made++;
  await page.getByRole('link', { name: 'Orders', exact: true }).first().click();
  await newOrder(page);
  await type(page, 'Product name', title);
  await fill(page, 'Customer', `Customer of ${title} ${made} ${Math.random()}`);
  await type(page, 'Quantity', '10000');
  await fill(page, 'Deliver to', 'Pier 3, Kestrel Bay');
  await page.getByRole('button', { name: 'Enter order' }).click();
  await expect(page.getByRole('button', { name: 'Release …' })).toBeVisible();
}

/** Releases the job that is open, whole; what is undecided is decided. */
export async function release(page: Page, open = 'Release …'): Promise<void> {
  await page.getByRole('button', { name: open }).click();
  const dialog = page.getByRole('dialog');
  // What is to decide may change while the dialog is open: the plan follows the clock, and answers that just came.
  await expect(async () => {
    for (const box of await dialog.getByRole('textbox').all()) await box.fill('agreed with the customer');
    await expect(dialog.getByRole('button', { name: 'Release now' })).toBeEnabled({ timeout: 1_000 });
  }).toPass({ timeout: 60_000 });
  await dialog.getByRole('button', { name: 'Release now' }).click();
  await expect(dialog).toHaveCount(0);
}

/** Begins to set up the step on the screen; where another one is at the machine, or something is still missing, with a reason. */
export async function beginSetup(page: Page): Promise<void> {
  const begin = page.getByRole('button', { name: 'Begin setting up' });
  await begin.waitFor();
  const early = page.getByRole('radio', { name: 'the planner asked for it' });
  // What is missing comes with the newest word of the server, which may be a moment late.
  await expect(async () => {
    if (await early.isVisible()) await early.click();
    await expect(begin).toBeEnabled({ timeout: 1_000 });
  }).toPass();
  await begin.click();
}
