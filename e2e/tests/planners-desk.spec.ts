import { readFileSync, writeFileSync } from 'node:fs';
import { expect, type Page, test } from '../house';
import { enterOrder, fill, release, signIn, type } from '../sign-in';

/* The planner's desk by visible words: one journey for each thing a planner does there. */

const saved = (page: Page): Promise<void> => expect(page.getByText('saved', { exact: true })).toBeVisible();
const view = (page: Page, name: string): Promise<void> => page.getByRole('tab', { name, exact: true }).click();
const number = async (page: Page): Promise<string> =>
  /^\d+/.exec((await page.locator('.title .soft').first().textContent())?.trim() ?? '')?.[0] ?? '';
/** Answers the dialog that asks for a few words. */
const because = async (page: Page, button: string, words: string): Promise<void> => {
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('textbox').fill(words);
  await dialog.getByRole('button', { name: button }).click();
  await expect(dialog).toHaveCount(0);
};
test('1 starts from anything: an old job, a tool number, what the customer had last, a file', async ({ page }, info) => {
  await signIn(page);
  await enterOrder(page, 'First edition');
  await saved(page);
  const old = await number(page);
  const href = (await page.getByRole('link', { name: 'Print draft' }).getAttribute('href')) ?? '';
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Same again …' }).click();
  await expect(page.getByText(`Same again as ${old}`)).toBeVisible();
  await expect(page.getByText(/^Kept: /)).toBeVisible();
  await page.getByLabel('times').fill('1.08');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Quantity, 10\s?800/ })).toBeVisible();
  await type(page, 'Product name', 'Second edition');
  await page.getByRole('button', { name: 'Enter order' }).click();
  await expect(page.getByText(`repeats ${old}`)).toBeVisible();
  await page.getByRole('button', { name: /^Print,/ }).click();
  await expect(page.getByLabel('New or repeat', { exact: true }).first()).toHaveValue('repeat');

  // What the customer had last.
  await page.goto('/orders/new');
  await page.getByRole('button', { name: 'Start from …' }).click();
  await page.getByRole('combobox', { name: 'Customer', exact: true }).fill('Customer of First edition');
  await page
    .getByRole('option', { name: /^Customer of First edition/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'What this customer had last' }).click();
  await expect(page.getByRole('button', { name: /Second edition$/ })).toBeVisible();
  await page.getByRole('button', { name: /First edition$/ }).click();
  await expect(page.getByText(`Same again as ${old}`)).toBeVisible();

  // A tool number: a job that used it.
  const job = /jobs\/([^/]+)/.exec(href)?.[1] ?? '';
  const file = (await (await page.request.get(`/api/jobs/${job}/job.json`)).json()) as Record<string, never>;
  const spec = JSON.parse(JSON.stringify(file)) as { name: string; products: { card: { wish: { foils?: object } } } };
  spec.name = 'Crested edition';
  spec.products.card.wish.foils = { crest: { name: 'crest', widthMm: 34, heightMm: 28, tool: 'F-031' } };
  const path = info.outputPath('job.json');
  writeFileSync(path, JSON.stringify(spec));
  await page.getByLabel('A job file (JSON or XML) …').setInputFiles(path);
  await expect(page.getByRole('button', { name: /^Product name, Crested edition/ })).toBeVisible();
  await page.getByRole('button', { name: 'Enter order' }).click();
  await saved(page);
  await page.goto('/orders/new');
  await page.getByRole('button', { name: 'Start from …' }).click();
  await page.getByRole('searchbox', { name: /number of a tool/ }).fill('F-031');
  await page.getByRole('button', { name: 'Find' }).click();
  await page
    .getByRole('button', { name: /Crested edition$/ })
    .first()
    .click();
  await expect(page.getByText(/tool F-031/)).toBeVisible();

  // A file that is none says which places are wrong.
  writeFileSync(path, JSON.stringify({ ...spec, name: '', schema: 2 }));
  await page.getByLabel('A job file (JSON or XML) …').setInputFiles(path);
  await expect(page.getByText('The file needs another look.')).toBeVisible();
  await expect(page.getByText(/name gives the product a name/)).toBeVisible();
});

