import fc from 'fast-check';
import { type Cell, copyPlaces, type Layout } from '../layout/layout';
import { sheetLayout } from '../layout/sheet-layout';
import type { WorkStyleId } from '../layout/work-style';
import { type Cut, cuttingProgram } from './cutting-program';

const TRIM_MM = [210, 210] as const;
const cell = (
  x: number,
  y: number,
  nx: number,
  ny: number,
  pitch: [number, number],
  turn: Cell['turn'] = 0,
  trimMm: Cell['trimMm'] = TRIM_MM,
): Cell => ({
  part: 'p',
  item: 'i',
  trimMm,
  x,
  y,
  nx,
  ny,
  dx: pitch[0],
  dy: pitch[1],
  turn,
});
const lattice = (nx: number, ny: number, bleed: number): Layout => ({
  sheetMm: [720, 520],
  gripperMm: 12,
  cells: [cell(20, 25, nx, ny, [210 + 2 * bleed, 210 + 2 * bleed])],
});

interface Piece {
  x: number;
  y: number;
  w: number;
  h: number;
}
const near = (a: number, b: number): boolean => Math.abs(a - b) < 1e-6;

/**
 * Cuts a lift as somebody at the machine would, by gauge and edge alone: each line must go right across a pile that lies there, the gauge must set it there, and
 * what falls off must be as wide as the program says. Gives the piles that are left.
 */
function cutLift(sheet: readonly [number, number], cuts: readonly Cut[]): Piece[] {
  let piles: Piece[] = [{ x: 0, y: 0, w: sheet[0], h: sheet[1] }];
  for (const cut of cuts) {
    for (const line of cut.lines) {
      const pile = piles.find(
        (p) =>
          (line.across === 'x'
            ? near(p.y, line.fromMm) && near(p.y + p.h, line.toMm)
            : near(p.x, line.fromMm) && near(p.x + p.w, line.toMm)) &&
          (line.across === 'x' ? line.atMm > p.x && line.atMm < p.x + p.w : line.atMm > p.y && line.atMm < p.y + p.h),
      );
      if (!pile) throw new Error(`cut ${cut.nr}: no pile lies there`);
      const g = cut.gaugeMm;
      const kept: Piece = {
        gripper: { ...pile, h: g },
        tail: { ...pile, y: pile.y + pile.h - g, h: g },
        lay: { ...pile, w: g },
        far: { ...pile, x: pile.x + pile.w - g, w: g },
      }[cut.edge];
      const off: Piece = {
        gripper: { ...pile, y: pile.y + g, h: pile.h - g },
        tail: { ...pile, h: pile.h - g },
        lay: { ...pile, x: pile.x + g, w: pile.w - g },
        far: { ...pile, w: pile.w - g },
      }[cut.edge];
      const at = { gripper: off.y, tail: kept.y, lay: off.x, far: kept.x }[cut.edge];
      if (!near(at, line.atMm)) throw new Error(`cut ${cut.nr}: the gauge sets it at ${at}, the drawing shows ${line.atMm}`);
      if (!near(line.across === 'x' ? off.w : off.h, cut.fallsMm)) throw new Error(`cut ${cut.nr}: another strip falls off`);
      piles = [...piles.filter((p) => p !== pile), kept, ...(cut.falls === 'strip' ? [off] : [])];
    }
  }
  return piles;
}
const sorted = (pieces: readonly Piece[]): number[][] =>
  pieces
    .map((p) => [p.x, p.y, p.w, p.h].map((n) => Math.round(n * 1e4) / 1e4))
    .sort((a, b) => (a[0] ?? 0) - (b[0] ?? 0) || (a[1] ?? 0) - (b[1] ?? 0));

