import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { atMachine, count, good, running } from '../at-machine';
import { expect, test } from '../house';
import { fill, newOrder, release, signIn, type } from '../sign-in';

test('a sewn hardcover from order to ticket: other sections chosen where they are gathered, a flat back where it is rounded, templates and cut lists taken out', async ({
  page,
}) => {
  await signIn(page);
  await newOrder(page, 'Sewn hardcover');
  await type(page, 'Product name', 'Fen birds');
  await fill(page, 'Customer', `Fen readers ${Math.random()}`);
  await type(page, 'Quantity', '2000');
  await type(page, 'Width', '105');
  await type(page, 'Height', '150');
  await type(page, 'Pages', '256');
  await type(page, 'Jacket with flaps of', '90');
  await fill(page, 'Deliver to', 'Reed Lane 2, Lindmoor');
  await page.getByRole('button', { name: 'Enter order' }).click();
  await expect(page.getByRole('button', { name: /^Title, Fen birds/ })).toBeVisible();
  const stone = (name: string) => page.getByRole('button', { name: new RegExp(`^${name},`) });
  for (const name of [
    'Slit, text',
    'Endpapers on',
    'Gather',
    'Sew',
    'Round, back, line',
    'Cut, boards',
    'Make cases',
    'Case in',
    'Jackets on',
  ])
    await expect(stone(name)).toBeVisible();

  // Sections of 16 in place of 32: 17 cycles a book in place of 9, without a plate more.
  const sewing = page.getByRole('region', { name: 'Sew' });
  await stone('Sew').click();
  await expect(sewing).toContainText(/Sections a book\s*8/);
  await stone('Gather').click();
  const sections = page.getByRole('combobox', { name: 'Sections' });
  const sixteens = (await sections.locator('option').allTextContents()).map((o) => o.trim()).find((o) => o.startsWith('16 × 16'));
  await sections.selectOption({ label: sixteens ?? '' });
  await stone('Sew').click();
  await expect(sewing).toContainText(/Sections a book\s*16/);

  // A flat back: the strip is as wide as block and boards together.
  await stone('Round, back, line').click();
  await page.getByRole('combobox', { name: 'Back' }).selectOption({ label: 'flat' });
  await stone('Make cases').click();
  await expect(page.getByRole('region', { name: 'Make cases' }).getByText(/^19\.4/)).toBeVisible();

  // Covered by hand's measure: too short is found, and the sum taken again with one click.
  await page.getByRole('tab', { name: 'Product' }).click();
  await type(page, 'Width of the covering, by hand', '260');
  const findings = page.getByRole('region', { name: 'Findings and working' });
  await findings.getByRole('button', { name: /^Blocks release: Covering .* mm too short/ }).click();
  await findings.getByRole('button', { name: 'The sum counts', exact: true }).click();
  await expect(findings.getByText(/too short/)).toBeHidden();

  await page.getByRole('tab', { name: 'Sections' }).click();
  const sheets = page.getByRole('region', { name: 'Sections' });
  await expect(sheets.getByText('Proved: printed, turned, cut and folded')).toBeVisible();
  const [pieces] = await Promise.all([
    page.waitForEvent('download'),
    sheets.getByRole('link', { name: 'Pieces of the case, CSV' }).click(),
  ]);
  const rows = readFileSync(await pieces.path(), 'utf8')
    .trim()
    .split('\n');
  expect(rows.map((r) => r.split(',')[1])).toEqual(['part', 'endpaper', 'covering', 'board', 'strip', 'jacket']);
  expect(rows[3]).toContain(',102,156,');
  for (const template of ['case', 'jacket']) {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      sheets.getByRole('button', { name: `${template} as PDF, true size` }).click(),
    ]);
    expect(spawnSync('pdfinfo', [await file.path()]).stdout.toString()).toMatch(/Pages:\s+1/);
  }
  await page.getByRole('button', { name: 'More' }).click();
  const [cuts] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Cutting programs as CSV' }).click(),
  ]);
  expect(readFileSync(await cuts.path(), 'utf8')).toMatch(/gripper edge,896,/);

  const pdf = await page.request.get((await page.getByRole('link', { name: 'Print draft' }).getAttribute('href')) ?? '');
  const text = spawnSync('pdftotext', ['-layout', '-', '-'], { input: await pdf.body() });
  const said = text.stdout.toString().replace(/\s+/gu, ' ');
  for (const words of [
    'Fen birds',
    'Endpaper goes',
    'Stitch groups',
    'Block after nipping',
    'First pass, knives',
    'Cases dry flat',
    'Under pressure',
    'Presses crush',
  ])
    expect(said).toContain(words);
});

test('boards that come short at the cutter are named as what the cases lack', async ({ page }) => {
  await signIn(page);
  await newOrder(page, 'Sewn hardcover');
  await type(page, 'Product name', 'Heron watch');
  await fill(page, 'Customer', `Fen readers ${Math.random()}`);
  await type(page, 'Quantity', '2000');
  await type(page, 'Width', '105');
  await type(page, 'Height', '150');
  await fill(page, 'Deliver to', 'Reed Lane 2, Lindmoor');
  await page.getByRole('button', { name: 'Enter order' }).click();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await release(page);
  await expect(page.getByText(/^Released by/)).toBeVisible();
  const job = page.url();

  await atMachine(page, 'Board cutter 1');
  // Counted in what it gives: 36 boards a sheet.
  await running(page, 'Heron watch', '84', '3 024 pieces');
  await count(page, '3000');
  await expect(good(page)).toHaveText('3 000');
  await page.getByRole('button', { name: 'Finished…' }).click();
  await page.getByRole('button', { name: 'The step is finished' }).click();
  await expect(page.getByRole('heading', { name: 'What comes' })).toBeVisible();
  await expect(page.getByText('everything sent')).toBeVisible();

  await page.goto(job);
  const findings = page.getByRole('region', { name: 'Findings and working' });
  await findings.getByRole('button', { name: /At this rate .* short/ }).click();
  await expect(findings.getByText(/board: enough for 1.500/)).toBeVisible();
});
