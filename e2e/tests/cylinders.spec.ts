import { spawnSync } from 'node:child_process';
import { atMachine, running } from '../at-machine';
import { expect, test } from '../house';
import { fill, newOrder, release, signIn, type } from '../sign-in';

test('printing cylinders from order to the floor: a base that does not suit is mended, pages tell each place, a reading outside holds what comes next', async ({
  page,
}) => {
  await signIn(page);
  await newOrder(page, 'Printing cylinders');
  await type(page, 'Product name', 'Reed border');
  await fill(page, 'Customer', `Reed papers ${Math.random()}`);
  await type(page, 'Quantity', '1');
  await fill(page, 'Deliver to', 'Cylinder store');
  await page.getByRole('button', { name: 'Another cylinder' }).click();
  await page.getByRole('button', { name: 'Enter order' }).click();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();

  // Old bases that would want too little copper: found, and mended with one click.
  await type(page, 'Diameter of the bases', '159.1');
  const findings = page.getByRole('region', { name: 'Findings and working' });
  await findings.getByRole('button', { name: /^Blocks release: .*µm of copper/ }).click();
  await findings.getByRole('button', { name: 'Take new bases', exact: true }).click();
  await expect(findings.getByText(/µm of copper/)).toBeHidden();

  const pdf = await page.request.get((await page.getByRole('link', { name: 'Print draft' }).getAttribute('href')) ?? '');
  const text = spawnSync('pdftotext', ['-layout', '-', '-'], { input: await pdf.body() });
  const said = text.stdout.toString().replace(/\s+/gu, ' ');
  for (const words of [
    'Reed border',
    'Plating room',
    'licensed plant and people only',
    'Engraved, body by body',
    'To measure',
    'ISO 3664',
    'Into the store',
  ])
    expect(said).toContain(words);

  await release(page);
  await expect(page.getByText(/^Released by/)).toBeVisible();
  const job = page.url();

  await atMachine(page, 'Cylinder bench 1');
  await running(page, 'Reed border', '1', '1 pieces');
  await page.getByRole('button', { name: 'Readings' }).click();
  await page.getByLabel('run-out').fill('35');
  await page.getByRole('button', { name: 'Write it down' }).first().click();
  await expect(page.getByText(/35 µm, outside what is allowed/)).toBeVisible();
  await page.getByRole('group', { name: 'journals in order' }).getByRole('button', { name: 'Yes' }).click();
  await page.getByRole('button', { name: 'Finished…' }).click();
  await expect(page.getByText('Not measured yet: diameter.')).toBeVisible();
  await expect(page.getByText('everything sent')).toBeVisible();

  await page.goto(job);
  await findings.getByRole('button', { name: /run-out 35 µm/ }).click();
  await expect(findings.getByText(/20 µm or less is allowed; measured by Odo Pressnig/)).toBeVisible();
});
