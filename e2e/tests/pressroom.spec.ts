import { expect, type Page, test } from '../house';
import { beginSetup, enterOrder, release, signIn, type } from '../sign-in';

/* Plates, ink and register by visible words: an ink from its sample to an accepted draw-down, the simulated press into register, plates made and kept, zones read. */

const SEPARATIONS = `${import.meta.dirname}/../../demo/separations`;
const jobOf = (page: Page): string => /jobs\/([^/?]+)/.exec(page.url())?.[1] ?? '';

test('an ink is matched, weighed, drawn down with the simulated instrument, corrected and accepted; until then the press waits', async ({
  page,
}) => {
  await signIn(page);
  await enterOrder(page, 'Moss card');
  await page.getByRole('tab', { name: 'Product', exact: false }).first().click();
  await type(page, 'Inks, front', 'K, moss green');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await expect(page.getByText('No accepted draw-down of moss green').first()).toBeVisible();
  await release(page);
  await expect(page.getByText(/^Released by/)).toBeVisible();

  // At the press: nothing begins.
  await page.goto('/terminal');
  await page.getByRole('button', { name: 'Press 3', exact: true }).click();
  await page.getByRole('button', { name: 'Odo Pressnig' }).click();
  for (const d of '3141') await page.getByRole('button', { name: d, exact: true }).click();
  await page.getByRole('button', { name: 'Sign on' }).click();
  await expect(page.getByRole('button', { name: /^(What comes|Read and signed)$/ }).first()).toBeVisible();
  while (await page.getByRole('button', { name: 'Read and signed' }).isVisible()) {
    await page.getByRole('button', { name: 'Read and signed' }).click();
    await page.waitForTimeout(300);
  }
  await page.getByRole('button', { name: 'What comes' }).click();
  await page.getByRole('button', { name: 'Moss card' }).first().click();
  await beginSetup(page);
  await expect(page.getByText('No accepted draw-down of moss green: the ink kitchen first.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Set up: run' })).toBeDisabled();
  await page.getByRole('button', { name: 'Finished…' }).click();
  await page.getByRole('button', { name: 'The step is finished' }).click();

  // In the kitchen.
  await page.goto('/kitchen');
  await page.getByRole('button', { name: /moss green.*Moss card/ }).click();
  await expect(page.getByText('The press waits for it.')).toBeVisible();
  for (const [name, value] of Object.entries({ 'L*': '55', 'a*': '-28', 'b*': '26' }))
    await page.getByLabel(name, { exact: true }).fill(value);
  await page.getByRole('button', { name: 'Take it as the sample' }).click();
  await page.getByRole('button', { name: 'Find recipes' }).click();
  await expect(page.getByText(/there may be a better one|there is no better one/)).toBeVisible();
  await page.getByRole('button', { name: 'Take it', exact: true }).first().click();
  await expect(page.getByText('trained people only')).toBeVisible();
  for (const row of await page.locator('dk-batch-panel tbody tr').all()) {
    const grams = ((await row.locator('b').textContent()) ?? '').replace(/[^\d.]/g, '');
    await row.getByLabel(/^Weighed of/).fill(grams);
    await row.getByLabel(/^Lot of/).fill('LOT-77');
  }
  await page.getByRole('button', { name: 'Write the batch down' }).click();
  await expect(page.getByRole('heading', { name: /^Draw-down of batch/ })).toBeVisible();
  const verdict = page.locator('.verdict');
  for (let turn = 0; turn < 5; turn++) {
    await page.getByRole('button', { name: 'Simulated spectrophotometer' }).click();
    await expect(page.getByRole('button', { name: 'Write it down' })).toBeEnabled();
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByRole('button', { name: 'Adjust the batch' })).toBeVisible();
    if (await page.getByRole('button', { name: 'Accept', exact: true }).isEnabled()) break;
    await page.getByRole('button', { name: 'What to add?' }).click();
    await expect(page.getByText(/^Add .* g of/).first()).toBeVisible();
    for (const lot of await page.locator('.answer').getByLabel('Lot').all()) await lot.fill('LOT-78');
    await page.getByRole('button', { name: 'Adjust the batch' }).click();
    await page.getByRole('button', { name: 'It was added' }).click();
    await expect(page.getByText('after draw-down').first()).toBeVisible();
  }
  await page.getByRole('button', { name: 'Accept', exact: true }).click();
  await expect(verdict).toContainText('The press may begin.');

  // A lot is found again.
  await page.getByRole('tab', { name: 'Lots', exact: true }).click();
  await page.getByLabel('Lot of a base ink').fill('LOT-77');
  await page.getByRole('button', { name: 'Where did it go?' }).click();
  await expect(page.getByRole('link', { name: /Moss card/ })).toBeVisible();
});