test('1 makes orders of a CSV: what would be made is seen first, every bad row is named', async ({ page }, info) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Orders from a file' }).click();
  const path = info.outputPath('orders.csv');
  const good = Array.from({ length: 12 }, (_, i) => `Harbour office,Notice ${i + 1},folded-card,${2_000 + i},2030-12-03,210`);
  writeFileSync(
    path,
    ['customer,product,line,quantity,due,openWidthMm', ...good, 'Harbour office,Bad one,boat,many,2030-12-03,210'].join('\n'),
  );
  await page.getByLabel('Choose a file …').setInputFiles(path);
  await expect(page.getByRole('heading', { name: '12 of 13 rows become orders' })).toBeVisible();
  await expect(page.getByText('line 14')).toBeVisible();
  await expect(page.getByText(/is not a whole number/)).toBeVisible();
  await page.getByRole('button', { name: 'Make 12 orders' }).click();
  await expect(page.getByRole('heading', { name: '12 orders made' })).toBeVisible();
  await page.getByRole('link', { name: 'See the orders' }).click();
  await page.getByLabel('Find an order').fill('Notice 7');
  await expect(page.getByRole('link', { name: 'Notice 7' })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'As CSV' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toContain('Notice 7,Harbour office');
});

test('2 keeps alternatives beside the plan, compares where they differ, and chooses one', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Weighed card');
  await saved(page);
  await page.getByRole('tab', { name: 'Compare stocks and presses' }).click();
  await expect(page.getByRole('heading', { name: /^Other stocks/ })).toBeVisible();
  const row = page.getByRole('row').filter({ hasText: 'Keep beside' }).first();
  await row.getByRole('button', { name: 'Keep beside' }).click();
  await expect(page.getByRole('heading', { name: 'Plans of this job, and where they differ' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Choose this plan' })).toBeVisible();
  await page.getByRole('button', { name: 'Another plan …' }).click();
  await because(page, 'Make it', 'with a wider trim');
  await expect(page.getByText('plan “with a wider trim”')).toBeVisible();
  await type(page, 'Quantity', '12000');
  await saved(page);
  await expect(page.getByRole('columnheader', { name: /with a wider trim/ })).toBeVisible();
  await page.getByRole('link', { name: 'To the job' }).click();
  await expect(page.getByRole('button', { name: /^Quantity, 10\s?000/ })).toBeVisible();
  const plans = page.getByRole('region', { name: 'Plans' });
  if (!(await plans.isVisible())) await view(page, 'Plans');
  await expect(plans.getByText(/quantity: 10\s?000 → 12\s?000/)).toBeVisible();
  await plans.getByRole('button', { name: 'Choose this plan' }).last().click();
  await because(page, 'Choose this plan', 'the customer takes more');
  await expect(page.getByRole('button', { name: /^Quantity, 12\s?000/ })).toBeVisible();
  await expect(plans.getByRole('link', { name: /^as planned until/ })).toBeVisible();
});

test('3 waits at a gate: the ready date moves with it, the release is held until somebody says yes', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Proofed card');
  await saved(page);
  const ready = page.locator('footer > span', { hasText: 'ready by plan' });
  const before = await ready.textContent();
  await view(page, 'Gates');
  await page.getByRole('button', { name: 'Another gate' }).click();
  await expect(page.getByText('Blocks release: File proof v1: no answer from the customer')).toBeVisible();
  await saved(page);
  await expect(ready).not.toHaveText(before ?? '');
  await ready.getByRole('button').first().click();
  await expect(page.getByText(/It rests on: .*answer \(file proof v1\) by /)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Release …' }).click();
  await expect(page.getByText('These block the release')).toBeVisible();
  await page.getByRole('button', { name: 'Not yet' }).click();
  await page.getByRole('button', { name: 'Yes', exact: true }).click();
  await because(page, 'Yes to file proof v1', 'by telephone');
  await expect(page.getByText(/Anselm Hardt said yes: file proof v1/)).toBeVisible();
  await expect(page.getByText('no answer from the customer')).toHaveCount(0);
  await page.getByRole('button', { name: 'Take back' }).click();
  await because(page, 'Take back', 'that was another job');
  await expect(page.getByText('Blocks release: File proof v1: no answer from the customer')).toBeVisible();
  await page.getByRole('button', { name: 'Yes', exact: true }).click();
  await because(page, 'Yes to file proof v1', '');
  await expect(page.getByText('no answer from the customer')).toHaveCount(0);
  await release(page);
  await expect(page.getByText('Released by Anselm Hardt')).toBeVisible();
});

test('4 releases parts first, then the whole; revises with a reason; shows what differs and who did what', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Early card');
  await saved(page);
  await page.getByRole('button', { name: 'Release …' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'Some things first' }).click();
  await dialog.getByRole('checkbox', { name: /Ivory board/ }).check();
  await dialog.getByRole('button', { name: 'Release now' }).click();
  await expect(dialog).toHaveCount(0);
  await type(page, 'Quantity', '16000');
  await expect(page.getByText(/released early, and changed since/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/released early, and changed since/)).toHaveCount(0);
  await saved(page);
  await release(page);
  await expect(page.getByText('Released by Anselm Hardt')).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Revise …' }).click();
  await because(page, 'Revise', 'the customer wants more');
  await expect(page.getByRole('button', { name: 'Release the revision …' })).toBeVisible();
  await type(page, 'Quantity', '11000');
  await saved(page);
  await release(page, 'Release the revision …');
  await expect(page.getByText('Released by Anselm Hardt')).toBeVisible();
  await view(page, 'History');
  await page.getByRole('button', { name: 'against the one before' }).last().click();
  await expect(page.getByText(/^quantity: 10\s?000 → 11\s?000$/)).toBeVisible();
  await expect(page.getByText(/^to pull: /)).toBeVisible();
  await expect(page.getByText('opened for revision')).toBeVisible();
  await expect(page.getByText('“the customer wants more”')).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Mark as delivered …' }).click();
  await because(page, 'Delivered', 'two pallets');
  await page.getByRole('link', { name: 'Orders', exact: true }).first().click();
  await page.getByLabel('Find an order').fill('Early card');
  await expect(page.getByRole('heading', { name: 'Nothing found' })).toBeVisible();
  await page.getByRole('radio', { name: 'Delivered' }).click();
  await expect(page.getByRole('link', { name: 'Early card' })).toBeVisible();
});

test('5 sets a figure by hand with reason and end date; guesses carry their width to the totals', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Handset card');
  await page
    .locator('footer')
    .getByRole('button', { name: /EUR, show the working/ })
    .first()
    .click();
  const working = page.locator('dk-working');
  await expect(working.locator('.value')).toContainText('±');
  await page
    .locator('dk-count-river')
    .getByRole('button', { name: /^Print,/ })
    .click();
  await page.locator('dk-stone-panel dk-figure button').first().click();
  await working.getByRole('button', { name: 'Set by hand' }).click();
  await working.getByLabel(/^Instead/).fill('900');
  await working.getByLabel('Why').fill('counted last time');
  await working.getByLabel('Until').fill('1.1.2031');
  await working.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(working.getByText(/by hand by Anselm Hardt/i)).toBeVisible();
  await saved(page);
  await view(page, 'History');
  await expect(page.getByText(/set by hand, /).first()).toBeVisible();
});

