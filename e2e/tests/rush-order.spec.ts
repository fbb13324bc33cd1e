import { expect, test } from '../house';
import { release, signIn } from '../sign-in';

/* The demo's rush order, as somebody new would go: when could it be ready, what if it is released, who is in its way, what helps. */

test('a rush order is promised, released, found late on the board, and brought in time with the program’s help', async ({ page }) => {
  await signIn(page);
  const { rows } = (await (await page.request.get('/api/orders?find=storm')).json()) as { rows: { job: string; title: string }[] };
  const rush = rows.find((r) => r.title.startsWith('Storm timetable'));
  await page.goto(`/jobs/${rush?.job ?? ''}`);
  await expect(page.getByText(/^Released now, ready /)).toBeVisible();

  // Released it lies in the gaps, as it was promised; its page leads to it.
  await release(page);
  await expect(page.getByText(/^Released by/)).toBeVisible();
  const onBoard = page.getByRole('link', { name: /^On the board: ready / });
  await expect(onBoard).toBeVisible({ timeout: 20_000 });
  await onBoard.click();
  await expect(page.locator('#board-chosen')).toContainText('Storm timetable');
  const late = page.getByRole('region', { name: 'Late and at risk' });
  await expect(late).toContainText(/Storm timetable, wanted at once.* late/);

  // The whole job first: who that moves is told before it is done.
  await page.getByRole('button', { name: 'What would help' }).click();
  const first = page.getByRole('button', { name: /^The whole job before everything that does not run: .* sooner/ });
  await first.click();
  await expect(page.getByText(/change-overs [+−]?\d+ (s|min|h)/)).toBeVisible();
  await page.getByRole('button', { name: 'Move it' }).click();
  await expect(page.getByText(/^Version \d+, moved by hand by Anselm/)).toBeVisible();
  const ends = async (): Promise<number> => {
    const board = (await (await page.request.get('/api/board')).json()) as { jobs: { title: string; dueAt: number; endAt: number }[] };
    const mine = board.jobs.find((j) => j.title.startsWith('Storm timetable'));
    return (mine?.dueAt ?? 0) - (mine?.endAt ?? 0);
  };
  expect(await ends()).toBeGreaterThan(0);
});
