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
/** Congruent piles that lie side by side and are cut together: where each comes from on the sheet, their size, the copies in them (from their own corner). */
interface Pile extends Pick<Rect, 'w' | 'h'> {
  at: [x: number, y: number][];
  copies: Rect[];
  take: string;
}
const EPS = 1e-6;

/** The program while it is made: cuts so far, and the edge that lies at the gauge. */
interface Program {
  cuts: Omit<Cut, 'nr'>[];
  edge: SheetEdge | null;
}

const isAlongX = (edge: SheetEdge): boolean => edge === 'lay' || edge === 'far';
/** How far a line lies from an edge of the pile. */
const fromEdge = (edge: SheetEdge, line: number, { w, h }: Pile): number =>
  edge === 'gripper' || edge === 'lay' ? line : (edge === 'far' ? w : h) - line;

/** Cuts a pile at a line (from its corner at lay and gripper), an edge at the gauge; what lies in front of the knife falls off. */
function cutAt(program: Program, pile: Pile, edge: SheetEdge, line: number, falls: Cut['falls'], fallsMm: number): void {
  const before = program.edge;
  const turns = before === null || before === edge ? 0 : OPPOSITE[before] === edge ? 2 : 1;
  program.cuts.push({
    edge,
    gaugeMm: fromEdge(edge, line, pile),
    turns,
    take: pile.take,
    falls,
    fallsMm,
    lines: pile.at.map(([x, y]) =>
      isAlongX(edge)
        ? { across: 'x', atMm: x + line, fromMm: y, toMm: y + pile.h }
        : { across: 'y', atMm: y + line, fromMm: x, toMm: x + pile.w },
    ),
  });
  program.edge = edge;
  pile.take = '';
}

/**
 * Trims a pile to its copies. The printed edges lie at the gauge first (gripper, then side lay, which everything was printed from), then the fresh ones.
 */
function trim(program: Program, pile: Pile): Pile {
  let [left, right] = [Math.min(...pile.copies.map((c) => c.x)), Math.max(...pile.copies.map((c) => c.x + c.w))];
  let [low, high] = [Math.min(...pile.copies.map((c) => c.y)), Math.max(...pile.copies.map((c) => c.y + c.h))];
  let now = pile;
  const cropped = (x: number, y: number, w: number, h: number): void => {
    now = {
      at: now.at.map(([ax, ay]) => [ax + x, ay + y]),
      w,
      h,
      take: now.take,
      copies: now.copies.map((c) => ({ ...c, x: c.x - x, y: c.y - y })),
    };
    [left, right, low, high] = [left - x, right - x, low - y, high - y];
  };
  if (now.h - high > EPS) {
    cutAt(program, now, 'gripper', high, 'trim', now.h - high);
    cropped(0, 0, now.w, high);
  }
  if (now.w - right > EPS) {
    cutAt(program, now, 'lay', right, 'trim', now.w - right);
    cropped(0, 0, right, now.h);
  }
  if (low > EPS) {
    cutAt(program, now, 'tail', low, 'trim', low);
    cropped(0, low, now.w, now.h - low);
  }
  if (left > EPS) {
    cutAt(program, now, 'far', left, 'trim', left);
    cropped(left, 0, now.w - left, now.h);
  }
  return now;
}

/** Copies in groups that a straight line parts, from the lay or the gripper on. */
function groups(pile: Pile, along: 'x' | 'y'): { from: number; to: number; copies: Rect[] }[] {
  const size = along === 'x' ? 'w' : 'h';
  const found: { from: number; to: number; copies: Rect[] }[] = [];
  for (const c of [...pile.copies].sort((a, b) => a[along] - b[along])) {
    const last = found.at(-1);
    if (last && c[along] < last.to - EPS) {
      last.copies.push(c);
      last.to = Math.max(last.to, c[along] + c[size]);
    } else found.push({ from: c[along], to: c[along] + c[size], copies: [c] });
  }
  return found;
}

/** What a strip looks like from its own corner: strips that look alike are cut side by side. */
const shapeOf = (copies: readonly Rect[]): string =>
  copies
    .map((c) => [c.x, c.y, c.w, c.h].map((n) => Math.round(n * 1e4)).join(' '))
    .sort()
    .join(';');

