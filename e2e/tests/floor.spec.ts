import { expect, type Page, test } from '../house';
import { atMachine, count, good, running, signOn } from '../at-machine';
import { enterOrder, release, signIn } from '../sign-in';

/* The floor by visible words: a step run at a terminal from sign-in to handover, the line cut in mid-run, and what the planner sees of it. */

test.use({ viewport: { width: 1024, height: 768 } });

/** A released job of line 1; gives its id. */
async function released(page: Page, title: string): Promise<string> {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page);
  await enterOrder(page, title);
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await release(page);
  await expect(page.getByText(/^Released by/)).toBeVisible();
  const job = /jobs\/([^/?]+)/.exec(page.url())?.[1] ?? '';
  await page.setViewportSize({ width: 1024, height: 768 });
  return job;
}
test('a step runs at a terminal of 1024 × 768 from sign-in to handover', async ({ page }) => {
  const job = await released(page, 'Floor card');
  await atMachine(page, 'Press 3');
  await page.getByRole('button', { name: 'Floor card' }).first().click();
  await expect(page.getByRole('heading', { name: 'Print, front' })).toBeVisible();
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await running(page, 'Floor card', '2200');

  // Waste with its reason, good pieces on a pile, samples.
  await page.getByRole('button', { name: 'Waste…' }).click();
  await page.getByRole('button', { name: 'setting up' }).click();
  await count(page, '200');
  await count(page, '500');
  await expect(good(page)).toHaveText('500');
  await expect(page.getByText('Lost: 200 setting up')).toBeVisible();
  await page.getByRole('button', { name: 'Samples' }).click();
  await count(page, '10');
  await expect(page.getByText('1 490 sheets at the machine')).toBeVisible();

  // A stop with its reason, and on.
  await page.getByRole('button', { name: 'Stop…' }).click();
  await page.getByRole('button', { name: 'blanket' }).click();
  await expect(page.getByText(/^Stands: blanket/)).toBeVisible();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText(/^Stands:/)).toHaveCount(0);

  // More than came in is asked about, and typed again.
  await count(page, '9000');
  await expect(page.getByText('That is 7 510 sheets more than came in. Why?')).toBeVisible();
  await page.getByRole('button', { name: 'Typed wrong: again' }).click();
  await page.getByRole('button', { name: 'New pile' }).click();
  await count(page, '900');
  await expect(good(page)).toHaveText('1 400');

  // The simulated counter says what it is; it takes the rest.
  await page.getByRole('button', { name: 'Simulated', exact: true }).click();
  await page.getByRole('button', { name: '600 times as fast' }).click();
  await page.getByRole('button', { name: 'Take counts from the simulated counter' }).click();
  await expect(page.getByText('simulated counter on')).toBeVisible();
  await page.getByRole('button', { name: 'Counts', exact: true }).click();
  await expect(page.getByText('simulated counter on')).toHaveCount(0);
  await expect(page.getByText('0 sheets at the machine', { exact: true })).toBeVisible();
  if (await page.getByRole('button', { name: 'Go on' }).isVisible()) await page.getByRole('button', { name: 'Go on' }).click();

  // Piles: the simulated scanner types the code of a flag; a pile is held and moved.
  await page.getByRole('button', { name: 'Simulated', exact: true }).click();
  await page
    .locator('dk-simulated-devices')
    .getByRole('button', { name: /· 500$/ })
    .click();
  await expect(page.locator('dk-pile-desk h2')).toContainText('500 sheets');
  await page.getByRole('button', { name: 'hold', exact: true }).click();
  await page.getByRole('button', { name: 'Move', exact: true }).click();
  await page.getByLabel('Where to?').fill('rack B4');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.locator('dk-pile-desk h2 + p')).toContainText('rack B4');

  await page.getByRole('button', { name: 'Counts', exact: true }).click();
  await page.getByRole('button', { name: 'Finished…' }).click();
  await page.getByRole('button', { name: 'The step is finished' }).click();
  await expect(page.getByRole('heading', { name: 'What comes' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Floor card' }).filter({ hasText: 'Print, back' })).toBeVisible();

  // What the shift leaves, read and signed by the next.
  await page.getByRole('button', { name: 'Handover' }).click();
  await expect(page.getByText(/^Held: pile/)).toBeVisible();
  await page.getByLabel('What else should be known').fill('feeder sucker 3 is worn');
  await page.getByRole('button', { name: 'Leave it for the next shift' }).click();
  await signOn(page, 'Mika Falzer', '2718');
  await expect(page.getByText('feeder sucker 3 is worn')).toBeVisible();
  await page.getByRole('button', { name: 'Read and signed' }).click();
  await expect(page.getByRole('heading', { name: 'What comes' })).toBeVisible();
  await expect(page.getByText('everything sent')).toBeVisible();

  // The planner's page of the job: balanced, with piles, waste and log; the counter marked as simulated.
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`/jobs/${job}`);
  await page.getByRole('tab', { name: 'Floor', exact: true }).click();
  await expect(page.getByText('Expected at the end')).toBeVisible();
  await expect(page.getByText('rack B4').first()).toBeVisible();
  await expect(page.getByText('simulated counter').first()).toBeVisible();
  await expect(page.locator('dk-floor-panel .level-close')).toHaveCount(0);
  await expect(page.getByText('heading for').first()).toBeVisible();
});

