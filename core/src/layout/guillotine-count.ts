import { OutOfRange, requireAboveZero } from '../quantity/errors';

/** A homogeneous block: nx × ny pieces, all turned or all not. */
export interface Block {
  x: number;
  y: number;
  nx: number;
  ny: number;
  turned: boolean;
}
/** How the rectangle is cut: into two by a straight cut, into a block, or left as waste. */
export type CutTree =
  | { kind: 'waste' }
  | { kind: 'block'; nx: number; ny: number; turned: boolean }
  | { kind: 'cut'; across: 'x' | 'y'; at: number; first: CutTree; second: CutTree };
/** `proved`: the count is the optimum. False only where a sheet of very many small pieces used up the search's budget of steps. */
export interface GuillotineLayout {
  count: number;
  blocks: Block[];
  tree: CutTree;
  proved: boolean;
}

export interface GuillotineAsk {
  width: number;
  height: number;
  pieceWidth: number;
  pieceHeight: number;
  /** Grain free: pieces may be turned by 90°. */ mayTurn: boolean;
}

/** Thousandths of the unit given: sums of sizes stay exact whole numbers. */
const SCALE = 1000;
/** Cuts tried before the search contents itself with the best found: a number of steps, never seconds, so that every machine agrees. */
const MOST_CUTS_TRIED = 2_000_000;
/** Normal patterns a side; more are not searched at all. */
const MOST_PATTERNS = 1500;

/**
 * The greatest number of equal rectangles that straight cuts from edge to edge can take out of a rectangle, and how.
 *
 * Formula: F(W, H) = max over lattices and over cuts at raster points (from sums i·w + j·h) of F(left) + F(right); memo on reduced sizes,
 * a branch stops when it reaches the area bound of its reduced rectangle. Exact. Deterministic: first best in a fixed order wins.
 * Source: Christofides & Whitlock 1977 (recursion over normal patterns), raster points by Scheithauer & Terno 1996, both from memory; checked against `pallet-loading.json`.
 *
 * @throws OutOfRange a size not above 0
 * @example guillotineCount({ width: 30, height: 22, pieceWidth: 7, pieceHeight: 4, mayTurn: true }).count // 22
 */
export function guillotineCount(ask: GuillotineAsk): GuillotineLayout {
  for (const side of ['width', 'height', 'pieceWidth', 'pieceHeight'] as const) requireAboveZero(side, ask[side]);
  const [w, h] = [Math.ceil(ask.pieceWidth * SCALE - 1e-6), Math.ceil(ask.pieceHeight * SCALE - 1e-6)];
  const [W, H] = [Math.floor(ask.width * SCALE + 1e-6), Math.floor(ask.height * SCALE + 1e-6)];
  if (w < 1 || h < 1) throw new OutOfRange('pieceWidth', ask.pieceWidth, 'at least 0.001');
  const search = new GuillotineSearch(w, h, ask.mayTurn && w !== h, W, H);
  const tree = search.tree();
  const blocks: Block[] = [];
  placeBlocks(tree, 0, 0, blocks);
  const scaled = blocks.map((b) => ({ ...b, x: b.x / SCALE, y: b.y / SCALE }));
  return { count: blocks.reduce((sum, b) => sum + b.nx * b.ny, 0), blocks: scaled, tree: unscaled(tree), proved: search.proved };
}

function placeBlocks(tree: CutTree, x: number, y: number, into: Block[]): void {
  if (tree.kind === 'block') into.push({ x, y, nx: tree.nx, ny: tree.ny, turned: tree.turned });
  else if (tree.kind === 'cut') {
    placeBlocks(tree.first, x, y, into);
    placeBlocks(tree.second, tree.across === 'x' ? x + tree.at : x, tree.across === 'y' ? y + tree.at : y, into);
  }
}

function unscaled(tree: CutTree): CutTree {
  return tree.kind === 'cut' ? { ...tree, at: tree.at / SCALE, first: unscaled(tree.first), second: unscaled(tree.second) } : tree;
}

/** One side of the rectangle: every length that cutting can lead to, and how each may be cut in two: places in `lengths`, near and far by turns. */
interface Side {
  lengths: number[];
  cuts: Int32Array[];
}

class GuillotineSearch {
  private readonly sums: number[];
  private readonly x: Side;
  private readonly y: Side;
  /** Best count of a rectangle of the x-th and y-th length, −1 where unknown; and its first cut: 0 none, k + 1 across x, −k − 1 across y. */
  private readonly count: Int32Array;
  private readonly cut: Int32Array;
  private cutsTried = 0;
  proved = true;

  constructor(
    private readonly w: number,
    private readonly h: number,
    private readonly mayTurn: boolean,
    private readonly W: number,
    private readonly H: number,
  ) {
    // One orientation: the lattice is the optimum, no cut can better it.
    this.sums = mayTurn ? normalPatterns(w, h, Math.max(W, H)) : [];
    this.proved = !mayTurn || this.sums.length > 0;
    this.x = this.sideOf(W);
    this.y = this.sideOf(H);
    this.count = new Int32Array(this.x.lengths.length * this.y.lengths.length).fill(-1);
    this.cut = new Int32Array(this.count.length);
  }

