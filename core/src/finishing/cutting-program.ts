import { copyPlaces, type Layout } from '../layout/layout';
import type { Formula } from '../quantity/figure';

/** Edges of a sheet as it lies on the press, gripper towards the reader: they keep their names however the pile is turned at the guillotine. */
export type SheetEdge = 'gripper' | 'tail' | 'lay' | 'far';
const OPPOSITE: Readonly<Record<SheetEdge, SheetEdge>> = { gripper: 'tail', tail: 'gripper', lay: 'far', far: 'lay' };

/** A line across the sheet, in sheet coordinates: where a cut goes through one of the piles that lie under the knife. */
export interface CutLine {
  across: 'x' | 'y';
  atMm: number;
  fromMm: number;
  toMm: number;
}
/** One cut of the program, as the machine wants it: which edge lies at the back gauge, how far the gauge stands behind the knife, what falls off in front. */
export interface Cut {
  nr: number;
  edge: SheetEdge;
  gaugeMm: number;
  /** Quarter turns of the pile since the cut before: 0, 1, or 2 where it is turned end for end. */
  turns: 0 | 1 | 2;
  /** What lies under the knife where that changes: strips laid side by side, a strip taken up again; '' while it is the same pile. */
  take: string;
  falls: 'trim' | 'strip' | 'waste';
  fallsMm: number;
  lines: CutLine[];
}

interface Rect {
  x: number;
  y: number;
  w: number;
  h: number;
}
type Axis = 'x' | 'y';
/** Congruent piles that lie side by side and are cut together: where each comes from on the sheet, their size, the copies in them (from their own corner). */
interface Pile extends Pick<Rect, 'w' | 'h'> {
  at: [x: number, y: number][];
  copies: Rect[];
  take: string;
}
/** Copies of a pile in a strip that a straight line parts from the others. */
interface Strip {
  from: number;
  to: number;
  copies: Rect[];
  /** The cut at which it was put aside; null: it is what is left at the gauge. */
  asideAt: number | null;
}
const EPS = 1e-6;

/** The program while it is made: cuts so far, and the edge that lies at the gauge. */
interface Program {
  cuts: Omit<Cut, 'nr'>[];
  edge: SheetEdge | null;
  /** Width of the knife: strips that together are wider are cut in several goes. */
  knifeMm: number;
}

const SIZE = { x: 'w', y: 'h' } as const;
/** The edge that the sheet was printed from, and the one across from it. */
const EDGES_OF: Readonly<Record<Axis, readonly [printed: SheetEdge, fresh: SheetEdge]>> = { x: ['lay', 'far'], y: ['gripper', 'tail'] };
const otherAxis = (axis: Axis): Axis => (axis === 'x' ? 'y' : 'x');

/** Cuts a pile at a line (from its corner at lay and gripper), an edge at the gauge; what lies in front of the knife falls off. */
function cutAt(program: Program, pile: Pile, axis: Axis, edge: SheetEdge, line: number, falls: Cut['falls'], fallsMm: number): void {
  const [printed] = EDGES_OF[axis];
  // A single pile is cut whole, or its sheet is too large for the machine: that is said elsewhere.
  const perGo = Math.max(Math.floor(program.knifeMm / pile[SIZE[otherAxis(axis)]] + EPS), 1);
  const goes = Math.max(Math.ceil(pile.at.length / perGo), 1);
  const each = Math.ceil(pile.at.length / goes);
  for (let go = 0; go < goes; go++) {
    const before = program.edge;
    const together = pile.at.slice(go * each, (go + 1) * each);
    program.cuts.push({
      edge,
      gaugeMm: edge === printed ? line : pile[SIZE[axis]] - line,
      turns: before === null || before === edge ? 0 : OPPOSITE[before] === edge ? 2 : 1,
      take: goes > 1 ? `${together.length} of ${pile.at.length} strips` : pile.take,
      falls,
      fallsMm,
      lines: together.map(([x, y]) =>
        axis === 'x'
          ? { across: 'x', atMm: x + line, fromMm: y, toMm: y + pile.h }
          : { across: 'y', atMm: y + line, fromMm: x, toMm: x + pile.w },
      ),
    });
    program.edge = edge;
  }
  pile.take = '';
}

/** Copies in strips that a straight line parts, from the lay or the gripper on. */
function stripsOf(pile: Pile, axis: Axis): Strip[] {
  const size = SIZE[axis];
  const found: Strip[] = [];
  for (const c of [...pile.copies].sort((a, b) => a[axis] - b[axis])) {
    const last = found.at(-1);
    if (last && c[axis] < last.to - EPS) {
      last.copies.push(c);
      last.to = Math.max(last.to, c[axis] + c[size]);
    } else found.push({ from: c[axis], to: c[axis] + c[size], copies: [c], asideAt: null });
  }
  return found;
}

/**
 * Cuts a pile into its strips along one direction. The printed edge lies at the gauge, from which everything was measured; settings descend: the trim on the far
 * side, strip after strip, the gaps between; last the strip that is left is turned end for end, and its fresh edge lies at the gauge for the printed one.
 */
function cutStrips(program: Program, pile: Pile, axis: Axis): Strip[] {
  const strips = stripsOf(pile, axis);
  const [printed, fresh] = EDGES_OF[axis];
  const size = SIZE[axis];
  let now: Pile = pile;
  for (const strip of [...strips].reverse()) {
    const isFirst = strip === strips[0];
    if (now[size] - strip.to > EPS) {
      cutAt(program, now, axis, printed, strip.to, strip === strips.at(-1) ? 'trim' : 'waste', now[size] - strip.to);
      now = { ...now, [size]: strip.to };
    }
    if (!isFirst) {
      cutAt(program, now, axis, printed, strip.from, 'strip', now[size] - strip.from);
      strip.asideAt = program.cuts.length;
      now = { ...now, [size]: strip.from };
    } else if (strip.from > EPS) {
      cutAt(program, now, axis, fresh, strip.from, 'trim', strip.from);
    }
  }
  return strips;
}

