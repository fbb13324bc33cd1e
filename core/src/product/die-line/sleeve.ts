import type { Bead, Gluing } from './gluing';
import type { Crease, DieLine } from './die-line';
import type { Point } from './points';
import { panelCount, requireSleeve, type SleeveAsk, USUAL_SLEEVE } from './sleeve-ask';

/** What of a sleeve its lines are drawn from, in mm: panels with their left edges, spines between them, heights of strip and linings. */
export interface SleeveSizes {
  panels: { leftMm: number; widthMm: number }[];
  spinesMm: number[];
  stripMm: number;
  liningMm: number;
  /** Closed: outside width, height, thickness. */
  closedMm: [number, number, number];
}

const hasLining = ({ lining, style }: SleeveAsk): boolean => lining !== 'none' && style !== 'pocket';

/** What lies between two plies of a closed sleeve, mm. */
export type BetweenPlies = Readonly<Record<'trays' | 'linings' | 'booklets' | 'foldedIn', number>>;
const thicknessOf = (between: BetweenPlies): number => Object.values(between).reduce((sum, mm) => sum + mm, 0);

/** What lies between the outer plies, and between the second and the third panel, which is folded in on it; null: there is no third. */
export function betweenPlies(ask: SleeveAsk): { outer: BetweenPlies; inner: BetweenPlies | null } {
  const between = (panels: readonly number[], foldedIn: number): BetweenPlies => ({
    trays: panels.filter((p) => ask.trays.includes(p)).length * ask.depthMm,
    linings: hasLining(ask) ? panels.length * ask.caliperMm : 0,
    booklets: ask.lining === 'pocket' ? panels.length * ask.bookletMm : 0,
    foldedIn,
  });
  return panelCount(ask.style) === 3
    ? { outer: between([1, 2, 3], ask.caliperMm), inner: between([2, 3], 0) }
    : { outer: between([1, 2], 0), inner: null };
}

/**
 * Sizes of a sleeve. P = w + 2·1.5, H = h + 2·1; strip H, with linings H − t, as a flat fold adds t; linings (P − 1) × (H − t − 1).
 * Spine E + 0.3 + t, E all that lies between its two outer plies when closed: linings, trays, booklets, for the outer spine also the panel folded in; closed E + 0.3 + 2t.
 * Source: caliper rule (arithmetic); play common practice, no source.
 * @throws OutOfRange as requireSleeve
 * @example sleeveSizes({ style: 'twoPanels', lining: 'bonded', widthMm: 136, heightMm: 122, depthMm: 5.2, trays: [2], bookletMm: 0, caliperMm: 0.4 }).spinesMm[0] // 6.7
 */
export function sleeveSizes(ask: SleeveAsk): SleeveSizes {
  requireSleeve(ask);
  const { besideMm, aboveMm, spineMm, liningMm, foldedInMm } = USUAL_SLEEVE;
  const { caliperMm: t, style } = ask;
  const [width, height] = [ask.widthMm + 2 * besideMm, ask.heightMm + 2 * aboveMm];
  const lined = hasLining(ask);
  const count = panelCount(style);
  const { outer, inner } = betweenPlies(ask);
  const spine = (between: BetweenPlies): number => (style === 'pocket' ? 0 : thicknessOf(between) + spineMm + t);
  const spinesMm = inner ? [spine(outer), spine(inner)] : [spine(outer)];
  let left = 0;
  const panels = Array.from({ length: count }, (_, i) => {
    const panel = { leftMm: left, widthMm: i === 2 ? width - foldedInMm : width };
    left += panel.widthMm + (spinesMm[i] ?? 0);
    return panel;
  });
  const stripMm = lined ? height - t : height;
  return {
    panels,
    spinesMm,
    stripMm,
    liningMm: lined ? height - t - liningMm : 0,
    closedMm: [width, height, (style === 'pocket' ? 0 : thicknessOf(outer)) + spineMm + 2 * t],
  };
}

/**
 * The die line of a disc sleeve, its strip's lower left corner at 0: panels side by side with spines between them, a lining at the foot of each; of a pocket two
 * panels, and flaps at the foot and the free edge of the first.
 * @throws OutOfRange as requireSleeve
 */
