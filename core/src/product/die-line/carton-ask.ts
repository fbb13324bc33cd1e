import { requireAboveZero } from '../../quantity/errors';
import { CARTON_BASES } from '../../plant/plant';

export const CARTON_STYLES = CARTON_BASES;
export type CartonStyle = (typeof CARTON_STYLES)[number];

/** A carton by its inside: along the front, from front to back, upwards. Lengths in mm. */
export interface CartonAsk {
  style: CartonStyle;
  lengthMm: number;
  widthMm: number;
  heightMm: number;
  /** Measured thickness of the board. */
  caliperMm: number;
  /** The other school: what a table of the works adds to every panel of this board, in place of half a caliper at each hinge. */
  panelAddMm?: number;
  /** Glue flap, tuck, and what stands between a dust flap and the tuck; the usual ones where nothing is said. */
  flapMm?: number;
  tuckMm?: number;
  reliefMm?: number;
}

/** Practice values of the trade (common practice, no source): flaps, and what is set in beside an edge that moves. */
export const USUAL_CARTON = {
  flapMm: 15,
  tuckMm: 15,
  reliefMm: 4,
  flapDropMm: 4,
  setInMm: 0.5,
  slitMm: 5,
  /** A joint ends so far before its crease. */
  overCreaseMm: 3,
  /** Bottom flaps reach so far past the middle, locked or glued. */
  lockMm: 12,
  autoMm: 15,
  trayFlapMm: 18,
} as const;

/**
 * What a panel is longer than the inside it makes, both hinges together.
 * @example panelAddMm({ caliperMm: 0.44 }) // 0.44
 */
export const panelAddMm = ({ panelAddMm: byTable, caliperMm }: Pick<CartonAsk, 'panelAddMm' | 'caliperMm'>): number => byTable ?? caliperMm;

/** A carton has a die line while its sizes are some. @throws OutOfRange naming the size */
export function requireCarton({ lengthMm, widthMm, heightMm, caliperMm }: CartonAsk): void {
  for (const [field, value] of Object.entries({ lengthMm, widthMm, heightMm, caliperMm })) requireAboveZero(field, value);
}
