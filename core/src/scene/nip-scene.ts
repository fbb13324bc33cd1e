import { boxAround, type Scene, type Shape } from './scene';

const TIMES = 10;
/** Metal drawn behind the faces of the rollers. */
const BODY = 14;

/** A pair of embossing rollers at its nip: male above, female below, the stock between them; ten times as large. */
export function nipScene(of: { maleMm: number; caliperMm: number; reliefMm: number; depthMm: number }): Scene {
  const [male, stock, deep] = [of.maleMm * TIMES, of.caliperMm * TIMES, of.depthMm * TIMES];
  const half = male / 2;
  const flank = half + stock;
  const w = Math.max(male + 4 * stock, 20);
  const face = (role: 'unit' | 'sheet', ref: string, points: [number, number][]): Shape => ({
    kind: 'path',
    role,
    ref,
    points,
    closed: true,
  });
  const raised: [number, number][] = [
    [half, 0],
    [half, deep],
    [-half, deep],
    [-half, 0],
  ];
  const sunk: [number, number][] = [
    [flank, stock],
    [flank, deep + stock],
    [-flank, deep + stock],
    [-flank, stock],
  ];
  const shapes: Shape[] = [
    face('unit', 'male', [[-w, -BODY], [w, -BODY], [w, 0], ...raised, [-w, 0]]),
    face('sheet', 'stock', [[-w, 0], ...[...raised].reverse(), [w, 0], [w, stock], ...sunk, [-w, stock]]),
    face('unit', 'female', [[-w, stock + deep + BODY], [w, stock + deep + BODY], [w, stock], ...sunk, [-w, stock]]),
    { kind: 'line', role: 'dimension', x1: w + 3, y1: 0, x2: w + 3, y2: deep, ref: 'reliefMm' },
  ];
  return {
    title: 'nip, 10 : 1',
    says: `The nip of a pair, ten times as large: a male of ${of.maleMm} millimetres presses stock of ${of.caliperMm} into the female, for a relief of ${of.reliefMm}.`,
    box: boxAround(shapes, 4),
    toScale: false,
    shapes,
  };
}
