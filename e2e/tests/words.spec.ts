import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '../house';
import { enterOrder, release, signIn, type } from '../sign-in';

/*
 * The catalogue in a language that does not exist: every word a person sees stands between its marks, or is a name, a number, a unit or what
 * somebody typed. What stands there plain was written past the catalogue; what is cut off would be cut off in a longer language.
 */

const demo = (name: string): unknown => JSON.parse(readFileSync(`${import.meta.dirname}/../../demo/${name}.json`, 'utf8')) as unknown;
/** Names that people gave: of the plant, its machines and stocks, of persons and inks. */
const namesIn = (v: unknown): string[] =>
  typeof v === 'string' ? [v] : v !== null && typeof v === 'object' ? Object.values(v).flatMap(namesIn) : [];
const NAMES = [...namesIn(demo('plant')), ...namesIn(demo('first-start')), 'Druckerei', 'Pseudo card', 'Pier 3, Kestrel Bay'];

interface Seen {
  plain: string[];
  cut: string[];
}
/** Words on the page outside the marks, and texts that are cut off. Drawings and the line under a stone carry names and figures of the trade. */
const look = (page: Page, typed: string[]): Promise<Seen> =>
  page.evaluate(
    (names) => {
      const known = new Set(names);
      const UNITS = /^(mm|cm|m|kg|g\/m²|µm|h|min|s|d|%|mm\/s|EUR|EUR\/kg|an hour|up|of|n|in|lb|pt|x|×)$/;
      const MONTH = /^(Mon|Tue|Wed|Thu|Fri|Sat|Sun|Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec)$/;
      const plainWords = (text: string): string[] => {
        if (known.has(text.trim())) return [];
        // A sentence may be filled in with another one: from the inside out.
        let rest = text.replace(/Customer of Pseudo card[ \d.]*/g, ' ');
        for (let outer = ''; outer !== rest;) [outer, rest] = [rest, rest.replace(/⟦[^⟦⟧]*⟧/g, ' ')];
        for (const name of names) if (name.length > 3) rest = rest.split(name).join(' ');
        return (rest.match(/\p{L}[\p{L}/²]*/gu) ?? []).filter((w) => w.length > 1 && !known.has(w) && !UNITS.test(w) && !MONTH.test(w));
      };
      const plain = new Set<string>();
      const cut = new Set<string>();
      const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      while (walk.nextNode()) {
        const at = walk.currentNode.parentElement;
        const text = walk.currentNode.textContent ?? '';
        if (!at || at.closest('svg, script, style, noscript, [data-figures], input, textarea, kbd')) continue;
        const style = getComputedStyle(at);
        if (style.visibility === 'hidden' || at.getClientRects().length === 0) continue;
        if (plainWords(text).length > 0) plain.add(`${text.trim()}   <${at.tagName.toLowerCase()} ${at.className}>`);
        if (text.includes('⟦') && !at.closest('.said') && style.overflow !== 'visible' && at.scrollWidth > at.clientWidth + 1)
          cut.add(text.trim());
      }
      for (const el of document.querySelectorAll('[aria-label], [placeholder], [title]'))
        for (const name of ['aria-label', 'placeholder', 'title']) {
          const text = el.closest('svg, [data-figures]') ? '' : (el.getAttribute(name) ?? '');
          if (plainWords(text).length > 0) plain.add(`${name}: ${text}`);
        }
      if (document.documentElement.scrollWidth > window.innerWidth + 1) cut.add(`the page is ${document.documentElement.scrollWidth} wide`);
      return { plain: [...plain], cut: [...cut] };
    },
    [...NAMES, ...typed].sort((a, b) => b.length - a.length),
  );