  tree(): CutTree {
    if (this.sums.length === 0) return this.blockOf(this.W, this.H);
    this.best(0, 0);
    return this.treeOf(0, 0);
  }

  private blockOf(W: number, H: number): CutTree {
    const block = this.lattice(W, H);
    return block.nx * block.ny === 0 ? { kind: 'waste' } : { kind: 'block', ...block };
  }

  private treeOf(i: number, j: number): CutTree {
    const cut = this.cut[i * this.y.lengths.length + j] as number;
    const [W, H] = [this.x.lengths[i] as number, this.y.lengths[j] as number];
    if (cut === 0) return this.blockOf(W, H);
    const across = cut > 0 ? 'x' : 'y';
    const pairs = (cut > 0 ? this.x.cuts[i] : this.y.cuts[j]) as Int32Array;
    const k = 2 * (Math.abs(cut) - 1);
    const [near, far] = [pairs[k] as number, pairs[k + 1] as number];
    const half = (side: number): CutTree => (across === 'x' ? this.treeOf(side, j) : this.treeOf(i, side));
    return { kind: 'cut', across, at: (across === 'x' ? this.x : this.y).lengths[near] as number, first: half(near), second: half(far) };
  }

  private lattice(W: number, H: number): { nx: number; ny: number; turned: boolean } {
    const [nx, ny] = [Math.floor(W / this.w), Math.floor(H / this.h)];
    const [tx, ty] = this.mayTurn ? [Math.floor(W / this.h), Math.floor(H / this.w)] : [0, 0];
    return tx * ty > nx * ny ? { nx: tx, ny: ty, turned: true } : { nx, ny, turned: false };
  }

  /** The largest sum of piece sizes not above a length: what lies beyond can hold nothing. */
  private reduced(length: number): number {
    let [low, high] = [0, this.sums.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((this.sums[middle] as number) <= length) low = middle;
      else high = middle - 1;
    }
    return this.sums[low] as number;
  }

  /** Follows a side through all its cuts; the whole side is the first of its lengths. Paid once a side, not once a rectangle. */
  private sideOf(length: number): Side {
    if (this.sums.length === 0) return { lengths: [], cuts: [] };
    const lengths = [this.reduced(length)];
    const places = new Map(lengths.map((l, i) => [l, i]));
    const placeOf = (l: number): number => {
      const known = places.get(l);
      if (known !== undefined) return known;
      places.set(l, lengths.length);
      return lengths.push(l) - 1;
    };
    const cuts: Side['cuts'] = [];
    // The list grows while it is walked: each new length is cut in its turn.
    for (const whole of lengths)
      cuts.push(Int32Array.from(this.cutsOf(whole).flatMap((at) => [placeOf(at), placeOf(this.reduced(whole - at))])));
    return { lengths, cuts };
  }

  /**
   * Where a side of this length need be cut: at raster points up to the middle. A raster point is what remains useful beside a normal pattern,
   * ⟨L − s⟩; any other cut wastes on one side what the other could have. The far half is the mirror image.
   */
  private cutsOf(length: number): number[] {
    const points = new Set<number>();
    for (const sum of this.sums) {
      if (sum > length) break;
      const point = this.reduced(length - sum);
      if (point > 0 && 2 * point <= length) points.add(point);
    }
    return [...points].sort((a, b) => a - b);
  }

  private best(i: number, j: number): number {
    const rows = this.y.lengths.length;
    const at = i * rows + j;
    const known = this.count[at] as number;
    if (known >= 0) return known;
    const [W, H] = [this.x.lengths[i] as number, this.y.lengths[j] as number];
    const plain = this.lattice(W, H);
    let best = plain.nx * plain.ny;
    let first = 0;
    const bound = Math.floor((W * H) / (this.w * this.h));
    const across = this.x.cuts[i] as Int32Array;
    for (let k = 0; k < across.length && best < bound && this.mayTry(); k += 2) {
      const count = this.best(across[k] as number, j) + this.best(across[k + 1] as number, j);
      if (count > best) [best, first] = [count, k / 2 + 1];
    }
    const along = this.y.cuts[j] as Int32Array;
    for (let k = 0; k < along.length && best < bound && this.mayTry(); k += 2) {
      const count = this.best(i, along[k] as number) + this.best(i, along[k + 1] as number);
      if (count > best) [best, first] = [count, -k / 2 - 1];
    }
    this.count[at] = best;
    this.cut[at] = first;
    return best;
  }

  private mayTry(): boolean {
    this.cutsTried++;
    if (this.cutsTried > MOST_CUTS_TRIED) this.proved = false;
    return this.proved;
  }
}

/** All sums i·a + j·b up to a length, ascending, 0 included; none at all where there are too many to search. */
function normalPatterns(a: number, b: number, most: number): number[] {
  if ((most / a) * (most / b) > 200_000) return [];
  const sums = new Set<number>();
  for (let i = 0; i * a <= most; i++) for (let j = 0; i * a + j * b <= most; j++) sums.add(i * a + j * b);
  return sums.size > MOST_PATTERNS ? [] : [...sums].sort((x, y) => x - y);
}
