import { spawnSync } from 'node:child_process';
import type { Locator } from '@playwright/test';
import { expect, test } from '../house';
import { enterOrder, fill, newOrder, signIn, type } from '../sign-in';

test('a new order of line 1 goes from sign-in to the printed ticket by visible words', async ({ page }) => {
  await signIn(page);
  await newOrder(page);
  await type(page, 'Product name', 'Harvest card with foil');
  await fill(page, 'Customer', `Harvest society ${Math.random()}`);
  await type(page, 'Quantity', '6000');
  await type(page, 'Open width', '210');
  await type(page, 'Height', '210');
  await page.getByRole('button', { name: 'Add a foil area' }).click();
  await page.getByRole('button', { name: 'Add a piece' }).click();
  await type(page, 'Envelope', 'lined envelope');
  await page.getByLabel('Sealed').check();
  await fill(page, 'Deliver to', 'Fern Walk 1, Lindmoor');
  await expect(page.getByRole('button', { name: /^Foil, Platen 1/ })).toBeVisible();
  await page.getByRole('button', { name: 'Enter order' }).click();

  await expect(page.getByRole('button', { name: /^Title, Harvest card with foil/ })).toBeVisible();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  const sheets = page.getByRole('contentinfo', { name: 'Totals' }).getByRole('button').first();
  const before = await sheets.innerText();
  await type(page, 'Quantity', '9000');
  await expect(sheets).not.toHaveText(before);
  await page.getByRole('button', { name: /^Cut, Guillotine 1/ }).click();
  await expect(page.getByRole('heading', { name: 'cutting program' })).toBeVisible();
  await page
    .getByRole('button', { name: /cuts, show the working/ })
    .first()
    .click();
  await expect(page.getByText('the program, cut by cut')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();

  // An ordinary job says nothing; somebody who counts on less waste is told what it risks.
  await expect(page.getByText(/such jobs fall short/)).toHaveCount(0);
  await page.getByRole('button', { name: /^Print, / }).click();
  await type(page, 'Running loss, front', '0.1');
  await type(page, 'Running loss, back', '0.1');
  await page
    .getByRole('region', { name: 'Findings and working' })
    .getByRole('button', { name: /in 100 such jobs fall short/ })
    .click();
  await expect(page.getByText(/\+.* sheets/)).toBeVisible();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Release …' }).click();
  for (const reason of await page.getByRole('textbox', { name: /^Reason:/ }).all()) await reason.fill('agreed with the customer');
  await page.getByRole('button', { name: 'Release now' }).click();
  await expect(page.getByText(/^Released by Anselm Hardt/)).toBeVisible();

  const [ticket] = await Promise.all([page.context().waitForEvent('page'), page.getByRole('link', { name: 'Print ticket' }).click()]);
  const pdf = await page.request.get((await page.getByRole('link', { name: 'Print ticket' }).getAttribute('href')) ?? '');
  await ticket.close();
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  const bytes = await pdf.body();
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  expect(bytes.length).toBeGreaterThan(20_000);
  const text = spawnSync('pdftotext', ['-layout', '-', '-'], { input: bytes });
  expect(text.error).toBeUndefined();
  const said = text.stdout.toString().replace(/\s/gu, ' ');
  for (const words of [
    'Harvest card with foil',
    'Cutting program',
    'two-hand start',
    'Page 1 of',
    'this bar is 100 mm',
    'Fern Walk 1',
    '9 000 wanted',
  ])
    expect(said).toContain(words);
  expect(said).not.toContain('DRAFT');
});

test('undo takes a change back, the keyboard walks the river, and the list form does the same', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Undo card');
  await type(page, 'Quantity', '12000');
  await expect(page.getByRole('button', { name: /^Quantity, 12\s?000/ })).toBeVisible();
  await page.getByRole('heading', { name: /Findings/ }).click();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Quantity, 10\s?000/ })).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByRole('button', { name: /^Quantity, 12\s?000/ })).toBeVisible();
  await page.keyboard.press(']');
  await expect(page.getByRole('button', { name: /^Stock,/ })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'Cut', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'cutting program' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('heading', { name: 'Keys of this screen' })).toBeVisible();
});

