import { floorTolerant } from '../quantity/round-tolerant';

/** States a layout search looks into: a few seconds on one core. A number, never seconds, so that the same question has the same answer. */
export const LAYOUT_ITERATIONS = 60_000;

/* Most equal rectangles in a rectangle in any layout, not only one that straight cuts take apart (the pallet-loading problem; die-cut work). Method:
   recursion over L-shaped pieces, each parted into two L-shaped pieces (Lins, Lins & Morabito 2003; Birgin, Morabito & Nishihara 2005), on normal
   patterns, with area bounds. It is not exhaustive; what it finds is proved best only where it reaches the bound. */

export interface AnyLayoutAsk {
  width: number;
  height: number;
  pieceWidth: number;
  pieceHeight: number;
  /** Pieces may be turned by a right angle; where they may not, rows are best. */
  mayTurn?: boolean;
  /** States looked into at most: the same number gives the same answer everywhere. */
  iterations: number;
}
export interface PiecePlace {
  x: number;
  y: number;
  turned: boolean;
}
export interface AnyLayoutAnswer {
  count: number;
  /** No layout holds more. Equal to `count`: proved. */
  bound: number;
  places: PiecePlace[];
  /** States looked into. */
  iterations: number;
}
export interface AnyLayoutProgress {
  iterations: number;
  count: number;
  bound: number;
}

/** More sums than this and the recursion would not fit in memory: tiny pieces on a large sheet. */
const MOST_SUMS = 220;
const EPS = 1e-9;

/** Sums of so many widths and heights up to a size, ascending, from 0: where a piece may begin in a layout pushed to one corner. */
function normalSums(size: number, a: number, b: number): number[] {
  const sums: number[] = [];
  for (let i = 0; i * a <= size + EPS; i++) for (let j = 0; i * a + j * b <= size + EPS; j++) sums.push(i * a + j * b);
  sums.sort((p, q) => p - q);
  return sums.filter((s, i) => i === 0 || s - (sums[i - 1] ?? 0) > EPS);
}

/**
 * Raster points of a side: the normal sums that matter, seen from both ends; fewer than the sums, and no layout is lost.
 * Source: Scheithauer & Terno 1996 (from memory).
 */
function rasterPoints(size: number, a: number, b: number): number[] {
  const sums = normalSums(size, a, b);
  const below = (length: number): number => sums.findLast((s) => s <= length + EPS) ?? 0;
  const points = [...new Set(sums.map((s) => below(size - s)))].sort((p, q) => p - q);
  return points;
}

/** For every two points the greatest point not above their difference, as indices. */
function differences(points: readonly number[]): Int32Array {
  const n = points.length;
  const minus = new Int32Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      const length = (points[i] ?? 0) - (points[j] ?? 0) + EPS;
      minus[i * n + j] = points.findLastIndex((p) => p <= length);
    }
  return minus;
}

/** Colours are counted for whole numbers only, and for pieces whose longer side is not too long. */
const MOST_COLOURS = 64;
const mayColour = ([w = 0, h = 0, a = 0, b = 0]: readonly number[]): boolean =>
  [w, h, a, b].every(Number.isInteger) && Math.max(a, b) <= MOST_COLOURS;

/**
 * Upper bound for a shape of whole numbers by colouring: colour the unit squares by (u + v) mod n and by (u − v) mod n, n the length of a side of the piece.
 * A piece of n × m is m bars of n squares, each bar covers every colour once, so there are no more pieces than the rarest colour's squares ÷ m.
 * Source: the argument behind Barnes 1979, applied to L-shapes.
 */
function colourBound(X: number, Y: number, x: number, y: number, n: number, m: number): number {
  const counts = [new Int32Array(n), new Int32Array(n)] as const;
  const add = (w: number, h: number, v0: number): void => {
    const [r, t] = [w % n, h % n];
    // Whole bands of n squares hold every colour alike; only the remainder block tells them apart.
    const alike = (w * h - r * t) / n;
    for (let c = 0; c < n; c++) {
      counts[0][c] = (counts[0][c] ?? 0) + alike;
      counts[1][c] = (counts[1][c] ?? 0) + alike;
    }
    for (let u = 0; u < r; u++)
      for (let v = 0; v < t; v++) {
        const [sum, difference] = [(w - r + u + v0 + h - t + v) % n, (((w - r + u - v0 - h + t - v) % n) + n) % n];
        counts[0][sum] = (counts[0][sum] ?? 0) + 1;
        counts[1][difference] = (counts[1][difference] ?? 0) + 1;
      }
  };
  if (x === X || y === Y) add(X, Y, 0);
  else {
    add(X, y, 0);
    add(x, Y - y, y);
  }
  return Math.floor(Math.min(...counts[0], ...counts[1]) / m);
}