export function sleeveDieLine(ask: SleeveAsk): DieLine {
  const of = sleeveSizes(ask);
  return ask.style === 'pocket' ? pocketDieLine(of) : stripDieLine(of, hasLining(ask));
}

/**
 * Length of the strip: its panels, and the spines between them.
 * @example stripLongMm({ panels: [{ leftMm: 0, widthMm: 139 }, { leftMm: 145.7, widthMm: 139 }] }) // 284.7
 */
export const stripLongMm = ({ panels }: Pick<SleeveSizes, 'panels'>): number => Math.max(...panels.map((p) => p.leftMm + p.widthMm));

function stripDieLine(of: SleeveSizes, lined: boolean): DieLine {
  const { stripMm, liningMm } = of;
  const rightMm = stripLongMm(of);
  // Panels are counted as the open sleeve is seen from inside; a die is drawn from the printed side.
  const panels = of.panels.map(({ leftMm, widthMm }) => ({ leftMm: rightMm - leftMm - widthMm, widthMm })).reverse();
  const inset = USUAL_SLEEVE.liningMm / 2;
  const foot = lined
    ? panels.flatMap(({ leftMm, widthMm }): Point[] => [
        [leftMm + inset, 0],
        [leftMm + inset, -liningMm],
        [leftMm + widthMm - inset, -liningMm],
        [leftMm + widthMm - inset, 0],
      ])
    : [];
  const outline: Point[] = [[0, 0], ...foot, [rightMm, 0], [rightMm, stripMm], [0, stripMm]];
  const spines = panels.slice(1).flatMap(({ leftMm }, i): Crease[] => {
    const before = panels[i] as SleeveSizes['panels'][number];
    return [before.leftMm + before.widthMm, leftMm].map((x) => ({ class: 'spine', from: [x, 0], to: [x, stripMm] }));
  });
  const feet = lined
    ? panels.map(({ leftMm, widthMm }): Crease => ({
        class: 'flat',
        from: [leftMm + inset, 0],
        to: [leftMm + widthMm - inset, 0],
        endAngle: 180,
      }))
    : [];
  // A bonded lining lies back to back: no printed face is glued.
  return { outline, slits: [], creases: [...spines, ...feet], joints: [] };
}

function pocketDieLine({ panels, stripMm }: SleeveSizes): DieLine {
  const [first] = panels as [SleeveSizes['panels'][number]];
  const { flapMm } = USUAL_SLEEVE;
  const [p, h, slope] = [first.widthMm, stripMm, flapMm / 2];
  return {
    outline: [
      [0, 0],
      [slope, -flapMm],
      [p - slope, -flapMm],
      [p, 0],
      [2 * p, 0],
      [2 * p, h],
      [0, h],
      [-flapMm, h - slope],
      [-flapMm, slope],
    ],
    slits: [],
    creases: [
      { class: 'spine', from: [p, 0], to: [p, h], endAngle: 180 },
      { class: 'flat', from: [0, 0], to: [p, 0], endAngle: 180 },
      { class: 'flat', from: [0, 0], to: [0, h], endAngle: 180 },
    ],
    joints: [],
  };
}

/** Rows of glue on a lining, and how far from its edges they stay. Common practice, no source. */
const ROWS = [1 / 6, 1 / 2, 5 / 6];
const ROW_ENDS_MM = 8;
/** Dashes at both sides of a lining that stays open: so long, one every so far. Common practice, no source. */
const DASH = { longMm: 8, everyMm: 20 } as const;
/** A bead stops short of its joint at either end; dashes and rows are said net. */
const BEAD_ENDS_MM = 5;

/**
 * How a sleeve is folded and glued: along its strip, the linings' edge at the guide, the foot folded. A bonded lining has three rows along the run, a pocket
 * dashes at both sides. A pocket sleeve has its flaps glued on two sides.
 * Source: geometry of the die line; rows and dashes common practice, no source.
 */
