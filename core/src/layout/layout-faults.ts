import { copyPlaces, type Layout } from './layout';
import type { SheetLayoutAsk } from './sheet-layout';

const EPS = 1e-6;

/** What is wrong with a layout somebody chose: copies that leave the usable sheet with their bleed, or lie over each other. Null: nothing. Source: geometry. */
export function layoutFault(layout: Layout, bleedMm: number, usable: SheetLayoutAsk['usable']): 'offSheet' | 'overlap' | null {
  const places = copyPlaces(layout);
  const off = places.some(
    (p) =>
      p.x - bleedMm < usable.x - EPS ||
      p.y - bleedMm < usable.y - EPS ||
      p.x + p.w + bleedMm > usable.x + usable.widthMm + EPS ||
      p.y + p.h + bleedMm > usable.y + usable.heightMm + EPS,
  );
  if (off) return 'offSheet';
  // Sorted along the sheet only neighbours can overlap.
  const sorted = [...places].sort((a, b) => a.x - b.x);
  const overlap = sorted.some((p, i) => {
    for (let j = i + 1; j < sorted.length && (sorted[j]?.x ?? 0) < p.x + p.w - EPS; j++) {
      const q = sorted[j];
      if (q && q.y < p.y + p.h - EPS && p.y < q.y + q.h - EPS) return true;
    }
    return false;
  });
  return overlap ? 'overlap' : null;
}