/**
 * Upper bound: pieces that any layout can hold; by area on the sides reduced to their normal sums, and by colouring.
 * @example piecesBound({ width: 40, height: 25, pieceWidth: 7, pieceHeight: 3 }) // 47
 */
export function piecesBound({ width, height, pieceWidth: a, pieceHeight: b }: Omit<AnyLayoutAsk, 'iterations'>): number {
  const reduced = (size: number): number => normalSums(size, a, b).at(-1) ?? 0;
  const [w, h] = [reduced(width), reduced(height)];
  const area = floorTolerant((w * h) / (a * b));
  return mayColour([w, h, a, b]) ? Math.min(area, colourBound(w, h, w, h, a, b), colourBound(w, h, w, h, b, a)) : area;
}

/** A piece of a division: its shape, where it begins (mirrored: where it ends), and whether it lies mirrored. */
type Sub = readonly [X: number, Y: number, x: number, y: number, atX: number, atY: number, flipX: boolean, flipY: boolean];

/** The search itself, on indices into the raster points of each side: a shape is a rectangle X × Y without its upper right corner beyond x and y. */
class LSearch {
  private readonly xs: number[];
  private readonly ys: number[];
  private readonly minusX: Int32Array;
  private readonly minusY: Int32Array;
  /** What a shape is known to hold, and to hold at most. */
  private readonly found = new Map<number, number>();
  private readonly caps = new Map<number, number>();
  private readonly split = new Map<number, readonly [Sub, Sub]>();
  private readonly plain: Int32Array;
  private readonly whole: boolean;
  iterations = 0;

  constructor(
    private readonly ask: AnyLayoutAsk,
    private readonly tell: (states: number) => void,
  ) {
    const { width, height, pieceWidth, pieceHeight } = ask;
    this.xs = rasterPoints(width, pieceWidth, pieceHeight);
    this.ys = rasterPoints(height, pieceWidth, pieceHeight);
    this.minusX = differences(this.xs);
    this.minusY = differences(this.ys);
    this.whole = mayColour([pieceWidth + pieceHeight, pieceWidth * pieceHeight, pieceWidth, pieceHeight]);
    this.plain = this.guillotine();
  }

  get top(): [X: number, Y: number] {
    return [this.xs.length - 1, this.ys.length - 1];
  }
  private sumX(i: number): number {
    return this.xs[i] ?? 0;
  }
  private sumY(i: number): number {
    return this.ys[i] ?? 0;
  }
  private lessX(i: number, j: number): number {
    return this.minusX[i * this.xs.length + j] ?? 0;
  }
  private lessY(i: number, j: number): number {
    return this.minusY[i * this.ys.length + j] ?? 0;
  }

  /** Most pieces in every rectangle by straight cuts: the start, and a bound from below. */
  private guillotine(): Int32Array {
    const [nx, ny] = [this.xs.length, this.ys.length];
    const most = new Int32Array(nx * ny);
    const { pieceWidth: a, pieceHeight: b } = this.ask;
    for (let i = 0; i < nx; i++)
      for (let j = 0; j < ny; j++) {
        const [w, h] = [this.sumX(i), this.sumY(j)];
        let top = Math.max(floorTolerant(w / a) * floorTolerant(h / b), floorTolerant(w / b) * floorTolerant(h / a));
        for (let k = 1; k < i; k++) top = Math.max(top, (most[k * ny + j] ?? 0) + (most[this.lessX(i, k) * ny + j] ?? 0));
        for (let k = 1; k < j; k++) top = Math.max(top, (most[i * ny + k] ?? 0) + (most[i * ny + this.lessY(j, k)] ?? 0));
        most[i * ny + j] = top;
      }
    return most;
  }
  private rect(i: number, j: number): number {
    return this.plain[i * this.ys.length + j] ?? 0;
  }

