import { mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { expect, test } from '../house';

/* Which backups are kept, and when the next one is made: of scripts/lib/keeping. */

interface Keeping {
  keepNewest(folder: string, most: number): string[];
  msUntil(timeOfDay: string, now: Date): number;
}
const keeping = async (): Promise<Keeping> => (await import(new URL('../../scripts/lib/keeping.mjs', import.meta.url).href)) as Keeping;

test('the newest nightly backups are kept, and nothing else of the folder is touched', async ({}, info) => {
  const folder = info.outputPath('backups');
  mkdirSync(folder, { recursive: true });
  for (let day = 1; day <= 5; day++) writeFileSync(`${folder}/nightly-2026010${day}-0230.backup`, '');
  writeFileSync(`${folder}/before-the-move.backup`, '');
  const { keepNewest } = await keeping();
  expect(keepNewest(folder, 3).sort()).toEqual(['nightly-20260101-0230.backup', 'nightly-20260102-0230.backup']);
  expect(readdirSync(folder)).toHaveLength(4);
  expect(keepNewest(`${folder}/nowhere`, 3)).toEqual([]);
});

test('the next night is as far as the clock says', async () => {
  const { msUntil } = await keeping();
  // By hand: from 23:00 to 02:30 three hours and a half; from 02:30 itself a whole day.
  expect(msUntil('02:30', new Date(2026, 5, 10, 23, 0))).toBe(3.5 * 3_600_000);
  expect(msUntil('02:30', new Date(2026, 5, 11, 2, 30))).toBe(24 * 3_600_000);
});