test('no screen says anything past the catalogue, and none is too narrow for a longer language', async ({ page }) => {
  await signIn(page, 'runa', 'paper-river-25');
  await enterOrder(page, 'Pseudo print');
  await page.getByRole('tab', { name: 'Product', exact: false }).first().click();
  await type(page, 'Inks, front', 'K, C, moss green');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await release(page);
  await expect(page.getByText(/^Released by/)).toBeVisible();
  const printed = page.url();
  await enterOrder(page, 'Pseudo card');
  const job = page.url();
  await page.evaluate(() => localStorage.setItem('druckerei.words', 'pseudo'));
  // What other tests typed into the same database.
  const typed = await page.evaluate(async () => {
    const strings = (v: unknown): string[] =>
      typeof v === 'string' ? [v] : v !== null && typeof v === 'object' ? Object.values(v).flatMap(strings) : [];
    const read = async (path: string): Promise<unknown> => (await fetch(path)).json();
    const { rows } = (await read('/api/orders?rows=200')) as { rows: { title: string; customer: string }[] };
    return [
      ...rows.flatMap((r) => [r.title, r.customer]),
      ...strings(await read('/api/people')),
      ...strings(await read('/api/stock')),
      ...strings(await read('/api/plants/history')),
      ...strings(await read('/api/kitchen')),
      ...strings(await read('/api/register')),
      ...strings(await read('/api/tool-cards')),
      ...strings(await read(`/api/plants/${((await read('/api/plants/current')) as { hash: string }).hash}`)),
    ];
  });
  const found: Record<string, Seen> = {};
  const note = async (screen: string): Promise<void> => {
    await page.waitForTimeout(400);
    const seen = await look(page, typed);
    if (seen.plain.length + seen.cut.length > 0) found[screen] = seen;
  };
  await page.goto('/orders');
  // A long list holds only the rows in sight: this one is asked for.
  await page.getByRole('searchbox').fill('Pseudo card');
  await page.getByText('Pseudo card').first().waitFor();
  await note('orders');
  await page.goto('/orders/new');
  await page.locator('.made button').first().waitFor();
  await note('what is made');
  await page.locator('.made button').first().click();
  await page.locator('dk-count-river').waitFor();
  await note('new order');
  await page.goto(job);
  await page.locator('dk-count-river').waitFor();
  await note('job');
  const stones = page.locator('dk-count-river button.stone');
  for (let i = 0; i < (await stones.count()); i++) {
    await stones.nth(i).click();
    await note(`stone ${i + 1}`);
  }
  await page.locator('footer dk-figure button').first().click();
  await note('working');
  await page.keyboard.press('Escape');
  for (const key of ['l', 'g', 'c', '?']) {
    await page.keyboard.press(key);
    await page.waitForTimeout(600);
    await note(`job, key ${key}`);
    if (key === '?') await page.keyboard.press('Escape');
  }
  const views = ['Product', 'Floor', 'Risk', 'When', 'Plans', 'Gates', 'Deliveries', 'History'];
  for (const name of ['Floor', 'Risk', 'Plans', 'Gates', 'Deliveries', 'History']) {
    await page.goto(job);
    await page.locator('dk-count-river').waitFor();
    await page.locator('.strip dk-views a').nth(views.indexOf(name)).click();
    if (name === 'Gates') await page.locator('dk-gates-panel button.mat-mdc-button').first().click();
    await note(`job, ${name}`);
  }
  await page.locator('.head button.mat-mdc-outlined-button').nth(1).click();
  await note('job, more');
  await page.keyboard.press('Escape');
  await page.goto('/stock');
  await page.locator('dk-stock-desk').waitFor();
  await note('stock');
  await page.locator('dk-stock-desk .top button.mat-mdc-button').first().click();
  await note('stock, a new lot');
  await page.goto('/board');
  await page.locator('dk-board-drawing .scroll').focus();
  await page.keyboard.press('ArrowRight');
  await note('board');
  await page.goto('/floor');
  await page.locator('section.machine').first().waitFor();
  await note('floor');
  await page.goto('/logbook');
  await page.locator('main').waitFor();
  await note('logbook');
  for (const view of ['losses', 'stops', 'promises']) {
    await page.goto(`/logbook?view=${view}`);
    await page.locator('dk-logbook-pictures .filter').waitFor();
    await note(`logbook, ${view}`);
  }
  await page.goto('/stock?view=cover');
  await page.locator('dk-cover-picture').waitFor();
  await note('stock, cover');
  await page.goto('/tools');
  await page.locator('.head dk-views a').nth(1).click();
  await page.locator('dk-tool-desk').waitFor();
  await note('tools');
  await page.goto('/kitchen');
  await page.locator('dk-ink-desk').waitFor({ timeout: 10_000 });
  await note('kitchen');
  const lab = page.locator('dk-measure-field input.mat-mdc-input-element');
  for (const [i, value] of ['55', '-28', '26'].entries()) await lab.nth(i).fill(value);
  await page.locator('dk-sample-panel button.mat-mdc-unelevated-button').click();
  await page.locator('dk-match-panel').waitFor({ timeout: 10_000 });
  await note('kitchen, recipe');
  for (let view = 1; view < 5; view++) {
    await page.locator('.head dk-views a').nth(view).click();
    await note(`kitchen, view ${view + 1}`);
  }
  await page.goto('/register');
  await page.locator('dk-register-page main').waitFor({ timeout: 10_000 });
  await note('register');
  await page.locator('.head button.mat-mdc-unelevated-button').click();
  await note('register, next reading');
  await page.goto('/register/practice');
  await page.locator('.choices button').first().click();
  await note('practice');
  await page.goto(`/zones/${printed.split('/').at(-1) ?? ''}/card.card.print.front`);
  await page.locator('dk-zones-page main').waitFor();
  await note('zones');
  await terminal(page, note);
  await page.goto('/orders/import');
  await note('import');
  await page.goto('/orders/new');
  await page.locator('dk-count-river').waitFor();
  await page.locator('.head button.mat-mdc-outlined-button').first().click();
  await note('new order, start from');
  for (const section of ['machines', 'stocks', 'losses', 'practice', 'calendar', 'people', 'history']) {
    await page.goto(`/settings/${section}`);
    await page.locator('main').waitFor();
    await note(`settings, ${section}`);
  }
  // The look itself sees both faults.
  await page.evaluate(() => {
    const box = Object.assign(document.createElement('p'), { textContent: '⟦far tóó lóng for so narrow a place⟧' });
    box.style.cssText = 'width: 20px; overflow: hidden; white-space: nowrap';
    document.body.append('past the catalogue', box);
  });
  expect(await look(page, typed)).toEqual({
    plain: [expect.stringContaining('past the catalogue')],
    cut: ['⟦far tóó lóng for so narrow a place⟧'],
  });
  await page.evaluate(() => localStorage.removeItem('druckerei.words'));
  expect(found).toEqual({});
});

