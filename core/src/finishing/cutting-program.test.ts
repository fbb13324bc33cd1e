import fc from 'fast-check';
import { type Cell, copyPlaces, type Layout } from '../layout/layout';
import { sheetLayout } from '../layout/sheet-layout';
import type { WorkStyleId } from '../layout/work-style';
import { LINDMOOR, SHELF } from '../plan/line-1.fixture';
import { plan } from '../plan/plan';
import { anyBooklet } from '../plan/spec-arbitrary.fixture';
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
/** A hundredth of a millimetre: no guillotine cuts finer. */
const near = (a: number, b: number): boolean => Math.abs(a - b) < 0.01;

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
    // Sheet 720 × 520; copies of 210 from 20 | 25, 216 apart: their box ends at 662 and 451. From the gripper edge, then from the side lay, each time last the fresh edge.
    expect(cuttingProgram(lattice(3, 2, 3)).map((c) => [c.edge, c.gaugeMm, c.turns, c.falls, c.fallsMm])).toEqual([
      ['gripper', 451, 0, 'trim', 69],
      ['gripper', 241, 0, 'strip', 210],
      ['gripper', 235, 0, 'waste', 6],
      ['tail', 210, 2, 'trim', 25],
      ['lay', 662, 1, 'trim', 58],
      ['lay', 452, 0, 'strip', 210],
      ['lay', 446, 0, 'waste', 6],
      ['lay', 236, 0, 'strip', 210],
      ['lay', 230, 0, 'waste', 6],
      ['far', 210, 2, 'trim', 20],
    ]);
  });
  it('is that of the worked examples: two sections of a timetable, covers two by two, a sheet slit in four', () => {
    const gauges = (sheetMm: [number, number], cells: Cell[]): [string, number, number][] =>
      cuttingProgram({ sheetMm, gripperMm: 12, cells }, 1_370).map((c) => [c.edge, Math.round(c.gaugeMm * 10) / 10, c.turns]);
    expect(gauges([1_000, 700], [cell(68, 38, 2, 1, [432, 624], 0, [432, 624])])).toEqual([
      ['gripper', 662, 0],
      ['tail', 624, 2],
      ['lay', 932, 1],
      ['lay', 500, 0],
      ['far', 432, 2],
    ]);
    expect(gauges([820, 560], [cell(13, 12, 2, 2, [397, 263.356], 0, [397, 263.356])])).toEqual([
      ['gripper', 538.7, 0],
      ['gripper', 275.4, 0],
      ['tail', 263.4, 2],
      ['lay', 807, 1],
      ['lay', 410, 0],
      ['far', 397, 2],
    ]);
    expect(gauges([1_300, 920], [cell(18, 24, 2, 2, [632, 436], 0, [632, 436])])).toEqual([
      ['gripper', 896, 0],
      ['gripper', 460, 0],
      ['tail', 436, 2],
      ['lay', 1_282, 1],
      ['lay', 650, 0],
      ['far', 632, 2],
    ]);
  });
  it('cuts strips that together are wider than the knife in several goes, each of which pays its cuts', () => {
    const twelve: Layout = { ...lattice(3, 4, 0), sheetMm: [720, 900] };
    expect(cuttingProgram(twelve, 1_370)).toHaveLength(4 + 5);
    // Three columns of 210: on 750 they lie side by side, four rows would not; on 400 each goes alone.
    expect(cuttingProgram(twelve, 750)).toHaveLength(4 + 5);
    const narrow = cuttingProgram(twelve, 400);
    // Squared first, so that no strip pays for trims of its own.
    expect(narrow).toHaveLength(4 + 3 + 4 * 2);
    expect(new Set(narrow.slice(7).map((c) => c.take))).toEqual(new Set(['1 of 4 strips']));
    expect(sorted(cutLift(twelve.sheetMm, narrow))).toEqual(sorted(copyPlaces(twelve)));
  });
  it('says what to lay under the knife: strips side by side, what was put aside', () => {
    expect(cuttingProgram(lattice(3, 2, 3))[4]?.take).toBe('2 strips side by side');
    // Two blocks of unlike strips: a column of two, and one copy turned beside it.
    const mixed: Layout = {
      ...lattice(1, 2, 3),
      cells: [cell(20, 25, 1, 2, [216, 156], 0, [210, 150]), cell(242, 25, 1, 1, [0, 0], 90, [210, 150])],
    };
    const cuts = cuttingProgram(mixed);
    expect(cuts.map((c) => c.take).filter(Boolean)).toEqual(['the strip left at the gauge', 'the strip put aside at 4']);
    expect(sorted(cutLift(mixed.sheetMm, cuts))).toEqual(sorted(copyPlaces(mixed)));
  });
  it('draws one line for each strip that is cut with others', () => {
    expect(cuttingProgram(lattice(3, 2, 3)).map((c) => c.lines.length)).toEqual([1, 1, 1, 1, 2, 2, 2, 2, 2, 2]);
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
  it('gives the sections of any booklet from any of its sheets, on a knife of any width', () => {
    fc.assert(
      fc.property(anyBooklet, fc.constantFrom(500, 760, 1_150, Infinity), (spec, knifeMm) => {
        for (const { layout } of Object.values(plan(spec, LINDMOOR, SHELF).forms)) {
          if (!layout?.imposed) continue;
          const flats = layout.imposed.flats.map(({ x, y, w, h }) => ({ x, y, w, h }));
          const cut = cutLift(layout.sheetMm, cuttingProgram(layout, knifeMm));
          expect(cut).toHaveLength(flats.length);
          for (const f of flats)
            expect(cut.filter((c) => near(c.x, f.x) && near(c.y, f.y) && near(c.w, f.w) && near(c.h, f.h))).toHaveLength(1);
        }
      }),
      { numRuns: 60 },
    );
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