  /** By area: no more than this in the shape. */
  private byArea(X: number, Y: number, x: number, y: number): number {
    const area = this.sumX(X) * this.sumY(Y) - (this.sumX(X) - this.sumX(x)) * (this.sumY(Y) - this.sumY(y));
    return Math.floor(area / (this.ask.pieceWidth * this.ask.pieceHeight) + EPS);
  }
  private byColour(X: number, Y: number, x: number, y: number): number {
    if (!this.whole) return Infinity;
    const { pieceWidth: a, pieceHeight: b } = this.ask;
    const shape = [this.sumX(X), this.sumY(Y), this.sumX(x), this.sumY(y)] as const;
    return Math.min(colourBound(...shape, a, b), colourBound(...shape, b, a));
  }
  /** By two rectangles: at least this in the shape. */
  private below(X: number, Y: number, x: number, y: number): number {
    if (x === X || y === Y) return this.rect(X, Y);
    return Math.max(this.rect(X, y) + this.rect(x, this.lessY(Y, y)), this.rect(x, Y) + this.rect(this.lessX(X, x), y));
  }
  private key(X: number, Y: number, x: number, y: number): number {
    return ((X * this.ys.length + Y) * this.xs.length + x) * this.ys.length + y;
  }

  /**
   * Looks for at least `need` pieces in a shape: what it found is kept, and so is that it found no more. A shape whose bound is below `need` is not
   * looked into, and neither is a division whose pieces together cannot reach it.
   */
  solve(X: number, Y: number, x: number, y: number, need: number): number {
    if (X === 0 || Y === 0 || (x === 0 && y === 0)) return 0;
    // A shape without its upper or right part is the rectangle that is left.
    if (x === 0) return this.solve(X, y, X, y, need);
    if (y === 0) return this.solve(x, Y, x, Y, need);
    if (x === X || y === Y) [x, y] = [X, Y];
    const key = this.key(X, Y, x, y);
    let cap = this.caps.get(key);
    let best = this.found.get(key);
    if (cap === undefined || best === undefined) {
      cap = Math.min(this.byArea(X, Y, x, y), this.byColour(X, Y, x, y));
      best = this.below(X, Y, x, y);
      this.caps.set(key, cap);
      this.found.set(key, best);
    }
    if (best >= need || cap < need || this.iterations >= this.ask.iterations) return best;
    this.iterations++;
    if (this.iterations % 1_000 === 0) this.tell(this.iterations);
    this.caps.set(key, need - 1); // within itself a shape finds nothing better
    for (const [one, two] of x === X ? this.ofRectangle(X, Y) : this.ofL(X, Y, x, y)) {
      const [most1, most2] = [this.capOf(one), this.capOf(two)];
      if (most1 + most2 < need) continue;
      const first = this.solve(one[0], one[1], one[2], one[3], need - most2);
      if (first + most2 < need) continue;
      const both = first + this.solve(two[0], two[1], two[2], two[3], need - first);
      if (both <= best) continue;
      best = both;
      this.found.set(key, best);
      this.split.set(key, [one, two]);
      if (best >= need) {
        this.caps.set(key, cap);
        return best;
      }
    }
    // A search that was cut short has shown nothing.
    if (this.iterations >= this.ask.iterations) this.caps.set(key, cap);
    return best;
  }
  private capOf([X, Y, x, y]: Sub): number {
    if (x === 0) return this.byArea(X, y, X, y);
    if (y === 0) return this.byArea(x, Y, x, Y);
    return this.caps.get(x === X || y === Y ? this.key(X, Y, X, Y) : this.key(X, Y, x, y)) ?? this.byArea(X, Y, x, y);
  }

