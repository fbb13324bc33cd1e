import type { CutTree } from '../layout/guillotine-count';
import type { Layout } from '../layout/layout';
import type { Formula } from '../quantity/figure';

/** One cut of the program: a straight cut across the pile at a measure from the lay edge (back gauge), in sheet coordinates. */
export interface Cut {
  nr: number;
  kind: 'trim' | 'part' | 'strip';
  across: 'x' | 'y';
  atMm: number;
  fromMm: number;
  toMm: number;
  /** Strips lying side by side under the knife are cut together. */ says: 'trimEdge' | 'separate' | 'cutOut';
}

/**
 * The cutting program of a sheet of copies: four edges first, then the blocks apart, then each block into strips and copies.
 * Copies with bleed stand apart by twice the bleed: two cuts between neighbours, one on each trim line; without bleed one common cut.
 * Strips of a block lie side by side for the second direction, so a lattice of nx × ny costs 4 + g·(nx − 1) + g·(ny − 1) cuts, g = 2 or 1.
 * Source: common practice, no source. Six-up (3 × 2) with bleed: 4 + 4 + 2 = 10 cuts.
 */
export function cuttingProgram(layout: Layout, trim: { widthMm: number; heightMm: number }): Cut[] {
  const cuts: Omit<Cut, 'nr'>[] = [];
  const boxes = layout.cells.map((c) => {
    const [w, h] = c.turn === 90 || c.turn === 270 ? [trim.heightMm, trim.widthMm] : [trim.widthMm, trim.heightMm];
    return { c, w, h, left: c.x, top: c.y, right: c.x + (c.nx - 1) * c.dx + w, bottom: c.y + (c.ny - 1) * c.dy + h };
  });
  if (boxes.length === 0) return [];
  const outer = {
    left: Math.min(...boxes.map((b) => b.left)),
    top: Math.min(...boxes.map((b) => b.top)),
    right: Math.max(...boxes.map((b) => b.right)),
    bottom: Math.max(...boxes.map((b) => b.bottom)),
  };
  const vertical = (atMm: number, from: number, to: number, kind: Cut['kind'], says: Cut['says']): void =>
    void cuts.push({ kind, across: 'x', atMm, fromMm: from, toMm: to, says });
  const horizontal = (atMm: number, from: number, to: number, kind: Cut['kind'], says: Cut['says']): void =>
    void cuts.push({ kind, across: 'y', atMm, fromMm: from, toMm: to, says });
  horizontal(outer.top, outer.left, outer.right, 'trim', 'trimEdge');
  vertical(outer.left, outer.top, outer.bottom, 'trim', 'trimEdge');
  horizontal(outer.bottom, outer.left, outer.right, 'trim', 'trimEdge');
  vertical(outer.right, outer.top, outer.bottom, 'trim', 'trimEdge');
  for (const { at, across, from, to } of separations(layout)) (across === 'x' ? vertical : horizontal)(at, from, to, 'part', 'separate');
  for (const b of boxes) {
    if (boxes.length > 1) trimBlock(b, outer, vertical, horizontal);
    between(b.c.nx, b.left, b.w, b.c.dx, (at) => vertical(at, b.top, b.bottom, 'strip', 'cutOut'));
    between(b.c.ny, b.top, b.h, b.c.dy, (at) => horizontal(at, b.left, b.right, 'strip', 'cutOut'));
  }
  return cuts.map((cut, i) => ({ nr: i + 1, ...cut }));
}

type Draw = (at: number, from: number, to: number, kind: Cut['kind'], says: Cut['says']) => void;

/** The edges of a block that the outer trim has not cut already. */
function trimBlock(
  b: { left: number; top: number; right: number; bottom: number },
  outer: typeof b,
  vertical: Draw,
  horizontal: Draw,
): void {
  const near = (p: number, q: number): boolean => Math.abs(p - q) < 1e-6;
  if (!near(b.left, outer.left)) vertical(b.left, b.top, b.bottom, 'trim', 'trimEdge');
  if (!near(b.right, outer.right)) vertical(b.right, b.top, b.bottom, 'trim', 'trimEdge');
  if (!near(b.top, outer.top)) horizontal(b.top, b.left, b.right, 'trim', 'trimEdge');
  if (!near(b.bottom, outer.bottom)) horizontal(b.bottom, b.left, b.right, 'trim', 'trimEdge');
}

function between(n: number, start: number, size: number, pitch: number, cut: (at: number) => void): void {
  const gap = pitch - size;
  for (let i = 1; i < n; i++) {
    cut(start + (i - 1) * pitch + size);
    if (gap > 1e-6) cut(start + i * pitch);
  }
}

interface Separation {
  across: 'x' | 'y';
  at: number;
  from: number;
  to: number;
}

/** The cuts that part blocks from each other (not from waste, which falls with the trims), in sheet coordinates, outermost first. */
function separations({ cuts, cutsBox }: Layout): Separation[] {
  const walk = (tree: CutTree, x: number, y: number, w: number, h: number): Separation[] => {
    if (tree.kind !== 'cut') return [];
    const { across, at, first, second } = tree;
    const deeper =
      across === 'x'
        ? [...walk(first, x, y, at, h), ...walk(second, x + at, y, w - at, h)]
        : [...walk(first, x, y, w, at), ...walk(second, x, y + at, w, h - at)];
    if (first.kind === 'waste' || second.kind === 'waste') return deeper;
    return [across === 'x' ? { across, at: x + at, from: y, to: y + h } : { across, at: y + at, from: x, to: x + w }, ...deeper];
  };
  return cuts && cutsBox ? walk(cuts, cutsBox.x, cutsBox.y, cutsBox.w, cutsBox.h) : [];
}

/** Sheets in a lift: ⌊height / caliper⌋. Source: geometry. */
export const LIFTS: Formula<'sheets' | 'perLift'> = {
  id: 'finishing.lifts',
  unit: 'lift',
  source: 'arithmetic; the last lift may be short',
  of: ({ sheets, perLift }) => Math.ceil(sheets / Math.max(perLift, 1) - 1e-9),
};
/** Guillotine time: every lift is loaded and cut through the whole program. Source: common practice, no source (about 10 cuts of 35 s and 6 min a lift). */
export const CUTTING_TIME: Formula<'lifts' | 'cuts' | 'perCut' | 'loading'> = {
  id: 'finishing.cuttingTime',
  unit: 's',
  source: 'common practice, no source',
  of: ({ lifts, cuts, perCut, loading }) => lifts * (cuts * perCut + loading),
};
/** Cuts of the program. */
export const CUTS: Formula<'cuts'> = { id: 'finishing.cuts', unit: 'cut', source: 'the program, cut by cut', of: ({ cuts }) => cuts };