test('the line is cut in mid-run: a thousand entries are kept, sent when it is back, none lost and none twice', async ({
  page,
  context,
}) => {
  const job = await released(page, 'Offline card');
  await atMachine(page, 'Press 3');
  await running(page, 'Offline card', '2400');
  await count(page, '7');
  await expect(page.getByText('everything sent')).toBeVisible();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.ready.then((r) => r.active?.state))).toBe('activated');

  await context.setOffline(true);
  // Each is one press of a key and the loud button, as quick as a machine could.
  await page.evaluate(() => {
    for (let i = 0; i < 1_000; i++)
      for (const k of ['1', 'Enter']) document.dispatchEvent(new KeyboardEvent('keydown', { key: k, bubbles: true }));
  });
  await expect(good(page)).toHaveText('1 007');
  await expect(page.getByText('no line: 1 000 entries kept here')).toBeVisible();

  // The terminal is started again without the line: the program, the job and what was written are there.
  await page.reload();
  await signOn(page, 'Odo Pressnig', '3141');
  await page.getByRole('button', { name: 'Counts', exact: true }).click();
  await expect(good(page)).toHaveText('1 007');
  await page.getByRole('button', { name: 'Setup sheet' }).click();
  await expect(page.getByText('trained people only')).toBeVisible();
  await expect(page.getByText('no line: 1 000 entries kept here')).toBeVisible();

  await context.setOffline(false);
  await expect(page.getByText('everything sent')).toBeVisible();
  const floor = (await (await page.request.get(`/api/jobs/${job}/floor`)).json()) as { steps: { step: string; tally: { good: number } }[] };
  expect(floor.steps.find((s) => s.step.endsWith('.front'))?.tally.good).toBe(1_007);
  const csv = await (await page.request.get(`/api/jobs/${job}/log.csv`)).text();
  expect(csv.split('\n').filter((l) => l.includes(',good,')).length).toBe(1_001);
});

test.describe('a line that plays tricks', () => {
  test.use({ serviceWorkers: 'block' });
  test('an answer that is lost on the way is asked for again, and the entry is written once', async ({ page }) => {
    const job = await released(page, 'Lost answer card');
    await atMachine(page, 'Press 3');
    await running(page, 'Lost answer card', '2000');
    await expect(page.getByText('everything sent')).toBeVisible();
    let sent = 0;
    let isLost = true;
    await page.route('**/api/floor/entries', async (route) => {
      await route.fetch(); // the server has written it
      sent++;
      if (isLost) await route.abort('connectionreset');
      else await route.continue();
    });
    await count(page, '321');
    await expect(page.getByText(/^no line: \d entries kept here$/)).toBeVisible();
    isLost = false;
    await expect(page.getByText('everything sent')).toBeVisible();
    expect(sent).toBeGreaterThan(1);
    const floor = (await (await page.request.get(`/api/jobs/${job}/floor`)).json()) as {
      steps: { step: string; tally: { good: number } }[];
    };
    expect(floor.steps.find((s) => s.step.endsWith('.front'))?.tally.good).toBe(321);
  });

  test('an entry the server will not take stays in sight until somebody has seen it', async ({ page }) => {
    await released(page, 'Turned away card');
    await atMachine(page, 'Press 3');
    await running(page, 'Turned away card', '2000');
    await page.route('**/api/floor/entries', async (route) => {
      const { entries } = route.request().postDataJSON() as { entries: { id: string }[] };
      await route.fulfill({
        json: { accepted: [], refused: entries.map((e) => ({ id: e.id, says: 'The job is not here.' })), skewS: 0 },
      });
    });
    await count(page, '55');
    await page.getByRole('button', { name: /not taken$/ }).click();
    await expect(page.getByText('The job is not here.').first()).toBeVisible();
    await page.unroute('**/api/floor/entries');
    await page.reload();
    await signOn(page, 'Odo Pressnig', '3141');
    await expect(page.getByRole('button', { name: 'Counts', exact: true })).toBeVisible();
    await page.getByRole('button', { name: /not taken$/ }).click();
    await expect(page.getByRole('button', { name: 'Seen and noted' }).first()).toBeVisible();
    while (await page.getByRole('button', { name: 'Seen and noted' }).first().isVisible()) {
      await page.getByRole('button', { name: 'Seen and noted' }).first().click();
      await page.waitForTimeout(200);
    }
    await expect(page.getByRole('button', { name: /not taken$/ })).toHaveCount(0);
  });
});

