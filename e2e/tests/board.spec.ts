import { expect, type Page, test } from '../house';
import { enterOrder, release, signIn } from '../sign-in';

/* The board by visible words: what is released lies on it, is moved by hand with its effect told first, and a better order is looked for and taken. */

async function released(page: Page, title: string): Promise<void> {
  await enterOrder(page, title);
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await release(page);
  await expect(page.getByText(/^Released by/)).toBeVisible();
}
/** The bar that is chosen, as it is told. */
const told = (page: Page) => page.locator('#board-chosen');

test('released work lies on the board; a bar is moved with its effect told first, and undone; a better order is found and taken', async ({
  page,
}) => {
  await signIn(page);
  await released(page, 'Board card one');
  await released(page, 'Board card two');
  await page.getByRole('link', { name: 'Board', exact: true }).click();
  await expect(page.getByText(/Laid by the rules of dispatch|^Version \d+/)).toBeVisible();

  // A search is taken, so that there is a version.
  await page.getByRole('button', { name: 'Look for a better order' }).click();
  const search = page.getByRole('region', { name: 'Look for a better order' }).or(page.locator('.search'));
  await expect(search.first()).toContainText(/Found:|No better order/, { timeout: 60_000 });
  const take = page.getByRole('button', { name: 'Take it' });
  if (await take.isVisible()) {
    await take.click();
    await expect(page.getByText(/^Version \d+, found by a search, taken by Anselm/)).toBeVisible();
  }

  // Walk to a bar of the second card on the press, by keys alone.
  const drawing = page.getByRole('group', { name: 'Machines and their work' });
  await drawing.focus();
  for (const key of ['ArrowDown', 'ArrowUp'])
    for (let i = 0; i < 30 && !(await told(page).textContent())?.includes('Press 3'); i++) await page.keyboard.press(key);
  await expect(told(page)).toContainText('Press 3');
  for (let i = 0; i < 40 && !/Board card (one|two)/.test((await told(page).textContent()) ?? ''); i++)
    await page.keyboard.press('ArrowRight');
  await expect(told(page)).toContainText(/Board card (one|two)/);

  // Where there is a place behind it or before it, the effect is told, then it is moved.
  const later = page.getByRole('button', { name: 'Behind the one behind it' });
  const sooner = page.getByRole('button', { name: 'Before the one before it' });
  await ((await later.isVisible()) ? later : sooner).click();
  await expect(page.getByText(/change-overs [+−]?\d+ (s|min|h)/)).toBeVisible();
  await page.getByRole('button', { name: 'Move it' }).click();
  await expect(page.getByText(/^Version \d+, moved by hand by Anselm/)).toBeVisible();
  const version = async (): Promise<number> =>
    Number(/^Version (\d+)/.exec((await page.getByText(/^Version \d+/).textContent()) ?? '')?.[1]);
  const moved = await version();
  if (moved > 1) {
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText(new RegExp(`^Version ${moved + 1}, gone back to by Anselm`))).toBeVisible();
  }

  // A month fits, and a job is found among the others.
  await page.getByRole('radio', { name: 'Week' }).click();
  await page.getByRole('searchbox', { name: 'Find a job' }).fill('card two');
  await page.reload();
  expect(await version()).toBeGreaterThanOrEqual(moved);
});

test('two planners: who was second is told that the board moved on, and sees it', async ({ page, browser }) => {
  await signIn(page);
  await released(page, 'Board card three');
  const version = async (): Promise<number> => ((await (await page.request.get('/api/board')).json()) as { nr: number }).nr;
  await page.getByRole('link', { name: 'Board', exact: true }).click();
  const drawing = page.getByRole('group', { name: 'Machines and their work' });
  await drawing.focus();
  const nr = await version();
  const { bars } = (await (await page.request.get('/api/board')).json()) as { bars: { work: string; machine: string; runs: boolean }[] };
  const press = bars.filter((b) => b.machine === 'press3' && !b.runs);
  expect(press.length).toBeGreaterThan(1);
  const other = await (await browser.newContext({ baseURL: new URL(page.url()).origin })).newPage();
  await signIn(other);
  const move = { base: nr, work: press[0]?.work, beside: press[1]?.work, side: 'behind' };
  const post = (who: Page) => who.request.post('/api/board/move', { data: move, headers: { 'sec-fetch-site': 'same-origin' } });
  const first = await post(other);
  // What needs another first cannot stand behind it: then the two stay.
  if (first.status() === 200) {
    expect((await post(page)).status()).toBe(409);
    await expect(page.getByText(new RegExp(`^Version ${nr + 1}, moved by hand by Anselm`))).toBeVisible();
  } else expect(first.status()).toBe(409);
});
