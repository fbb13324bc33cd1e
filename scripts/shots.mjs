// npm run shots: the pictures of docs/screenshots, from the demo data with the clock standing still.
import { createRequire } from 'node:module';
import { Cluster } from './lib/cluster.mjs';
import { ensureBuilt } from './lib/build.mjs';
import { loadDemo } from './lib/demo.mjs';
import { ensureChromium, ensurePackages } from './lib/packages.mjs';
import { freePort, ROOT } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';

const CLOCK = '2026-11-24T08:00:00Z';

await main(async () => {
  ensurePackages();
  const executablePath = ensureChromium();
  ensureBuilt();
  const cluster = await new Cluster('shots', 0, { fast: true }).start();
  cluster.dropDatabase('druckerei_shots');
  const urls = cluster.database('druckerei_shots');
  const port = await freePort();
  const server = startServer({
    PORT: String(port),
    DATABASE_URL: urls.app,
    OWNER_DATABASE_URL: urls.owner,
    FIRST_START: `${ROOT}/demo/first-start.json`,
    DEMO: '1',
    LOG_LEVEL: 'error',
    CLOCK,
  });
  try {
    await server.ready;
    const base = `http://127.0.0.1:${port}`;
    await loadDemo(base, { now: new Date(CLOCK) });
    const { chromium } = createRequire(`${ROOT}/e2e/package.json`)('@playwright/test');
    const browser = await chromium.launch({
      executablePath,
      args: ['--no-sandbox', '--disable-gpu', '--font-render-hinting=none', '--disable-background-networking'],
    });
    /** The settings, seen by the person who keeps them. */
    const settings = async (page, shot) => {
      await page.getByRole('button', { name: 'Anselm Hardt, menu' }).click();
      await page.getByRole('menuitem', { name: 'Sign out' }).click();
      await page.getByLabel('Name').fill('runa');
      await page.getByLabel('Password').fill('paper-river-25');
      await page.getByRole('button', { name: 'Sign in' }).click();
      await page.getByRole('button', { name: 'Runa Tormeel, menu' }).click();
      await page.getByRole('menuitem', { name: 'Settings' }).click();
      await page.getByRole('button', { name: /^Press 3/ }).click();
      await shot('settings-machines');
      await page.getByRole('button', { name: /^Rate while running/ }).click();
      await page.getByRole('textbox', { name: 'Rate while running' }).fill('240');
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: 'See what it moves' }).click();
      await page.getByText(/open jobs move/).waitFor();
      await page.getByRole('button', { name: 'Take all back' }).click();
      await page.getByRole('tab', { name: 'Losses' }).click();
      await page.getByRole('button', { name: /^Offset/ }).click();
      await page.getByLabel('School in force').selectOption('table');
      await page.getByRole('button', { name: /^Lost for 1.000 good/ }).click();
      await page.getByRole('textbox', { name: /^Lost for 1.000 good/ }).fill('320');
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: 'Take all back' }).click();
    };
    /** A terminal as a tablet at the press shows it. */
    const terminal = async () => {
      const page = await (
        await browser.newContext({
          viewport: { width: 1024, height: 768 },
          locale: 'en-GB',
          timezoneId: 'Europe/Berlin',
          reducedMotion: 'reduce',
        })
      ).newPage();
      // From then on it goes: what waits until nobody types any more would wait for ever on a clock that stands.
      await page.clock.install({ time: new Date(CLOCK) });
      await page.goto(`${base}/terminal`);
      await page.getByLabel('Name').fill('odo');
      await page.getByLabel('Password').fill('ink-and-water-3');
      await page.getByRole('button', { name: 'Sign in' }).click();
      await page.getByRole('button', { name: 'Press 3', exact: true }).click();
      await page.getByRole('button', { name: 'Odo Pressnig' }).click();
      for (const d of '3141') await page.getByRole('button', { name: d, exact: true }).click();
      await page.getByRole('button', { name: 'Sign on' }).click();
      await page.getByText('of 2 563 wanted').waitFor();
      await page.screenshot({ path: `${ROOT}/docs/screenshots/terminal-run.png` });
      say('terminal-run');
      await page.close();
    };
    const page = await (
      await browser.newContext({
        viewport: { width: 1280, height: 800 },
        locale: 'en-GB',
        timezoneId: 'Europe/Berlin',
        reducedMotion: 'reduce',
      })
    ).newPage();
    // From then on it goes: what waits until nobody types any more would wait for ever on a clock that stands.
    await page.clock.install({ time: new Date(CLOCK) });
    const shot = async (name) => {
      await page.getByText('Asking the board').first().waitFor({ state: 'hidden' });
      await page.waitForTimeout(500);
      await page.screenshot({ path: `${ROOT}/docs/screenshots/${name}.png` });
      say(name);
    };
    /** An order found in the list: it holds more than fit on a screen. */
    const open = async (title) => {
      await page.getByRole('link', { name: 'Orders', exact: true }).first().click();
      await page.getByRole('searchbox').fill(title);
      await page.getByRole('link', { name: title }).first().click();
    };
    await page.goto(base);
    await page.getByLabel('Password').waitFor();
    await page.getByLabel('Name').fill('anselm');
    await page.getByLabel('Password').fill('paper-river-24');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('heading', { name: 'Can be released' }).waitFor();
    await shot('today');
    await page.getByRole('link', { name: 'Orders', exact: true }).click();
    await page.getByRole('link', { name: 'Winter concert card' }).waitFor();
    await shot('orders');
    await page.getByRole('link', { name: 'Winter concert card' }).click();
    await page.getByRole('button', { name: /^Stock,/ }).click();
    for (const [stone, name] of [['Print', 'job-print']]) {
      await page.getByRole('button', { name: new RegExp(`^${stone},`) }).click();
      await shot(name);
    }
    await page.getByRole('tab', { name: 'Compare stocks and presses' }).click();
    await page.getByRole('button', { name: 'Close', exact: true }).first().waitFor();
    await page.getByRole('link', { name: 'Orders', exact: true }).click();
    await page
      .getByRole('link', { name: /^New order/ })
      .first()
      .click();
    await page.getByRole('button', { name: /Card or leaflet/ }).click();
    await page.getByRole('button', { name: /^Stock,/ }).waitFor();
    await shot('new-order');
    await open('Labels for the spring cheese');
    await page.getByRole('button', { name: /^Print,/ }).click();
    await shot('labels-web');
    for (const [order, view, name] of [['Poster, radio play 7', 'Plans', 'job-plans']]) {
      await open(order);
      await page.getByRole('tab', { name: view, exact: true }).click();
      await page.waitForTimeout(1_000);
      await shot(name);
    }
    await open('Tea carton, harbour blend');
    await page.getByRole('button', { name: /^Die-cut,/ }).click();
    await page.getByRole('tab', { name: 'Fold-up' }).click();
    await page.getByRole('slider').waitFor();
    await page.waitForTimeout(1_000);
    await shot('fold-up');
    await open('Radio plays, autumn');
    await page.getByRole('tab', { name: 'Gang' }).click();
    await page.getByRole('region', { name: 'Form B' }).waitFor();
    await page.waitForTimeout(1_000);
    await shot('gang');
    await open('Ferry timetable, summer');
    await page.getByRole('tab', { name: 'Sections' }).click();
    await page.getByRole('slider').waitFor();
    await page.getByRole('slider').fill('1');
    await page.waitForTimeout(1_000);
    await shot('sections');
    for (const [order, view, name] of [['Harvest supper menu', 'Floor', 'job-floor']]) {
      await open(order);
      await page.getByRole('tab', { name: view, exact: true }).click();
      await page.waitForTimeout(1_500);
      await shot(name);
    }
    await page.getByRole('link', { name: 'Floor', exact: true }).click();
    await page.getByRole('heading', { name: 'Press 3' }).waitFor();
    await shot('floor');
    await terminal();
    await page.getByRole('link', { name: 'Stock', exact: true }).click();
    await page.getByRole('heading', { name: 'Lots' }).waitFor();
    await shot('store');
    await page.getByRole('link', { name: 'Logbook', exact: true }).click();
    await page.getByRole('tab', { name: 'Losses and speeds' }).click();
    await page.locator('apx-chart svg').nth(5).waitFor();
    await shot('logbook');
    await page.getByRole('link', { name: 'Tools', exact: true }).click();
    await page.locator('dk-tool-desk').waitFor();
    await page.getByRole('searchbox').fill('2413');
    await page.getByRole('button', { name: /^P-1021/ }).click();
    for (const [tone, value] of Object.entries({ 0: '0', 10: '10.6', 25: '26.1', 50: '51.2', 75: '75.9', 90: '90.3', 100: '100' }))
      await page.getByLabel(`Measured on the plate at ${tone} %`).fill(value);
    await shot('tools');
    await page.getByRole('link', { name: 'Ink kitchen' }).click();
    await page.getByRole('button', { name: /^bronze.*2406/ }).click();
    await page.getByRole('button', { name: 'Find recipes' }).click();
    await page.getByRole('button', { name: 'Take it', exact: true }).first().waitFor();
    await shot('kitchen');
    await page.getByRole('link', { name: 'Register desk' }).click();
    await page.getByText('Fit and what to set').waitFor();
    await page.waitForTimeout(800);
    await shot('register');
    await page.getByRole('link', { name: 'Board', exact: true }).click();
    await page.getByRole('group', { name: 'Machines and their work' }).focus();
    for (const key of ['ArrowRight', 'ArrowRight']) await page.keyboard.press(key);
    await page.waitForTimeout(800);
    await shot('board');
    await settings(page, shot);
    await browser.close();
  } finally {
    await server.stop();
    cluster.stop();
  }
});
