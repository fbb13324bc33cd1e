import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from './house';

const found = async (axe: AxeBuilder): Promise<string[]> =>
  (await axe.analyze()).violations.map((v) => {
    const places = v.nodes.slice(0, 3).map((n) => n.target.join(' '));
    return `${v.id}: ${places.join(', ')}`;
  });
/** Finds nothing: everything in the light theme; in the dark one what a theme can change, its colours. */
export const clean = async (page: Page): Promise<void> => {
  expect(await found(new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']))).toEqual([]);
  await page.emulateMedia({ colorScheme: 'dark' });
  expect(await found(new AxeBuilder({ page }).withRules(['color-contrast', 'link-in-text-block']))).toEqual([]);
  await page.emulateMedia({ colorScheme: 'light' });
};