test('6 delivers at two dates, and one job works for two orders that each add up', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Ferry tag A');
  await saved(page);
  const first = await number(page);
  const address = page.url();
  await enterOrder(page, 'Ferry tag B');
  await saved(page);
  const second = await number(page);
  await page.goto(address);
  await view(page, 'Deliveries');
  await type(page, 'Delivery 1, pieces of only', '6000');
  await expect(page.getByText(/4\s?000 still to place\./)).toBeVisible();
  await page.getByRole('button', { name: 'Another delivery' }).click();
  await expect(page.getByText('Adds up to what was ordered.')).toBeVisible();
  await fill(page, 'Delivery 2, to', 'Harbour office');
  await saved(page);
  await page.getByLabel('Number of the other job').fill(second);
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('link', { name: new RegExp(`^Order ${second}, `) })).toBeVisible();
  await expect(page.getByText('and 1 more')).toBeVisible();
  await page.getByRole('link', { name: new RegExp(`^Order ${first}, `) }).click();
  await expect(page.getByRole('heading', { name: `Order ${first}` })).toBeVisible();
  await expect(page.getByRole('cell', { name: 'as ordered', exact: true })).toBeVisible();
  await expect(page.getByRole('cell', { name: '2 orders together' })).toBeVisible();
  await expect(page.getByRole('cell', { name: 'Harbour office' })).toBeVisible();
});