test('the planner sees the floor move within two seconds, and rescues a job that will be short', async ({ page, browser }) => {
  const job = await released(page, 'Short card');
  const desk = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(desk);
  await desk.getByRole('link', { name: 'Floor', exact: true }).click();
  const press = desk.getByRole('region', { name: 'Press 3' });
  await atMachine(page, 'Press 3');
  await running(page, 'Short card', '2000');
  await expect(press).toContainText('Short card');
  await count(page, '432');
  await expect(press).toContainText('432 of');
  await page.getByRole('button', { name: 'Waste…' }).click();
  await page.getByRole('button', { name: 'register' }).click();
  await count(page, '1568');
  await page.getByRole('button', { name: 'Finished…' }).click();
  await page.getByRole('button', { name: 'The step is finished' }).click();

  await desk.goto(`/jobs/${job}`);
  await expect(desk.getByText('At this rate').first()).toBeVisible();
  await desk.getByRole('tab', { name: 'Floor', exact: true }).click();
  await expect(desk.getByText(/pieces will be short: what can be done/)).toBeVisible();
  await expect(desk.getByText('The press has finished this job.')).toBeVisible();
  await desk.locator('.option', { hasText: 'Top up digitally' }).getByRole('button', { name: 'Enter the child job' }).click();
  await expect(desk.getByRole('heading', { name: /topped up/ })).toBeVisible();
  await expect(desk.getByText('Toner press 1').first()).toBeVisible();
  await desk.goto(`/jobs/${job}`);
  await desk.getByRole('tab', { name: 'Floor', exact: true }).click();
  await expect(desk.getByText('of what is missing')).toBeVisible();
  await expect(desk.getByText(/pieces will be short/)).toHaveCount(0);

  // A mistake is taken back by a counter-entry with a reason.
  const line = desk.locator('.log tr', { hasText: '1 568' });
  await line.getByRole('button', { name: 'Take back' }).click();
  const dialog = desk.getByRole('dialog');
  await dialog.getByRole('textbox').fill('counted the wrong pile');
  await dialog.getByRole('button', { name: 'Take back' }).click();
  await expect(desk.locator('.log tr', { hasText: 'counted the wrong pile' })).toBeVisible();
  await expect(desk.locator('.log tr.gone', { hasText: '1 568' })).toBeVisible();
});

test('a wished certainty shows its price, and lays its reserve', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page);
  await enterOrder(page, 'Certain card');
  await page.getByRole('tab', { name: 'Risk', exact: true }).click();
  await expect(page.getByText(/From handbook allowances/)).toBeVisible();
  await expect(page.locator('apx-chart svg').first()).toBeVisible();
  await page.getByRole('button', { name: '99 %' }).click();
  await page.getByRole('button', { name: 'Lay this reserve' }).click();
  await expect(page.getByText('wish 99')).toBeVisible();
  await expect(page.getByText(/in reserve/).first()).toBeVisible();
  await page.getByLabel('other, %').fill('20');
  await page.keyboard.press('Tab');
  await expect(page.getByText('between 50 and 99.9 %')).toBeVisible();
});
