import { OutOfRange, requireAboveZero } from '../../quantity/errors';

/** How many panels a sleeve has beside one another, or a pocket that is glued on two sides. */
export const SLEEVE_STYLES = ['pocket', 'twoPanels', 'threePanels'] as const;
export type SleeveStyle = (typeof SLEEVE_STYLES)[number];
/** What is folded in at the foot of each panel: nothing, a lining glued back to back, one that stays open for a booklet. */
export const LININGS = ['none', 'bonded', 'pocket'] as const;
export type Lining = (typeof LININGS)[number];

/** What the die line of a sleeve is drawn from. Lengths in mm. */
export interface SleeveAsk {
  style: SleeveStyle;
  lining: Lining;
  /** Of the tray, outside; of a sleeve without one, of the disc's own room. */
  widthMm: number;
  heightMm: number;
  depthMm: number;
  /** Which panels hold a tray, from the left, 1 the first. */
  trays: readonly number[];
  /** Of what lies in the pockets. */
  bookletMm: number;
  caliperMm: number;
}

/** What a sleeve's parts keep from one another. Common practice, no source, in mm. */
export const USUAL_SLEEVE = {
  /** A panel stands out beside its tray on either side, above and below. */
  besideMm: 1.5,
  aboveMm: 1,
  /** Play of a spine. */
  spineMm: 0.3,
  /** A lining is so much narrower and shorter than its panel. */
  liningMm: 1,
  /** A panel that is folded in first. */
  foldedInMm: 1,
  /** A tray's glue is clear of coat so far inside its outline. */
  windowMm: 4,
  /** Flap of a pocket. */
  flapMm: 12,
  /** The thickest booklet a pocket takes. */
  bookletMm: 1.5,
} as const;

/** @throws OutOfRange a size not above 0, a tray on a panel that is not there, more than two trays */
export function requireSleeve(ask: SleeveAsk): void {
  for (const name of ['widthMm', 'heightMm', 'caliperMm'] as const) requireAboveZero(name, ask[name]);
  const panels = panelCount(ask.style);
  if (ask.trays.length > 2 || ask.trays.some((p) => p < 1 || p > panels))
    throw new OutOfRange('trays', ask.trays.length, `on panels 1 to ${panels}, two at most`);
}

/** @example panelCount('threePanels') // 3 */
export const panelCount = (style: SleeveStyle): number => (style === 'threePanels' ? 3 : 2);
