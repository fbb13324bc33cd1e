import type { CopyPlace } from './layout';

const EPS = 1e-6;

/**
 * Whether straight cuts from edge to edge take copies apart: some line crosses none of them, and so on in both halves.
 * Source: definition of a guillotine-cuttable layout.
 * @example isCuttable([{ x: 0, y: 0, w: 10, h: 10 }, { x: 10, y: 0, w: 10, h: 10 }]) // true
 */
export function isCuttable(places: readonly Pick<CopyPlace, 'x' | 'y' | 'w' | 'h'>[]): boolean {
  if (places.length < 2) return true;
  for (const [from, size] of [
    ['x', 'w'],
    ['y', 'h'],
  ] as const) {
    const sorted = [...places].sort((a, b) => a[from] - b[from]);
    let end = -Infinity;
    for (const [i, p] of sorted.entries()) {
      // Any line that parts them will do: what can be cut after one such cut can be cut after another.
      if (i > 0 && p[from] >= end - EPS) return isCuttable(sorted.slice(0, i)) && isCuttable(sorted.slice(i));
      end = Math.max(end, p[from] + p[size]);
    }
  }
  return false;
}
