import { clean } from '../clean';
import { expect, test } from '../house';
import { beginSetup, enterOrder, fill, newOrder, release, signIn, type } from '../sign-in';

test('every screen is clean for axe, light and dark', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Password').waitFor();
  await clean(page);
  await signIn(page);
  await clean(page);
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await page.getByRole('heading', { name: 'Can be released' }).waitFor();
  await clean(page);
  await page.getByRole('link', { name: 'Orders', exact: true }).click();
  await page
    .getByRole('link', { name: /^New order/ })
    .first()
    .click();
  await page.getByRole('heading', { name: 'What is to be made?' }).waitFor();
  await clean(page);
  await page.getByRole('button', { name: /Card or leaflet/ }).click();
  await page.getByRole('button', { name: /^Stock,/ }).waitFor();
  await clean(page);
  await enterOrder(page, 'Axe card');
  await clean(page);
  for (const stone of ['Stock', 'Plates', 'Print', 'Cut', 'Score and fold', 'Band', 'Pack'])
    await page.getByRole('button', { name: new RegExp(`^${stone},`) }).click();
  await clean(page);
  await page.getByRole('tab', { name: 'When', exact: true }).click();
  await clean(page);
  for (const view of ['Floor', 'Risk', 'Plans', 'Gates', 'Deliveries', 'History']) {
    await page.getByRole('tab', { name: view, exact: true }).click();
    if (view === 'Gates') await page.getByRole('button', { name: 'Another gate' }).click();
    await clean(page);
  }
  await page.getByRole('tab', { name: 'Gates', exact: true }).click();
  await page.getByRole('button', { name: 'Take away' }).click();
  await page.getByRole('button', { name: 'As a list' }).click();
  await clean(page);
  await page.getByRole('contentinfo', { name: 'Totals' }).getByRole('button').first().click();
  await clean(page);
  await page.getByRole('button', { name: 'Release …' }).click();
  await page.getByRole('heading', { name: 'Release the whole job' }).waitFor();
  await clean(page);
  await page.getByRole('radio', { name: 'Some things first' }).click();
  await clean(page);
  await page.getByRole('button', { name: 'Not yet' }).click();
  await page.getByRole('link', { name: 'Stock' }).click();
  await page.getByRole('button', { name: 'Count a new lot in' }).click();
  await clean(page);
  await page.goto('/orders/import');
  await page.getByRole('heading', { name: 'How a file looks' }).waitFor();
  await clean(page);
});

test('a carton folded up, and a die file asked for, are clean for axe, light and dark', async ({ page }) => {
  await signIn(page);
  await newOrder(page, 'Folding carton');
  await type(page, 'Product name', 'Axe carton');
  await fill(page, 'Customer', `Axe ${Math.random()}`);
  await page.getByRole('button', { name: 'Enter order' }).click();
  await page.getByRole('tab', { name: 'Fold-up' }).click();
  await page.getByText('Every panel meets where it should.').waitFor();
  await clean(page);
  await page.getByRole('button', { name: 'Die line from a file …' }).click();
  await clean(page);
  await page.getByRole('button', { name: /^Die-cut,/ }).click();
  await clean(page);
});

test('the settings are clean for axe, light and dark', async ({ page }) => {
  await signIn(page, 'runa', 'paper-river-25');
  await page.getByRole('button', { name: 'Runa Tormeel, menu' }).click();
  await page.getByRole('menuitem', { name: 'Settings' }).click();
  for (const section of ['Machines', 'Stocks', 'Carton styles', 'Losses', 'Practice', 'Calendar', 'People', 'Changes so far']) {
    await page.getByRole('tab', { name: section }).click();
    await page.getByRole('main').waitFor();
    await clean(page);
  }
  await page.getByRole('tab', { name: 'Machines' }).click();
  await page.getByRole('button', { name: /^Press 3/ }).click();
  await type(page, 'Rate while running', '241');
  await clean(page);
  await page.getByRole('button', { name: 'Take all back' }).click();
});

