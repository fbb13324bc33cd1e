import * as fc from 'fast-check';
import polygonClipping from 'polygon-clipping';
import { isInside } from '../product/die-line/outline';
import type { Point } from '../product/die-line/points';
import { wasteFaces } from './waste-faces';

const box = (x: number, y: number, w: number, h: number): Point[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
/** Four blanks around a square hole, `gap` apart at the corners. */
const ring = (side: number, gap: number): Point[][] => [
  box(0, 0, side + 20 + gap, 20),
  box(side + 20 + 2 * gap, 0, 20, side + 20 + gap),
  box(20 + gap, side + 20 + 2 * gap, side + 20 + gap, 20),
  box(0, 20 + gap, 20, side + 20 + gap),
];

describe('waste between blanks', () => {
  it('enclosed by four of them is one face, with one pin in its middle, as large as it is between their lines', () => {
    const [face, ...others] = wasteFaces(ring(40, 3), 3);
    expect(others).toEqual([]);
    expect(face).toMatchObject({ x: 20, y: 20, w: 46, h: 46 });
    expect(face!.pins).toHaveLength(1);
    for (const [mm, middle] of [
      [face!.pins[0]![0], 43],
      [face!.pins[0]![1], 43],
    ])
      expect(Math.abs(mm! - middle!)).toBeLessThan(1);
  });
  it('longer than 60 mm gets two pins', () => {
    expect(wasteFaces(ring(54, 3), 3)[0]!.pins).toHaveLength(1);
    expect(wasteFaces(ring(55, 3), 3)[0]!.pins).toHaveLength(2);
  });
  it('along the gaps, or open to the edge of the sheet, is no face', () => {
    expect(wasteFaces([box(0, 0, 50, 50), box(53, 0, 50, 50), box(0, 53, 50, 50), box(53, 53, 50, 50)], 3)).toEqual([]);
    expect(wasteFaces([box(0, 0, 20, 80), box(60, 0, 20, 80), box(23, 0, 34, 20)], 3)).toEqual([]);
    expect(wasteFaces([], 3)).toEqual([]);
  });
  it('has its pins in the waste and in no blank, whatever lies there, as a second geometry library says', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 8 }), fc.integer({ min: 0, max: 8 })), { minLength: 8, maxLength: 50 }),
        (spots) => {
          // Blanks 27 square on a grid of 30: what is left free among them is waste.
          const blanks = [...new Map(spots.map(([c, r]) => [`${c} ${r}`, box(30 * c, 30 * r, 27, 27)])).values()];
          const faces = wasteFaces(blanks, 3);
          for (const { pins } of faces) for (const pin of pins) expect(blanks.some((b) => isInside(pin, b))).toBe(false);
          // As many as the holes of the cells' union, each cell a blank with its half gap around, by polygon-clipping.
          const cells = blanks.map((b) => [
            [...b.map(([x, y]): [number, number] => [x + (x % 30 === 0 ? -1.5 : 1.5), y + (y % 30 === 0 ? -1.5 : 1.5)])],
          ]);
          const [first, ...more] = cells as [[[number, number][]], ...[[number, number][]][]];
          const holes = polygonClipping.union(first, ...more).reduce((sum, [, ...inner]) => sum + inner.length, 0);
          // Cells that touch at a corner only close a hole for one of them, and leave a channel for the other.
          if (!spots.some(([c, r]) => cornersOnly(spots, c, r))) expect(faces).toHaveLength(holes);
        },
      ),
      { numRuns: 200 },
    );
  });
});

/** Whether a cell has a neighbour across a corner and none beside it there. */
function cornersOnly(spots: readonly (readonly [number, number])[], c: number, r: number): boolean {
  const has = (x: number, y: number): boolean => spots.some(([a, b]) => a === x && b === y);
  return [-1, 1].some((dx) => [-1, 1].some((dy) => has(c + dx, r + dy) && !has(c + dx, r) && !has(c, r + dy)));
}