test('7 counts a lot in, promises it to a job, notes what to order, and takes a wrong entry back', async ({ page }) => {
  await signIn(page, 'ilse', 'pallet-rack-51');
  await page.getByRole('link', { name: 'Stock' }).click();
  await page.getByRole('button', { name: /^Ivory board 300 g\/m², 52 × 72 cm/ }).click();
  await page.getByRole('button', { name: 'Count a new lot in' }).click();
  await page.getByLabel('Number of the lot').fill('L-9001');
  const form = page.locator('dk-stock-desk form');
  await form.getByLabel('sheets').fill('1200');
  await form.getByLabel('place').fill('rack B9');
  await form.getByRole('button', { name: 'Enter' }).click();
  await expect(page.getByRole('row', { name: /L-9001/ })).toContainText(/1\s?200/);
  const act = async (what: string, fields: Record<string, string>): Promise<void> => {
    await page.getByLabel('What to do with L-9001').selectOption(what);
    for (const [label, value] of Object.entries(fields)) await form.getByLabel(label).fill(value);
    await form.getByRole('button', { name: 'Enter' }).click();
  };
  await act('measure', { 'Measured caliper, µm': '411' });
  await expect(page.getByRole('row', { name: /L-9001/ })).toContainText('411 µm');
  await act('reserve', { sheets: '400' });
  await expect(page.getByRole('row', { name: /L-9001/ })).toContainText('400');
  await expect(page.getByText(/^400 of L-9001 to job/)).toBeVisible();
  await act('issue', { sheets: '5000' });
  await expect(page.getByText('So much of this lot is not there: recount it first.')).toBeVisible();
  await act('recount', { sheets: '1150', Note: 'counted by hand' });
  await expect(page.getByRole('row', { name: /L-9001/ })).toContainText(/1\s?150/);
  await page.getByRole('button', { name: 'What happened to L-9001' }).click();
  await page
    .getByRole('row', { name: /recount/ })
    .getByRole('button', { name: 'Take back' })
    .click();
  await expect(page.getByRole('row', { name: /^L-9001|What happened to L-9001/ }).first()).toContainText(/1\s?200/);
  await page.getByRole('button', { name: 'Note an order' }).click();
  await form.getByLabel('sheets').fill('3000');
  await form.getByLabel('Comes on').fill('2031-03-01');
  await form.getByRole('button', { name: 'Enter' }).click();
  await expect(page.getByText(/3\s?000, to come on 2031-03-01/)).toBeVisible();
  await page.getByRole('button', { name: 'Will not come' }).click();
  await expect(page.getByText(/to come on 2031-03-01/)).toHaveCount(0);
});

test('8 a closed day in the calendar moves the ready date of open jobs', async ({ page }) => {
  await signIn(page, 'runa', 'paper-river-25');
  await enterOrder(page, 'Holiday card');
  const job = page.url();
  const ready = page.locator('footer > span', { hasText: 'ready by plan' }).locator('button').first();
  const before = await ready.textContent();
  await page.goto('/settings/calendar');
  const column = page.locator('dk-calendar-card .top', { hasText: 'Closed days' });
  await column.getByRole('button', { name: 'Another' }).click();
  const today = new Date();
  const iso = (days: number): string => new Date(today.getTime() + days * 86_400_000).toISOString().slice(0, 10);
  await type(page, 'First day', iso(0));
  await type(page, 'Last day', iso(20));
  await page.getByRole('button', { name: 'See what it moves' }).click();
  await expect(page.getByText(/ready/).first()).toBeVisible();
  await page.getByLabel('Why').fill('works holiday');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText(/In force\./).first()).toBeVisible();
  await page.goto(job);
  await page.getByRole('button', { name: 'Plan it for the new ones' }).click();
  await expect(ready).not.toHaveText(before ?? '');
  // Back to what it was: other tests plan in this works too.
  await page.goto('/settings/calendar');
  await page.getByRole('button', { name: 'Take away' }).first().click();
  await page.getByRole('button', { name: 'See what it moves' }).click();
  await page.getByLabel('Why').fill('no holiday after all');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText(/In force\./).first()).toBeVisible();
});