test('the floor, the logbook and a terminal are clean for axe, light and dark', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Floor axe');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await release(page);
  for (const screen of ['Board', 'Floor', 'Logbook']) {
    await page.getByRole('link', { name: screen, exact: true }).click();
    await page.getByRole('main').waitFor();
    await clean(page);
  }
  for (const view of ['Losses and speeds', 'Stops and waste', 'Promised and delivered']) {
    await page.getByRole('tab', { name: view }).click();
    await page.getByRole('search', { name: 'Which jobs' }).waitFor();
    await clean(page);
  }
  await page.goto('/stock?view=cover');
  await page.getByRole('heading', { name: 'For how many weeks the free stock lasts' }).waitFor();
  await clean(page);
  await page.goto('/terminal');
  await page.getByRole('button', { name: 'Folder 2', exact: true }).click();
  await clean(page);
  await page.getByRole('button', { name: 'Mika Falzer' }).click();
  await clean(page);
  for (const d of '2718') await page.getByRole('button', { name: d, exact: true }).click();
  await page.getByRole('button', { name: 'Sign on' }).click();
  await page.locator('dk-terminal-page nav, dk-read-handover').first().waitFor();
  while (await page.getByRole('button', { name: 'Read and signed' }).isVisible()) {
    await page.getByRole('button', { name: 'Read and signed' }).click();
    await page.waitForTimeout(300);
  }
  for (const screen of ['What comes', 'Piles', 'Handover', 'Simulated']) {
    await page.getByRole('button', { name: screen, exact: true }).click();
    await clean(page);
  }
  await page.getByRole('button', { name: 'What comes' }).click();
  await page.getByRole('button', { name: 'Floor axe' }).click();
  await clean(page);
  await beginSetup(page);
  await clean(page);
  await page.getByRole('button', { name: 'Waste…' }).click();
  await clean(page);
  await page.getByRole('button', { name: 'Pile in…' }).click();
  await clean(page);
});

test('text on the river keeps a contrast of 4.5 in both themes', async ({ page }) => {
  await signIn(page);
  for (const theme of ['light', 'dark']) {
    const ratio = await page.evaluate((t) => {
      document.documentElement.dataset['theme'] = t;
      const style = getComputedStyle(document.documentElement);
      const light = (name: string): number => {
        const hex = style.getPropertyValue(name).trim().slice(1);
        const [r = 0, g = 0, b = 0] = [0, 2, 4].map((i) => {
          const c = parseInt(hex.slice(i, i + 2), 16) / 255;
          return c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
        });
        return 0.2126 * r + 0.7152 * g + 0.0722 * b;
      };
      const [a, b] = [light('--ink'), light('--river')];
      return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
    }, theme);
    expect(ratio).toBeGreaterThan(4.5);
  }
});

test('tools, kitchen, zones, register and practice are clean for axe, light and dark', async ({ page }) => {
  await signIn(page, 'runa', 'paper-river-25');
  await enterOrder(page, 'Press axe');
  await page.getByRole('tab', { name: 'Product', exact: false }).first().click();
  await type(page, 'Inks, front', 'K, C, moss green');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await release(page);
  await expect(page.getByText(/^Released by/)).toBeVisible();
  const job = /jobs\/([^/?]+)/.exec(page.url())?.[1] ?? '';
  await page.goto('/tools');
  await page.locator('dk-tool-desk').waitFor();
  await clean(page);
  await page.goto('/kitchen');
  await page.locator('dk-ink-desk').waitFor();
  await clean(page);
  for (const view of ['Pails', 'Library', 'Aims', 'Lots']) {
    await page.getByRole('tab', { name: view, exact: true }).click();
    await clean(page);
  }
  await page.goto('/register');
  await page.getByRole('main').waitFor();
  await clean(page);
  await page.getByRole('button', { name: 'Next reading' }).click();
  await clean(page);
  await page.goto('/register/practice');
  await page.getByRole('button', { name: 'Shifts only' }).click();
  await clean(page);
  await page.goto(`/zones/${job}/card.card.print.front`);
  await page.getByRole('main').waitFor();
  await clean(page);
});