/** Cuts a trimmed pile into strips along one direction and goes on with each; false where no straight line parts it. */
function part(program: Program, pile: Pile, along: 'x' | 'y'): boolean {
  const strips = groups(pile, along);
  if (strips.length < 2) return false;
  // The edge that lies at the gauge stays there where it can: no turn.
  const [near, far]: [SheetEdge, SheetEdge] = along === 'x' ? ['lay', 'far'] : ['gripper', 'tail'];
  const edge = program.edge === near ? near : far;
  const inFall = edge === far ? strips : [...strips].reverse();
  const asideAt = new Map<(typeof strips)[number], number>();
  inFall.slice(0, -1).forEach((strip, i) => {
    const after = inFall[i + 1] as (typeof strips)[number];
    const [inner, outer] = edge === far ? [strip.to, after.from] : [strip.from, after.to];
    cutAt(program, pile, edge, inner, 'strip', strip.to - strip.from);
    asideAt.set(strip, program.cuts.length);
    const gap = Math.abs(outer - inner);
    if (gap > EPS) cutAt(program, pile, edge, outer, 'waste', gap);
  });
  const made = strips.map((s) => {
    const copies = s.copies.map((c) => ({ ...c, [along]: c[along] - s.from }));
    return { s, copies, shape: shapeOf(copies) };
  });
  for (const shape of new Set(made.map((m) => m.shape))) {
    const alike = made.filter((m) => m.shape === shape);
    const [first] = alike;
    if (
      !first ||
      (first.copies.length === 1 &&
        fills(first.copies[0], along === 'x' ? first.s.to - first.s.from : pile.w, along === 'x' ? pile.h : first.s.to - first.s.from))
    )
      continue;
    const number = alike.length * pile.at.length;
    cutPile(program, {
      at: alike.flatMap(({ s }) => pile.at.map(([x, y]): [number, number] => (along === 'x' ? [x + s.from, y] : [x, y + s.from]))),
      w: along === 'x' ? first.s.to - first.s.from : pile.w,
      h: along === 'x' ? pile.h : first.s.to - first.s.from,
      copies: first.copies,
      take:
        alike.length === strips.length
          ? `${number} strips side by side`
          : takeUp(
              alike.map(({ s }) => asideAt.get(s)),
              number,
            ),
    });
  }
  return true;
}

const fills = (copy: Rect | undefined, w: number, h: number): boolean =>
  copy !== undefined && Math.abs(copy.w - w) < EPS && Math.abs(copy.h - h) < EPS;

/** Which strips come under the knife again: those put aside at some cuts, and what was left at the gauge. */
function takeUp(asideAt: readonly (number | undefined)[], number: number): string {
  const cuts = asideAt.filter((nr) => nr !== undefined);
  const what = [
    ...(cuts.length > 0 ? [`put aside at ${cuts.join(', ')}`] : []),
    ...(cuts.length < asideAt.length ? ['left at the gauge'] : []),
  ];
  return `${number === 1 ? 'the strip' : `${number} strips`} ${what.join(' and ')}`;
}

/** Trims a pile and parts it, in whichever direction takes fewer cuts. What straight cuts cannot part stays as it is. */
function cutPile(program: Program, pile: Pile): void {
  const trimmed = trim(program, pile);
  if (trimmed.copies.length < 2) return;
  const tries = (['x', 'y'] as const).flatMap((along) => {
    const tried: Program = { cuts: [...program.cuts], edge: program.edge };
    return part(tried, { ...trimmed }, along) ? [tried] : [];
  });
  const [first, second] = tries;
  const best = first && second && second.cuts.length < first.cuts.length ? second : first;
  if (!best) return;
  program.cuts = best.cuts;
  program.edge = best.edge;
}

const known = new WeakMap<Layout, Cut[]>();

/**
 * The cutting program of a sheet of copies: trims first, then strips, then the strips side by side into copies.
 *
 * Formula: gauge = distance of the cut from the edge that lies at the back gauge, in the pile as it lies then. Copies with bleed stand apart by twice the bleed:
 * one cut puts the strip aside, the next drops the waste; without bleed one common cut. Congruent strips are cut together, so a lattice of nx × ny costs
 * 4 + g·(nx − 1) + g·(ny − 1) cuts, g = 2 or 1.
 * Source: common practice, no source. Six-up (3 × 2) with bleed: 4 + 4 + 2 = 10 cuts.
 *
 * Six up with gutters takes ten cuts (finishing.test.ts).
 */
export function cuttingProgram(layout: Layout): Cut[] {
  const made = known.get(layout);
  if (made) return made;
  const program: Program = { cuts: [], edge: null };
  const copies = copyPlaces(layout).map(({ x, y, w, h }) => ({ x, y, w, h }));
  if (copies.length > 0) cutPile(program, { at: [[0, 0]], w: layout.sheetMm[0], h: layout.sheetMm[1], copies, take: '' });
  const cuts = program.cuts.map((cut, i) => ({ nr: i + 1, ...cut }));
  known.set(layout, cuts);
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