test('a half-typed number keeps its text, says what is missing, and the last good plan stays', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Half typed card');
  const sheets = page.getByRole('contentinfo', { name: 'Totals' }).getByRole('button').first();
  const before = await sheets.innerText();
  await page.getByRole('button', { name: /^Quantity,/ }).click();
  await page.getByRole('textbox', { name: 'Quantity' }).fill('10x');
  await expect(page.getByText('Type a whole number.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Quantity' }).fill('0');
  await expect(page.getByText('must be at least 1')).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Quantity' })).toHaveValue('0');
  await expect(sheets).toHaveText(before);
  await page.getByRole('textbox', { name: 'Quantity' }).fill('500');
  await expect(sheets).not.toHaveText(before);
});

test('a figure set by hand takes effect, shows both values, and goes back', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'By hand card');
  await page.getByRole('contentinfo', { name: 'Totals' }).getByRole('button').nth(1).click();
  await page.getByRole('button', { name: 'Set by hand …' }).click();
  await page.getByLabel('Instead').fill('7');
  await page.getByLabel('Why').fill('two spare plates');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(page.getByText(/Set by hand by Anselm Hardt: two spare plates\. Computed: 5 plates/)).toBeVisible();
  await page.getByRole('button', { name: 'Back to the computed figure' }).click();
  await expect(page.getByText(/Set by hand by/)).toHaveCount(0);
});

test('stocks and presses are compared by cost, and one is taken', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Compared card');
  await page.getByRole('tab', { name: 'Compare stocks and presses' }).click();
  await page.getByRole('button', { name: 'Close' }).waitFor();
  await page.getByRole('button', { name: 'Take it' }).first().click();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
});

test('a press operator reads but does not change', async ({ page }) => {
  await signIn(page, 'odo', 'ink-and-water-3');
  await page.getByRole('row').nth(1).getByRole('link').click();
  await expect(page.getByRole('button', { name: /^Quantity,/ })).toBeDisabled();
  await expect(page.getByRole('button', { name: 'Release …' })).toHaveCount(0);
});

test('a card order is planned, compared, released and printed by keyboard alone', async ({ page }) => {
  /** Walks on with Tab until something has the focus: what cannot be reached so cannot be used without a mouse. */
  const walk = async (target: Locator): Promise<void> => {
    await target.waitFor();
    for (let step = 0; step < 150; step++) {
      if (await target.evaluate((e) => e === document.activeElement)) return;
      await page.keyboard.press('Tab');
    }
    throw new Error('is not reached by Tab');
  };
  const put = async (label: string, text: string): Promise<void> => {
    await walk(page.getByRole('button', { name: new RegExp(`^${label},`) }).first());
    await page.keyboard.press('Enter');
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  };
  await page.goto('/');
  await walk(page.getByLabel('Name'));
  await page.keyboard.type('anselm');
  await page.keyboard.press('Tab');
  await page.keyboard.type('paper-river-24');
  await page.keyboard.press('Enter');
  await walk(page.getByRole('link', { name: 'Orders', exact: true }));
  await page.keyboard.press('Enter');
  await page.getByRole('heading', { name: 'Orders', exact: true }).waitFor();
  await page.keyboard.press('n');
  await walk(page.getByRole('button', { name: /Card or leaflet/ }));
  await page.keyboard.press('Enter');
  await put('Product name', 'Keyboard card');
  await walk(page.getByRole('combobox', { name: 'Customer', exact: true }));
  await page.keyboard.type(`Key maker ${Math.random()}`);
  await page.keyboard.press('Tab');
  await put('Quantity', '7000');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();

  // Of a row of tabs the open one is in the order of Tab; arrows lead to the others.
  const compare = page.getByRole('tab', { name: 'Compare stocks and presses' });
  await walk(page.getByRole('tab', { selected: true }));
  for (let step = 0; step < 20 && !(await compare.evaluate((e) => e === document.activeElement)); step++)
    await page.keyboard.press('ArrowRight');
  await expect(compare).toBeFocused();
  await page.keyboard.press('Enter');
  await walk(page.getByRole('button', { name: 'Take it' }).first());
  await page.keyboard.press('Enter');
  await walk(page.getByRole('button', { name: 'Release …' }));
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await dialog.waitFor();
  const now = dialog.getByRole('button', { name: 'Release now' });
  for (const reason of await dialog.getByRole('textbox').all()) {
    await walk(reason);
    await page.keyboard.type('agreed with the customer');
  }
  await walk(now);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Released by Anselm Hardt/)).toBeVisible();
  await walk(page.getByRole('link', { name: 'Print ticket' }));
  const [ticket] = await Promise.all([page.context().waitForEvent('page'), page.keyboard.press('Enter')]);
  await ticket.close();
});