/** A machine's terminal, screen by screen. */
async function terminal(page: Page, note: (screen: string) => Promise<void>): Promise<void> {
  await page.goto('/terminal');
  await page.locator('dk-choose-machine .choices button').first().waitFor();
  await note('terminal, which machine');
  await page.getByRole('button', { name: 'Press 3', exact: true }).click();
  await page.locator('dk-sign-on .choices button').first().waitFor();
  await note('terminal, who');
  await page.getByRole('button', { name: 'Odo Pressnig' }).click();
  await note('terminal, PIN');
  for (const d of '3141') await page.getByRole('button', { name: d, exact: true }).click();
  await page.locator('dk-sign-on button.mat-mdc-unelevated-button').click();
  await page.locator('dk-terminal-page nav, dk-read-handover').first().waitFor();
  while (await page.locator('dk-read-handover button.mat-mdc-unelevated-button').isVisible()) {
    await note('terminal, handover');
    await page.locator('dk-read-handover button.mat-mdc-unelevated-button').click();
    await page.waitForTimeout(300);
  }
  for (const i of [0, 2, 3, 4]) {
    await page.locator('dk-terminal-page nav button').nth(i).click();
    await note(`terminal, screen ${i}`);
  }
  await page.locator('dk-terminal-page nav button').first().click();
  const step = page.locator('dk-queue-list .line').first();
  if (!(await step.isVisible())) return;
  await step.click();
  await note('terminal, step');
}