/** A pile trimmed to the box of its copies, in either direction: far side first, then the printed edge. */
function squared(program: Program, pile: Pile): Pile {
  return (['y', 'x'] as const).reduce((now, axis) => {
    const size = SIZE[axis];
    const [from, until] = [Math.min(...now.copies.map((c) => c[axis])), Math.max(...now.copies.map((c) => c[axis] + c[size]))];
    cutStrips(program, { ...now, copies: [{ ...(now.copies[0] as Rect), [axis]: from, [size]: until - from }] }, axis);
    return {
      ...now,
      [size]: until - from,
      at: now.at.map(([x, y]): [number, number] => (axis === 'x' ? [x + from, y] : [x, y + from])),
      copies: now.copies.map((c) => ({ ...c, [axis]: c[axis] - from })),
    };
  }, pile);
}

/** What a strip looks like from its own corner: strips that look alike are cut side by side. */
const shapeOf = (copies: readonly Rect[]): string =>
  copies
    .map((c) => [c.x, c.y, c.w, c.h].map((n) => Math.round(n * 1e4)).join(' '))
    .sort()
    .join(';');

const fills = (copy: Rect | undefined, { w, h }: Pick<Rect, 'w' | 'h'>): boolean =>
  copy !== undefined && Math.abs(copy.w - w) < EPS && Math.abs(copy.h - h) < EPS;

/** Which strips come under the knife again: those put aside at some cuts, and what was left at the gauge. */
function takeUp(strips: readonly Strip[], number: number): string {
  const cuts = strips.flatMap((s) => s.asideAt ?? []).sort((a, b) => a - b);
  const what = [
    ...(cuts.length > 0 ? [`put aside at ${cuts.join(', ')}`] : []),
    ...(cuts.length < strips.length ? ['left at the gauge'] : []),
  ];
  return `${number === 1 ? 'the strip' : `${number} strips`} ${what.join(' and ')}`;
}

/** Cuts a pile along one direction, then what is left of each strip along the other. `stuck`: the direction before parted nothing. */
function cutPile(program: Program, pile: Pile, axis: Axis, stuck = false): void {
  const strips = cutStrips(program, pile, axis);
  const size = SIZE[axis];
  const made = strips.map((s) => {
    const copies = s.copies.map((c) => ({ ...c, [axis]: c[axis] - s.from }));
    return { s, copies, shape: shapeOf(copies) };
  });
  for (const shape of new Set(made.map((m) => m.shape))) {
    const alike = made.filter((m) => m.shape === shape);
    const [first] = alike;
    if (!first) continue;
    const number = alike.length * pile.at.length;
    const strip: Pile = {
      w: pile.w,
      h: pile.h,
      [size]: first.s.to - first.s.from,
      at: alike.flatMap(({ s }) => pile.at.map(([x, y]): [number, number] => (axis === 'x' ? [x + s.from, y] : [x, y + s.from]))),
      copies: first.copies,
      take:
        strips.length === 1
          ? ''
          : alike.length === strips.length
            ? `${number} strips side by side`
            : takeUp(
                alike.map(({ s }) => s),
                number,
              ),
    };
    // What no straight line parts in either direction stays as it is.
    if (fills(strip.copies[0], strip) || (stuck && strips.length === 1 && strip.copies.length > 1)) continue;
    cutPile(program, strip, otherAxis(axis), strips.length === 1);
  }
}

const known = new WeakMap<Layout, Map<number, Cut[]>>();

/**
 * The cutting program of a sheet of copies: strips along one direction, then the strips side by side along the other.
 *
 * Formula: gauge = distance of the cut from the edge that lies at the back gauge, in the pile as it lies then. Copies with bleed stand apart by twice the bleed:
 * one cut puts the strip aside, the next drops the waste; without bleed one common cut. Congruent strips are cut together while they are no wider than the knife,
 * so a direction of n strips costs n + 1 cuts with common cuts, 2n with gaps between.
 * Source: common practice, no source. Six-up (3 × 2) with bleed: 4 + 6 = 10 cuts.
 *
 * Six up with gutters takes ten cuts (cutting-program.test.ts).
 */
export function cuttingProgram(layout: Layout, knifeMm = Infinity): Cut[] {
  const made = known.get(layout)?.get(knifeMm);
  if (made) return made;
  const copies = copyPlaces(layout).map(({ x, y, w, h }) => ({ x, y, w, h }));
  const [w, h] = layout.sheetMm;
  // From the gripper edge first; from the side lay, or squared on all sides first (unlike strips then need no trims of their own), where that takes fewer cuts.
  const tries = [false, true].flatMap((isSquared) =>
    (['y', 'x'] as const).map((axis) => {
      const program: Program = { cuts: [], edge: null, knifeMm };
      const pile: Pile = { at: [[0, 0]], w, h, copies, take: '' };
      if (copies.length > 0) cutPile(program, isSquared ? squared(program, pile) : pile, axis);
      return program.cuts;
    }),
  );
  const best = tries.reduce((fewest, cuts) => (cuts.length < fewest.length ? cuts : fewest));
  const cuts = best.map((cut, i) => ({ nr: i + 1, ...cut }));
  const byKnife = known.get(layout) ?? new Map<number, Cut[]>();
  byKnife.set(knifeMm, cuts);
  known.set(layout, byKnife);
  return cuts;
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