export function sleeveGluing(ask: SleeveAsk): Gluing | null {
  const of = sleeveSizes(ask);
  const [first] = of.panels;
  if (!first) return null;
  const { flapMm } = USUAL_SLEEVE;
  if (ask.style === 'pocket')
    return {
      work: 'lining',
      runMm: 2 * first.widthMm + flapMm,
      creases: [{ fromGuideMm: flapMm, does: 'folds' }],
      beads: [{ name: 'foot flap', fromGuideMm: flapMm / 2, startMm: flapMm * 1.5, jointMm: first.widthMm - flapMm }],
      leastPanelMm: Math.min(first.widthMm, of.stripMm),
      flatMm: [of.closedMm[0], of.closedMm[1]],
    };
  if (!hasLining(ask)) return null;
  const inset = USUAL_SLEEVE.liningMm / 2;
  const beads = of.panels.flatMap(({ leftMm, widthMm }, i): Bead[] => {
    const [from, long] = [leftMm + inset, widthMm - 2 * inset];
    const name = `lining ${i + 1}`;
    if (ask.lining === 'bonded')
      return ROWS.map((at, row) => ({
        name: `${name}, row ${row + 1}`,
        fromGuideMm: at * of.liningMm,
        startMm: from + ROW_ENDS_MM - BEAD_ENDS_MM,
        jointMm: long - 2 * (ROW_ENDS_MM - BEAD_ENDS_MM),
      }));
    const dashes = Math.floor(of.liningMm / DASH.everyMm);
    return [from, from + long - DASH.longMm].flatMap((at, side) =>
      Array.from({ length: dashes }, (_, k) => ({
        name: `${name}, ${side === 0 ? 'leading' : 'trailing'} side, dash ${k + 1}`,
        fromGuideMm: (k + 0.5) * DASH.everyMm,
        startMm: at - BEAD_ENDS_MM,
        jointMm: DASH.longMm + 2 * BEAD_ENDS_MM,
      })),
    );
  });
  return {
    work: 'lining',
    runMm: stripLongMm(of),
    creases: [{ fromGuideMm: of.liningMm, does: 'folds' }],
    beads,
    leastPanelMm: Math.min(first.widthMm, of.liningMm),
    flatMm: [of.closedMm[0], of.closedMm[1]],
  };
}

/** Where a tray lies, by its lower left corner; on a lining that carries print, or on the bare inside. */
export interface TrayPlace {
  panel: number;
  xMm: number;
  yMm: number;
  widthMm: number;
  heightMm: number;
  onPrint: boolean;
}

/**
 * Trays in the middle of their panels, as the open sleeve is seen from inside: (P − w) ÷ 2 from the spine, (H − h) ÷ 2 from the foot.
 * Source: geometry.
 */
export function traysInside(ask: SleeveAsk): TrayPlace[] {
  const { panels, closedMm } = sleeveSizes(ask);
  const yMm = (closedMm[1] - ask.heightMm) / 2;
  return ask.trays.flatMap((panel): TrayPlace[] => {
    const own = panels[panel - 1];
    const xMm = own && own.leftMm + (own.widthMm - ask.widthMm) / 2;
    return xMm === undefined ? [] : [{ panel, xMm, yMm, widthMm: ask.widthMm, heightMm: ask.heightMm, onPrint: hasLining(ask) }];
  });
}

/**
 * The same trays on the blank, seen from its printed side, from the lower left corner of its box: right and left are exchanged. On a lining the foot is its upper
 * edge, as it is folded in from there.
 * Source: geometry.
 */
export function trayPlaces(ask: SleeveAsk): TrayPlace[] {
  const of = sleeveSizes(ask);
  return traysInside(ask).map((t) => ({
    ...t,
    xMm: stripLongMm(of) - t.xMm - t.widthMm,
    yMm: t.onPrint ? of.liningMm - t.yMm - t.heightMm : t.yMm,
  }));
}

/** Parts of a lining that have no coat, where a tray is glued on its print: (w − 8) × (h − 8) in the middle of the tray. Common practice, no source. */
export const coatWindows = (ask: SleeveAsk): Omit<TrayPlace, 'panel' | 'onPrint'>[] =>
  trayPlaces(ask)
    .filter((t) => t.onPrint)
    .map(({ xMm, yMm, widthMm, heightMm }) => ({
      xMm: xMm + USUAL_SLEEVE.windowMm,
      yMm: yMm + USUAL_SLEEVE.windowMm,
      widthMm: widthMm - 2 * USUAL_SLEEVE.windowMm,
      heightMm: heightMm - 2 * USUAL_SLEEVE.windowMm,
    }));
