import { expect, type Page } from './house';
import { beginSetup } from './sign-in';

/* A terminal on the floor, by visible words. */

/** Digits typed on the screen's own keys. */
const key = async (page: Page, digits: string): Promise<void> => {
  for (const d of digits) await page.getByRole('button', { name: d, exact: true }).click();
};
/** Somebody of the demo signs on with the number they have. */
export async function signOn(page: Page, name: string, pin: string): Promise<void> {
  await page.getByRole('button', { name }).click();
  await key(page, pin);
  await page.getByRole('button', { name: 'Sign on' }).click();
}
/** Opens the terminal of a machine and signs on; handovers others left are read. */
export async function atMachine(page: Page, machine: string): Promise<void> {
  await page.goto('/terminal');
  await page.getByRole('button', { name: machine, exact: true }).click();
  await signOn(page, 'Odo Pressnig', '3141');
  await expect(page.getByRole('button', { name: /^(What comes|Read and signed)$/ }).first()).toBeVisible();
  while (await page.getByRole('button', { name: 'Read and signed' }).isVisible()) {
    await page.getByRole('button', { name: 'Read and signed' }).click();
    await page.waitForTimeout(300);
  }
  await page.getByRole('button', { name: 'What comes' }).click();
}
/** Good pieces written down. */
export async function count(page: Page, digits: string): Promise<void> {
  await key(page, digits);
  await page.getByRole('button', { name: 'Write it down' }).click();
}
/** What stands as good on the screen. */
export const good = (page: Page) => page.locator('dk-run-desk .huge');

/** The step is set up, paper is in, and it runs. */
export async function running(
  page: Page,
  title: string,
  sheets: string,
  there = `${sheets.replace(/\B(?=(\d{3})+$)/g, ' ')} sheets`,
): Promise<void> {
  await page.getByRole('button', { name: title }).first().click();
  await expect(page.getByText('trained people only')).toBeVisible();
  await beginSetup(page);
  await page.getByRole('button', { name: 'Set up: run' }).click();
  await expect(page.getByRole('heading', { name: 'Which pile goes in?' })).toBeVisible();
  await page.getByRole('button', { name: 'Count it in without a flag' }).click();
  await key(page, sheets);
  await page.getByRole('button', { name: 'Take so many' }).click();
  await expect(page.getByText(`${there} at the machine`)).toBeVisible();
}