describe('the cutting program', () => {
  it('cuts six-up with bleed in ten cuts', () => {
    expect(cuttingProgram(lattice(3, 2, 3))).toHaveLength(10); // trade check value: about 10 cuts
  });
  it('needs one common cut between copies without bleed', () => {
    expect(cuttingProgram(lattice(3, 2, 0))).toHaveLength(7);
  });
  it('says gauges in the order of cuts, as worked by hand', () => {
    // Sheet 720 × 520; copies of 210 from 20 | 25, 216 apart: their box ends at 662 and 451. Printed edges first, then the fresh ones; columns fall from the lay.
    expect(cuttingProgram(lattice(3, 2, 3)).map((c) => [c.edge, c.gaugeMm, c.turns, c.falls, c.fallsMm])).toEqual([
      ['gripper', 451, 0, 'trim', 69],
      ['lay', 662, 1, 'trim', 58],
      ['tail', 426, 1, 'trim', 25],
      ['far', 642, 1, 'trim', 20],
      ['far', 432, 0, 'strip', 210],
      ['far', 426, 0, 'waste', 6],
      ['far', 216, 0, 'strip', 210],
      ['far', 210, 0, 'waste', 6],
      ['tail', 216, 1, 'strip', 210],
      ['tail', 210, 0, 'waste', 6],
    ]);
  });
  it('says what to lay under the knife: strips side by side, what was put aside', () => {
    expect(cuttingProgram(lattice(3, 2, 3))[8]?.take).toBe('3 strips side by side');
    // Two blocks of unlike strips: a column of two, and one copy turned beside it.
    const mixed: Layout = {
      ...lattice(1, 2, 3),
      cells: [cell(20, 25, 1, 2, [216, 156], 0, [210, 150]), cell(242, 25, 1, 1, [0, 0], 90, [210, 150])],
    };
    const cuts = cuttingProgram(mixed);
    expect(cuts.map((c) => c.take).filter(Boolean)).toEqual(['the strip put aside at 5', 'the strip left at the gauge']);
    expect(sorted(cutLift(mixed.sheetMm, cuts))).toEqual(sorted(copyPlaces(mixed)));
  });
  it('draws one line for each strip that is cut with others', () => {
    expect(cuttingProgram(lattice(3, 2, 3)).map((c) => c.lines.length)).toEqual([1, 1, 1, 1, 1, 1, 1, 1, 3, 3]);
  });
  it('leaves what straight cuts cannot part, and cuts through no copy of it', () => {
    const wheel: Layout = {
      ...lattice(1, 1, 0),
      cells: [
        cell(100, 100, 1, 1, [0, 0], 0, [100, 50]),
        cell(200, 100, 1, 1, [0, 0], 90, [100, 50]),
        cell(150, 200, 1, 1, [0, 0], 0, [100, 50]),
        cell(100, 150, 1, 1, [0, 0], 90, [100, 50]),
      ],
    };
    expect(cuttingProgram(wheel).every((c) => c.falls === 'trim')).toBe(true);
  });
  it('leaves just the copies, trimmed on every edge, when a lift is cut by its gauges alone', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 330 }),
        fc.integer({ min: 40, max: 330 }),
        fc.integer({ min: 0, max: 4 }),
        fc.constantFrom<WorkStyleId>('simplex', 'sheetwise', 'turn', 'tumble'),
        (widthMm, heightMm, bleedMm, style) => {
          const layout = sheetLayout({
            part: 'p',
            item: 'i',
            sheetMm: [720, 520],
            usable: { x: 5, y: 12, widthMm: 710, heightMm: 496 },
            trimMm: [widthMm, heightMm],
            bleedMm,
            grainAlong: null,
            sheetGrain: 'x',
            style,
            gripperMm: 12,
          });
          if (!layout) return;
          const places = copyPlaces(layout).map(({ x, y, w, h }) => ({ x, y, w, h }));
          expect(sorted(cutLift(layout.sheetMm, cuttingProgram(layout)))).toEqual(sorted(places));
        },
      ),
      { numRuns: 200 },
    );
  });
});