  /** Ways to part a rectangle: straight, a corner off, a step across, a step along. */
  private *ofRectangle(X: number, Y: number): Generator<readonly [Sub, Sub]> {
    for (let a = 1; a < X; a++) yield [this.box(a, Y, 0, 0), this.box(this.lessX(X, a), Y, a, 0)];
    for (let b = 1; b < Y; b++) yield [this.box(X, b, 0, 0), this.box(X, this.lessY(Y, b), 0, b)];
    for (let a1 = 2; a1 < X; a1++)
      for (let a2 = 1; a2 < a1; a2++)
        for (let b = 1; b < Y; b++)
          yield [
            [a1, Y, a2, b, 0, 0, false, false],
            [this.lessX(X, a2), Y, this.lessX(X, a1), this.lessY(Y, b), X, Y, true, true],
          ];
    for (let b1 = 2; b1 < Y; b1++)
      for (let b2 = 1; b2 < b1; b2++)
        for (let a = 1; a < X; a++)
          yield [
            [X, b1, a, b2, 0, 0, false, false],
            [X, this.lessY(Y, b2), this.lessX(X, a), this.lessY(Y, b1), X, Y, true, true],
          ];
    for (let a = 1; a < X; a++)
      for (let b = 1; b < Y; b++) yield [this.box(a, b, 0, 0), [X, Y, this.lessX(X, a), this.lessY(Y, b), X, Y, true, true]];
  }

  /** Ways to part an L: straight cuts, and paths with one corner that begin at an edge or at the inner corner. */
  private *ofL(X: number, Y: number, x: number, y: number): Generator<readonly [Sub, Sub]> {
    for (let a = 1; a < X; a++)
      yield a <= x
        ? [
            this.box(a, Y, 0, 0),
            a === x ? this.box(this.lessX(X, x), y, x, 0) : [this.lessX(X, a), Y, this.lessX(x, a), y, a, 0, false, false],
          ]
        : [[a, Y, x, y, 0, 0, false, false], this.box(this.lessX(X, a), y, a, 0)];
    for (let b = 1; b < Y; b++)
      yield b <= y
        ? [
            this.box(X, b, 0, 0),
            b === y ? this.box(x, this.lessY(Y, y), 0, y) : [X, this.lessY(Y, b), x, this.lessY(y, b), 0, b, false, false],
          ]
        : [[X, b, x, y, 0, 0, false, false], this.box(x, this.lessY(Y, b), 0, b)];
    for (let a = 1; a < x; a++)
      for (let b = y; b < Y; b++)
        yield [
          [x, Y, a, this.lessY(Y, b), 0, Y, false, true],
          [this.lessX(X, a), b, this.lessX(x, a), y, a, 0, false, false],
        ];
    for (let a = x; a < X; a++)
      for (let b = 1; b < y; b++)
        yield [
          [X, y, this.lessX(X, a), b, X, 0, true, false],
          [a, this.lessY(Y, b), x, this.lessY(y, b), 0, b, false, false],
        ];
    for (let b = 1; b < y; b++)
      for (let a = 1; a < X; a++)
        if (a > x)
          yield [
            [a, Y, x, b, 0, 0, false, false],
            [this.lessX(X, x), y, this.lessX(X, a), this.lessY(y, b), X, y, true, true],
          ];
        else if (a < x)
          yield [
            [x, Y, a, this.lessY(Y, b), 0, Y, false, true],
            [this.lessX(X, a), y, this.lessX(X, x), b, X, 0, true, false],
          ];
    for (let a = 1; a < x; a++)
      for (let b = 1; b < Y; b++)
        if (b > y)
          yield [
            [X, b, a, y, 0, 0, false, false],
            [x, this.lessY(Y, y), this.lessX(x, a), this.lessY(Y, b), x, Y, true, true],
          ];
        else if (b < y)
          yield [
            [X, y, this.lessX(X, a), b, X, 0, true, false],
            [x, this.lessY(Y, b), a, this.lessY(Y, y), 0, Y, false, true],
          ];
  }
  private box(X: number, Y: number, ox: number, oy: number): Sub {
    return [X, Y, X, Y, ox, oy, false, false];
  }

  /** The pieces of a shape, from its lower left corner, by the divisions that were found. */
  places(X: number, Y: number, x: number, y: number): PiecePlace[] {
    if (X === 0 || Y === 0 || (x === 0 && y === 0)) return [];
    if (x === 0) return this.places(X, y, X, y);
    if (y === 0) return this.places(x, Y, x, Y);
    if (x === X || y === Y) [x, y] = [X, Y];
    const division = this.split.get(this.key(X, Y, x, y));
    if (division) return division.flatMap((sub) => this.placesOf(sub));
    if (x === X) return this.placesByCuts(X, Y);
    const across = this.rect(X, y) + this.rect(x, this.lessY(Y, y));
    return across >= this.rect(x, Y) + this.rect(this.lessX(X, x), y)
      ? [...this.placesByCuts(X, y), ...shifted(this.placesByCuts(x, this.lessY(Y, y)), 0, this.sumY(y))]
      : [...this.placesByCuts(x, Y), ...shifted(this.placesByCuts(this.lessX(X, x), y), this.sumX(x), 0)];
  }

