import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { PDFDocument, StandardFonts } from 'pdf-lib';
import { expect, test } from '../house';
import { fill, newOrder, signIn, type } from '../sign-in';

test('a booklet is made from its pages: sections on sheets folded on screen, other sections set at the stitcher, pages listed, its ticket printed', async ({
  page,
}) => {
  await signIn(page);
  await newOrder(page, 'Stitched booklet');
  await type(page, 'Product name', 'Walking guide');
  await fill(page, 'Customer', `Footpath friends ${Math.random()}`);
  await type(page, 'Quantity', '5000');
  await type(page, 'Width', '148');
  await type(page, 'Height', '210');
  await type(page, 'Pages, with the cover', '46');
  await page.getByRole('combobox', { name: 'Paper, text' }).selectOption({ label: 'Matt coated 100' });
  await page.getByRole('combobox', { name: 'Paper, cover' }).selectOption({ label: 'Matt coated 200' });
  await fill(page, 'Deliver to', 'Linden Row 6, Lindmoor');
  await page.getByRole('button', { name: 'Enter order' }).click();
  await expect(page.getByRole('button', { name: /^Title, Walking guide/ })).toBeVisible();
  for (const stone of ['Paper, text', 'Print, text', 'Fold sections', 'Print, cover', 'Gather, stitch, trim', 'Pack'])
    await expect(page.getByRole('button', { name: new RegExp(`^${stone},`) })).toBeVisible();

  // Two pages too few for whole sheets: said, and made good with one click.
  const findings = page.getByRole('region', { name: 'Findings and working' });
  await findings.getByRole('button', { name: 'Blocks release: 46 pages: 2 blank, or drop 2' }).click();
  await findings.getByRole('button', { name: '44 pages', exact: true }).click();
  await expect(findings.getByText('46 pages: 2 blank, or drop 2')).toBeHidden();

  await page.getByRole('tab', { name: 'Sections' }).click();
  const sheets = page.getByRole('region', { name: 'Sections' });
  await expect(sheets.getByText('Proved: printed, turned, cut and folded')).toBeVisible();
  await expect(sheets.getByRole('img', { name: /with pages .*38.* on its front/ })).toBeVisible();
  await sheets.locator('rect.copy').first().hover();
  await expect(sheets.locator('rect.lit').first()).toBeVisible();
  await sheets.getByRole('slider', { name: 'Folds made' }).fill('3');
  await expect(sheets.getByRole('img', { name: 'section 1 after 3 of 3 folds.' })).toBeVisible();
  const [list] = await Promise.all([page.waitForEvent('download'), sheets.getByRole('link', { name: 'Page list, CSV' }).click()]);
  const rows = readFileSync(await list.path(), 'utf8')
    .trim()
    .split('\n');
  // Three forms, both sides: 2 × 16 places for sections 1 and 2, 4 × 8 for section 3, 8 × 4 for the cover.
  expect(rows).toHaveLength(1 + 32 + 32 + 32);
  const [dummy] = await Promise.all([
    page.waitForEvent('download'),
    sheets.getByRole('button', { name: 'folding dummy, section 1, front as PDF, true size' }).click(),
  ]);
  expect(spawnSync('pdfinfo', [await dummy.path()]).stdout.toString()).toMatch(/Pages:\s+1/);

  // Other sections at the stitcher: forms, folds and plates follow at once.
  await page.getByRole('button', { name: /^Gather, stitch, trim,/ }).click();
  const sections = page.getByRole('combobox', { name: 'Sections' });
  const other = (await sections.locator('option').allTextContents()).map((o) => o.trim()).find((o) => o.startsWith('5 × 8'));
  await sections.selectOption({ label: other ?? '' });
  await page.getByRole('button', { name: /^Fold sections,/ }).click();
  await expect(page.getByText('section 5', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();

  const pdf = await page.request.get((await page.getByRole('link', { name: 'Print draft' }).getAttribute('href')) ?? '');
  const text = spawnSync('pdftotext', ['-layout', '-', '-'], { input: await pdf.body() });
  const said = text.stdout.toString().replace(/\s/gu, ' ');
  for (const words of [
    'Walking guide',
    'after a right-angle turn',
    'Open in the middle',
    'scored here',
    'to the spine',
    'Stitching heads: guards closed',
    'behind the turn',
    'Three-knife',
  ])
    expect(said).toContain(words);
});

test('a customer’s PDF dropped on the sheets is held against the order, and its pages are placed on every side', async ({ page }, info) => {
  /** Pages of 148 × 210 with 3 mm of bleed, numbered P1, P2 …; one a file short. */
  const pdfOf = async (pages: number): Promise<string> => {
    const [pdf, mm] = [await PDFDocument.create(), 72 / 25.4];
    const font = await pdf.embedFont(StandardFonts.Helvetica);
    for (let i = 1; i <= pages; i++) {
      const one = pdf.addPage([154 * mm, 216 * mm]);
      one.setTrimBox(3 * mm, 3 * mm, 148 * mm, 210 * mm);
      one.drawText(`P${i}`, { x: 150, y: 300, size: 60, font });
    }
    const path = info.outputPath(`pages-${pages}.pdf`);
    writeFileSync(path, await pdf.save());
    return path;
  };
  await signIn(page);
  await newOrder(page, 'Stitched booklet');
  await type(page, 'Product name', 'Tide tables');
  await fill(page, 'Customer', `Tide readers ${Math.random()}`);
  await type(page, 'Quantity', '2000');
  await page.getByRole('combobox', { name: 'Paper, text' }).selectOption({ label: 'Matt coated 100' });
  await page.getByRole('combobox', { name: 'Paper, cover' }).selectOption({ label: 'Matt coated 200' });
  await fill(page, 'Deliver to', 'Pier 3, Kestrel Bay');
  await page.getByRole('button', { name: 'Enter order' }).click();
  await page.getByRole('tab', { name: 'Sections' }).click();
  const sheets = page.getByRole('region', { name: 'Sections' });
  const chosen = sheets.locator('input[type=file]');
  await chosen.setInputFiles(await pdfOf(42));
  await expect(sheets.getByText('42 pages; the order asks for 40, or 4, or 44.')).toBeVisible();
  await chosen.setInputFiles(await pdfOf(44));
  await expect(sheets.getByText('Pages, size and bleed are as ordered.')).toBeVisible();
  // Small on both sides of the sheet, and something is drawn on them: the text on the page is dark.
  await expect(sheets.locator('svg image')).toHaveCount(32);
  const darkest = await sheets
    .locator('svg image')
    .first()
    .evaluate(async (image) => {
      const drawn = new Image();
      drawn.src = image.getAttribute('href') ?? '';
      await drawn.decode();
      const ink = new OffscreenCanvas(drawn.width, drawn.height).getContext('2d');
      ink?.drawImage(drawn, 0, 0);
      return Math.min(...(ink?.getImageData(0, 0, drawn.width, drawn.height).data.filter((_, i) => i % 4 === 0) ?? [255]));
    });
  expect(darkest).toBeLessThan(60);
  const [placed] = await Promise.all([
    page.waitForEvent('download'),
    sheets.getByRole('button', { name: 'Sheets with these pages, PDF' }).click(),
  ]);
  const path = await placed.path();
  expect(spawnSync('pdfinfo', [path]).stdout.toString()).toMatch(/Pages:\s+6\n[\s\S]*Page size:\s+2834\.6\d* x 1984\.2/);
  const front = spawnSync('pdftotext', ['-f', '1', '-l', '1', path, '-']).stdout.toString().match(/P\d+/g) ?? [];
  expect(front.map((p) => Number(p.slice(1))).sort((a, b) => a - b)).toEqual([3, 6, 7, 10, 11, 14, 15, 18, 27, 30, 31, 34, 35, 38, 39, 42]);
});
