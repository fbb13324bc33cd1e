import type { LaidSection } from './sheet-pages';

/**
 * Pages in words, as they follow one another; those that nobody printed are left out.
 * @example foliosSay([3, 4, 5, null, 35]) // '3–5, 35'
 */
export function foliosSay(pages: readonly (number | null)[]): string {
  const runs: [number, number][] = [];
  for (const page of pages) {
    if (page === null) continue;
    const last = runs.at(-1);
    if (last && page === last[1] + 1) last[1] = page;
    else runs.push([page, page]);
  }
  return runs.map(([from, until]) => (from === until ? String(from) : `${from}–${until}`)).join(', ');
}

/** The two pages that lie open in a section's middle. */
export function centreSpread({ pages }: Pick<LaidSection, 'pages'>): string {
  const half = pages.length / 2;
  return `${pages[half - 1] ?? 'blank'} / ${pages[half] ?? 'blank'}`;
}
