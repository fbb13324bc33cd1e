import { expect, test } from '../house';
import { enterOrder, release, signIn } from '../sign-in';

/* A date before it is sold: what the board promises is kept when the job is released, and its page leads to it. */

test('a job is promised a date before it is released, lies on the board then, and is told what would help', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Promised card');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  // Its date leads to where it would lie.
  await page.getByRole('link', { name: /^Released now, ready \w+ \d+/ }).click();
  await expect(page.getByText(/^With \d+ Promised card in the gaps, as if it were released/)).toBeVisible();
  await expect(page.locator('#board-chosen')).toContainText('not released: as it would lie');
  // Away, and with all that is not released: the tests before left some.
  await page.getByRole('link', { name: 'Without', exact: true }).click();
  await page.getByRole('link', { name: 'With what is not released' }).click();
  await expect(page.getByText(/^With (\d+ Promised card in the gaps, as if it were|\d+ jobs as if they were) released/)).toBeVisible();
  await page.goBack();
  await page.goBack();
  await page.goBack();
  await release(page);
  await expect(page.getByText(/^Released by/)).toBeVisible();
  const onBoard = page.getByRole('link', { name: /^On the board: ready \w+ \d+/ });
  await expect(onBoard).toBeVisible();
  await onBoard.click();
  await expect(page.locator('#board-chosen')).toContainText('Promised card');

  // A pin holds a step, and is let go.
  await page.getByRole('button', { name: 'Pin it here' }).click();
  await expect(page.getByText(/Pinned to begin .*, by Anselm/)).toBeVisible();
  await page.getByRole('button', { name: 'Take the pin out' }).click();
  await expect(page.getByRole('button', { name: 'Pin it here' })).toBeVisible();

  // The press is another: the job is released again for it, and back.
  const chosen = page.locator('#board-chosen');
  await expect(async () => {
    await page.keyboard.press('t');
    await expect(chosen).toContainText('Print, front', { timeout: 300 });
  }).toPass();
  await expect(chosen).toContainText('Press 3');
  await page.getByRole('button', { name: 'On another machine …' }).click();
  await page.getByRole('button', { name: 'On Press 5' }).click();
  await expect(page.getByText('released again for that machine')).toBeVisible();
  await page.getByRole('button', { name: 'Move it' }).click();
  await expect(chosen).toContainText('Press 5');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(chosen).toContainText('Press 3');

  // A copy is played with: hours out of a calendar file, and the job before everything; it is thrown away.
  await page.getByRole('button', { name: 'What if a machine stands' }).click();
  const day = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10).replaceAll('-', '');
  const event = ['BEGIN:VEVENT', 'UID:1', `DTSTART:${day}T080000`, `DTEND:${day}T120000`, 'SUMMARY:rollers changed', 'END:VEVENT'];
  const calendar = ['BEGIN:VCALENDAR', 'VERSION:2.0', ...event, 'END:VCALENDAR'].join('\r\n');
  await page
    .locator('dk-board-hours input[type=file]')
    .setInputFiles({ name: 'store.ics', mimeType: 'text/calendar', buffer: Buffer.from(calendar) });
  await expect(page.locator('dk-board-hours .copy')).toContainText('rollers changed');
  await page.getByRole('combobox', { name: 'Before everything' }).click();
  await page.getByRole('option', { name: /Promised card/ }).click();
  await expect(page.locator('dk-board-hours [role=status]').first()).toContainText('change-overs');
  await page.getByRole('button', { name: 'Throw the copy away' }).click();
  await expect(page.getByText('Every machine works as its calendar says.')).toBeVisible();
  await page.getByRole('button', { name: 'Fold closed hours' }).click();
  await expect(page.getByRole('button', { name: 'Fold closed hours' })).toHaveAttribute('aria-pressed', 'true');

  await page.getByRole('button', { name: 'What would help' }).click();
  await expect(page.locator('.chosen li').first()).toContainText(/sooner|Nothing of what was tried/);
});