  /** A mirrored piece lies against the far side of its space, which may be longer than its own sums. */
  private placesOf([X, Y, x, y, atX, atY, flipX, flipY]: Sub): PiecePlace[] {
    const { pieceWidth: a, pieceHeight: b } = this.ask;
    const [left, low] = [this.sumX(atX), this.sumY(atY)];
    return this.places(X, Y, x, y).map((p) => {
      const [pw, ph] = p.turned ? [b, a] : [a, b];
      return { x: flipX ? left - p.x - pw : left + p.x, y: flipY ? low - p.y - ph : low + p.y, turned: p.turned };
    });
  }

  private placesByCuts(i: number, j: number): PiecePlace[] {
    const [w, h] = [this.sumX(i), this.sumY(j)];
    const most = this.rect(i, j);
    if (most === 0) return [];
    for (const turned of [false, true]) {
      const rows = inRows({ ...this.ask, width: w, height: h }, turned);
      if (rows.length === most) return rows;
    }
    for (let k = 1; k < i; k++)
      if (this.rect(k, j) + this.rect(this.lessX(i, k), j) === most)
        return [...this.placesByCuts(k, j), ...shifted(this.placesByCuts(this.lessX(i, k), j), this.sumX(k), 0)];
    for (let k = 1; k < j; k++)
      if (this.rect(i, k) + this.rect(i, this.lessY(j, k)) === most)
        return [...this.placesByCuts(i, k), ...shifted(this.placesByCuts(i, this.lessY(j, k)), 0, this.sumY(k))];
    return [];
  }
}

const shifted = (places: readonly PiecePlace[], dx: number, dy: number): PiecePlace[] =>
  places.map((p) => ({ ...p, x: p.x + dx, y: p.y + dy }));

/**
 * Most pieces of a × b (turned or not) in a rectangle, in any layout.
 *
 * Deterministic: the same question and number of iterations give the same answer; no clock. Units: any one length. The answer is proved best where
 * `count` equals `bound`; else the gap is `bound − count`. Tiny pieces on a large sheet (more than 220 normal sums a side) get the layout by straight cuts.
 */
export function anyLayout(ask: AnyLayoutAsk, tell: (progress: AnyLayoutProgress) => void = () => undefined): AnyLayoutAnswer {
  const { width, height, pieceWidth, pieceHeight, mayTurn = true } = ask;
  if (!(width > 0 && height > 0 && pieceWidth > 0 && pieceHeight > 0)) return { count: 0, bound: 0, places: [], iterations: 0 };
  const straight = inRows(ask, false);
  if (!mayTurn) return { count: straight.length, bound: straight.length, places: straight, iterations: 0 };
  const bound = piecesBound(ask);
  if (Math.max(...[width, height].map((side) => normalSums(side, pieceWidth, pieceHeight).length)) > MOST_SUMS) {
    const turned = inRows(ask, true);
    const places = turned.length > straight.length ? turned : straight;
    return { count: places.length, bound, places, iterations: 0 };
  }
  let count = 0;
  const search = new LSearch(ask, (iterations) => {
    tell({ iterations, count, bound });
  });
  const [X, Y] = search.top;
  count = search.solve(X, Y, X, Y, 0);
  // From the bound down: most layouts of print reach it or miss it by one.
  for (let need = bound; need > count; need--) count = Math.max(count, search.solve(X, Y, X, Y, need));
  return { count, bound, places: search.places(X, Y, X, Y), iterations: search.iterations };
}

/** Pieces in rows, all one way. */
function inRows({ width, height, pieceWidth: a, pieceHeight: b }: AnyLayoutAsk, turned: boolean): PiecePlace[] {
  const [pw, ph] = turned ? [b, a] : [a, b];
  const [nx, ny] = [floorTolerant(width / pw), floorTolerant(height / ph)];
  return Array.from({ length: nx * ny }, (_, k) => ({ x: (k % nx) * pw, y: Math.floor(k / nx) * ph, turned }));
}
