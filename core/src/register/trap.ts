import type { Lab } from '../colour/lab';
import { requireAboveZero } from '../quantity/errors';
import type { Scene } from '../scene/scene';
import { PROCESS_REGISTER, type RegisterProcess } from './tolerance';

export interface TrapProposal {
  /** The lighter ink spreads into the darker: what it gains hides under it. */
  spreads: string;
  into: string;
  widthMm: number;
}
/** Between one and a half and two tolerances. Common practice, no source. */
const TIMES_TOLERANCE = 1.75;

/**
 * How wide two inks should overlap where they meet, and which one grows.
 *
 * Formula: 1.75 × tolerance, kept within what the process prints [offset 0.08 to 0.15, label 0.15 to 0.25]; the lighter (greater L*) spreads; equals by name.
 * Source: common practice, no source. @throws OutOfRange a tolerance not above 0
 */
export function trapFor(
  one: { ink: string; lab: Lab },
  other: { ink: string; lab: Lab },
  toleranceMm: number,
  process: RegisterProcess,
): TrapProposal {
  requireAboveZero('toleranceMm', toleranceMm);
  const [least, most] = PROCESS_REGISTER[process].trapMm;
  const firstLighter = one.lab[0] === other.lab[0] ? one.ink < other.ink : one.lab[0] > other.lab[0];
  const [light, dark] = firstLighter ? [one, other] : [other, one];
  return { spreads: light.ink, into: dark.ink, widthMm: Math.min(Math.max(TIMES_TOLERANCE * toleranceMm, least), most) };
}

/** The seam of two inks, a hundred times as large: the light field, the dark field, and the light one's gain under the dark. */
export function trapScene({ spreads, into, widthMm }: TrapProposal): Scene {
  const gain = 100 * widthMm;
  return {
    title: 'trap',
    says: `${spreads} spreads ${widthMm} millimetres under ${into}`,
    box: { x: 0, y: 0, w: 120, h: 46 },
    toScale: false,
    shapes: [
      { kind: 'rect', role: 'ink', ink: spreads, x: 0, y: 8, w: 60 + gain, h: 28 },
      { kind: 'rect', role: 'ink', ink: into, x: 60, y: 8, w: 60, h: 28, ref: 'over' },
      { kind: 'line', role: 'dimension', x1: 60, y1: 4, x2: 60 + gain, y2: 4 },
      { kind: 'text', role: 'label', x: 60 + gain + 2, y: 6, text: `${widthMm} mm`, sizeMm: 5 },
      { kind: 'text', role: 'inkName', x: 30, y: 44, text: spreads, sizeMm: 6, anchor: 'middle' },
      { kind: 'text', role: 'inkName', x: 92, y: 44, text: into, sizeMm: 6, anchor: 'middle' },
    ],
  };
}