test('the simulated press comes into register: read, set as told, read again', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Register card');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await release(page);
  await expect(page.getByText(/^Released by/)).toBeVisible();
  const job = jobOf(page);
  await page.goto('/register');
  await page.getByLabel('Job and step').selectOption(`${job} card.card.print.front`);
  await expect(page.getByRole('heading', { name: 'No reading yet' })).toBeVisible();
  for (let turn = 1; turn <= 6; turn++) {
    await page.getByRole('button', { name: 'Next reading' }).click();
    await page.getByRole('button', { name: 'Simulated camera' }).click();
    await expect(page.getByText('a stand-in, no press is behind it')).toBeVisible();
    await page.getByRole('button', { name: 'Take this reading' }).click();
    await expect(page.getByRole('heading', { name: `Reading ${turn} against K` })).toBeVisible();
    if (await page.getByText('All colours in').isVisible()) break;
    await page.getByRole('button', { name: /^Set as told/ }).click();
    await expect(page.getByText('Set as told. Pull, and read again.')).toBeVisible();
  }
  await expect(page.getByText('All colours in')).toBeVisible();
  const turns = Number(/Reading (\d)/.exec((await page.getByRole('heading', { level: 1 }).textContent()) ?? '')?.[1]);
  expect(turns).toBeLessThanOrEqual(5);
  // Its sheets are set-up waste of the job.
  await expect(page.getByText('Waste so far').locator('..')).toContainText(String(20 * turns));

  await page.getByRole('link', { name: /^Practice press/ }).click();
  await page.getByRole('button', { name: 'Shifts only' }).click();
  await page.getByRole('button', { name: 'Set and pull 20 sheets' }).click();
  await page.getByRole('button', { name: 'Leave it as it is' }).click();
  await expect(page.getByText(/of 100 points$/)).toBeVisible();
});

test('plates are imaged by the simulated platesetter, checked, used and kept', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Plate card');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await release(page);
  await expect(page.getByText(/^Released by/)).toBeVisible();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Forms and plates' }).click();
  await expect(page.getByRole('heading', { name: 'Plate card' })).toBeVisible();
  const items = page.locator('.item');
  await expect(items).toHaveCount(5);
  while (await page.getByText('planned', { exact: true }).first().isVisible()) {
    const before = await items.filter({ hasText: 'planned' }).count();
    if (before === 0) break;
    await page.getByRole('button', { name: 'Image the next plate (simulated platesetter)' }).click();
    await expect(page.getByText('The simulated platesetter has imaged')).toBeVisible();
    await page.waitForTimeout(400);
  }
  await items.first().click();
  for (const [tone, value] of Object.entries({ 0: '0', 10: '10.3', 25: '25.5', 50: '50.8', 75: '75.4', 90: '90.2', 100: '100' }))
    await page.getByLabel(`Measured on the plate at ${tone} %`).fill(value);
  await expect(page.getByText('In calibration')).toBeVisible();
  await page.getByRole('button', { name: 'Write the check down' }).click();
  await expect(items.first()).toContainText('checked');
  await page.getByRole('button', { name: 'To the press' }).click();
  await expect(items.first()).toContainText('on press');
  await page.getByRole('button', { name: 'Into the store' }).click();
  await page.getByRole('tab', { name: 'Kept', exact: true }).click();
  await expect(page.locator('.item').first()).toContainText('stored');
  // A die that was made elsewhere is entered by hand; a job that is not there is said, and nothing typed is lost.
  await page.getByRole('button', { name: 'Enter a tool …' }).click();
  await page.getByLabel('Kind').selectOption('Screen');
  await page.getByLabel('What it carries').fill('gloss spots of the crest');
  await page.getByLabel('Place').fill('screen rack 1');
  await page.getByLabel('Made for job').fill('999999');
  const into = page.getByRole('dialog').getByRole('button', { name: 'Into the store' });
  await into.click();
  await expect(page.getByText('999999 is no job of the house')).toBeVisible();
  await page.getByLabel('Made for job').fill('');
  await into.click();
  await expect(page.getByRole('heading', { name: /^Screen S-\d+$/ })).toBeVisible();
  await expect(page.locator('dk-tool-desk')).toContainText('screen rack 1');
});

test('a separation is laid on the sheet zone by zone; one of other sides is refused by its size', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Zone card');
  const job = jobOf(page);
  await page.getByRole('button', { name: 'More' }).click();
  await page
    .getByRole('menuitem', { name: /^Ink zones/ })
    .first()
    .click();
  await expect(page.getByText('Drop a separation of this ink on its name.')).toBeVisible();
  await page.getByLabel('Choose a separation for K').setInputFiles(`${SEPARATIONS}/menu-k.png`);
  await expect(page.getByRole('alert')).toContainText('420 × 396 pixels');
  await page.goto(`/jobs/${job}`);
  await page.getByRole('tab', { name: 'Product', exact: false }).first().click();
  await type(page, 'Open width', '210');
  await type(page, 'Height', '198');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.goto(`/zones/${job}/card.card.print.front`);
  await page.getByLabel('Choose a separation for K').setInputFiles(`${SEPARATIONS}/menu-k.png`);
  await expect(page.getByText('menu-k.png')).toBeVisible();
  await expect(page.locator('svg .bar').first()).toBeAttached();
  // One PDF for all inks: its crease is none of the press's, its heaviest spot stands beside what the paper takes.
  await page.getByLabel('Choose a PDF for all inks').setInputFiles(`${SEPARATIONS}/menu.pdf`);
  await expect(page.getByText('does not print it: Crease.')).toBeVisible();
  await expect(page.getByText('menu.pdf')).toHaveCount(4);
  await expect(page.getByText(/^Heaviest spot \(circled\): 310 % of ink\. The paper takes 320 %\.$/)).toBeVisible();
  await page.getByRole('button', { name: 'Y', exact: true }).click();
  await expect(page.locator('svg image').first()).toHaveAttribute('href', /^data:image\/png/);
});
