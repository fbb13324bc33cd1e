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
const MOST_CUTS_TRIED = 200_000;
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
  const search = new GuillotineSearch(w, h, ask.mayTurn && w !== h, Math.max(W, H));
  const tree = search.tree(W, H);
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

class GuillotineSearch {
  private readonly sums: number[];
  private readonly rasters = new Map<number, number[]>();
  private cutsTried = 0;
  proved = true;
  private readonly memo = new Map<number, { count: number; cut: { across: 'x' | 'y'; at: number } | null }>();

  constructor(
    private readonly w: number,
    private readonly h: number,
    private readonly mayTurn: boolean,
    most: number,
  ) {
    // One orientation: the lattice is the optimum, no cut can better it.
    this.sums = mayTurn ? normalPatterns(w, h, most) : [];
    this.proved = !mayTurn || this.sums.length > 0;
  }

  tree(W: number, H: number): CutTree {
    const best = this.best(W, H);
    if (best.count === 0) return { kind: 'waste' };
    if (!best.cut) return { kind: 'block', ...this.lattice(W, H) };
    const { across, at } = best.cut;
    const [first, second] = across === 'x' ? [this.tree(at, H), this.tree(W - at, H)] : [this.tree(W, at), this.tree(W, H - at)];
    return { kind: 'cut', across, at, first, second };
  }

  private lattice(W: number, H: number): { nx: number; ny: number; turned: boolean } {
    const [nx, ny] = [Math.floor(W / this.w), Math.floor(H / this.h)];
    const [tx, ty] = this.mayTurn ? [Math.floor(W / this.h), Math.floor(H / this.w)] : [0, 0];
    return tx * ty > nx * ny ? { nx: tx, ny: ty, turned: true } : { nx, ny, turned: false };
  }

  /** The largest sum of piece sizes not above x: what lies beyond can hold nothing. */
  private reduced(x: number): number {
    let [low, high] = [0, this.sums.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((this.sums[middle] as number) <= x) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  /**
   * Where a side of this length need be cut: at raster points up to the middle. A raster point is what remains useful beside a normal pattern,
   * ⟨L − s⟩; any other cut wastes on one side what the other could have. The far half is the mirror image.
   */
  private cutsOf(index: number): number[] {
    const known = this.rasters.get(index);
    if (known) return known;
    const length = this.sums[index] as number;
    const points = new Set<number>();
    for (let i = 0; i <= index; i++) points.add(this.sums[this.reduced(length - (this.sums[i] as number))] as number);
    const cuts = [...points].filter((p) => p > 0 && 2 * p <= length).sort((x, y) => x - y);
    this.rasters.set(index, cuts);
    return cuts;
  }

  private best(W0: number, H0: number): { count: number; cut: { across: 'x' | 'y'; at: number } | null } {
    const plain = this.lattice(W0, H0);
    const start = { count: plain.nx * plain.ny, cut: null as { across: 'x' | 'y'; at: number } | null };
    if (this.sums.length === 0) return start;
    const [a, b] = [this.reduced(W0), this.reduced(H0)];
    const key = a * (MOST_PATTERNS + 1) + b;
    const known = this.memo.get(key);
    if (known) return known;
    const [W, H] = [this.sums[a] as number, this.sums[b] as number];
    const bound = Math.floor((W * H) / (this.w * this.h));
    const best = start;
    for (const at of this.cutsOf(a)) {
      if (best.count >= bound || !this.mayTry()) break;
      const count = this.best(at, H).count + this.best(W - at, H).count;
      if (count > best.count) Object.assign(best, { count, cut: { across: 'x', at } });
    }
    for (const at of this.cutsOf(b)) {
      if (best.count >= bound || !this.mayTry()) break;
      const count = this.best(W, at).count + this.best(W, H - at).count;
      if (count > best.count) Object.assign(best, { count, cut: { across: 'y', at } });
    }
    this.memo.set(key, best);
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
