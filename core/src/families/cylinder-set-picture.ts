import { boxAround, type Scene } from '../scene/scene';
import { bodyMeasured } from '../scene/roller-shapes';
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
  const refs = { face: 'faceMm', band: 'bandMm', diameter: 'firstTurnMm' };
  const shapes = bodyMeasured({ faceMm, bandMm, hollow, name: '' }, diameterMm, refs);
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
