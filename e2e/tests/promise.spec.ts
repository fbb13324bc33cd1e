import { expect, test } from '../house';
import { enterOrder, release, signIn } from '../sign-in';

/* A date before it is sold: what the board promises is kept when the job is released, and its page leads to it. */

test('a job is promised a date before it is released, lies on the board then, and is told what would help', async ({ page }) => {
  await signIn(page);
  await enterOrder(page, 'Promised card');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Released now, ready \w+ \d+/ })).toBeVisible();
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

  await page.getByRole('button', { name: 'What would help' }).click();
  await expect(page.locator('.chosen li').first()).toContainText(/sooner|Neither another order/);
});
