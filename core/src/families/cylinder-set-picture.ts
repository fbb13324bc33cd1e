import { boxAround, type Scene, type Shape } from '../scene/scene';
import { bodyShapes } from '../scene/roller-shapes';
import { nipScene } from '../scene/nip-scene';

/** What the picture of a set goes by. */
interface Drawn {
  firstTurnMm: number;
  faceMm: number;
  bandMm: number;
  hollow: boolean;
}

/** The first cylinder of a set from the side, with face, band and diameter; which inks there are. */
export function cylinderSetPicture({ firstTurnMm, faceMm, bandMm, hollow }: Drawn, inks: readonly string[]): Scene {
  const diameterMm = firstTurnMm / Math.PI;
  const text = Math.max(diameterMm, faceMm / 6) / 6;
  const [top, low] = [-diameterMm / 2 - text, diameterMm / 2 + text];
  const begin = (faceMm - bandMm) / 2;
  const shapes: Shape[] = [
    ...bodyShapes({ faceMm, bandMm, hollow, name: '' }, diameterMm, 0),
    { kind: 'line', role: 'dimension', x1: 0, y1: low, x2: faceMm, y2: low, ref: 'faceMm' },
    { kind: 'line', role: 'dimension', x1: begin, y1: top, x2: begin + bandMm, y2: top, ref: 'bandMm' },
    {
      kind: 'line',
      role: 'dimension',
      x1: -2.4 * diameterMm,
      y1: -diameterMm / 2,
      x2: -2.4 * diameterMm,
      y2: diameterMm / 2,
      ref: 'firstTurnMm',
    },
  ];
  return {
    title: 'finished product',
    says: `${inks.length} printing cylinders: ${inks.join(', ')}; a face of ${faceMm} millimetres, a band of ${bandMm}, one turn of the first ${firstTurnMm}.`,
    box: boxAround(shapes, diameterMm),
    toScale: true,
    shapes,
  };
}

/** A pair at its nip, ten times as large. */
export const embossingPairPicture = (of: { maleMm: number; caliperMm: number; reliefMm: number }): Scene => ({
  ...nipScene({ ...of, depthMm: of.reliefMm }),
  title: 'finished product',
});
