import { ascending } from '../../quantity/ascending';
import { type CartonAsk, USUAL_CARTON } from './carton-ask';
import type { DieLine } from './die-line';
import { trayDieLine } from './tray';
import { pathBox } from './points';
import { autoFlapsMm, tubeSizes } from './tube';

/** How hard a blank is to fold and glue: along its seam; with a bottom that opens by itself; in its four corners; linings folded in along a strip. */
export const GLUE_WORKS = ['seam', 'autoBottom', 'fourCorner', 'lining'] as const;
export type GlueWork = (typeof GLUE_WORKS)[number];

/** A line of glue on a blank in the gluer, in mm: from the guide, from the leading edge to where its joint begins, and how long the joint is. */
export interface Bead {
  name: string;
  fromGuideMm: number;
  startMm: number;
  jointMm: number;
}
/** A blank as the folder-gluer has it. */
export interface Gluing {
  work: GlueWork;
  /** Extent along the creases the belts fold: what passes one after another. */
  runMm: number;
  /** Creases the belts meet, from the guide: broken and laid back, or folded for good. */
  creases: { fromGuideMm: number; does: 'breaks' | 'folds' }[];
  beads: Bead[];
  leastPanelMm: number;
  /** The glued piece as it lies flat, either side of which may stand upright in a case. */
  flatMm: [number, number];
}

/**
 * How a carton is folded and glued. The guide is the edge of the glue flap; the top of the blank leads. Creases 2 and 4 from the flap are folded, 1 and 3 broken
 * before, so that the carton opens easily.
 * Source: geometry of the die line; which creases are folded is common practice, no source.
 * @throws OutOfRange a size not above 0
 */
export function gluingOf(ask: CartonAsk): Gluing {
  return ask.style === 'tray' ? trayGluing(ask) : tubeGluing(ask);
}

function tubeGluing(ask: CartonAsk): Gluing {
  const of = tubeSizes(ask);
  const { flapMm, panelsMm, halfMm } = of;
  const seamMm = 2 * (halfMm - USUAL_CARTON.flapDropMm);
  const topMm = ask.style === 'sleeve' ? halfMm : of.lidAtMm + of.lidMm + of.tuckMm;
  let x = flapMm;
  const creases = panelsMm.map((panel, i): Gluing['creases'][number] => {
    const at = x;
    x += panel;
    return { fromGuideMm: at, does: i % 2 === 0 ? 'breaks' : 'folds' };
  });
  const beads: Bead[] = [
    {
      name: 'seam',
      fromGuideMm: (flapMm - USUAL_CARTON.overCreaseMm) / 2,
      startMm: topMm - halfMm + USUAL_CARTON.flapDropMm,
      jointMm: seamMm,
    },
  ];
  if (ask.style === 'autoBottom') {
    const { side } = autoFlapsMm(ask);
    for (const [name, panel] of [
      ['bottom, first side', 1],
      ['bottom, second side', 3],
    ] as const)
      beads.push({
        name,
        fromGuideMm: (creases[panel]?.fromGuideMm ?? 0) + side / 4,
        startMm: topMm + halfMm + side / 4,
        jointMm: (3 * side) / 4,
      });
  }
  return {
    work: ask.style === 'autoBottom' ? 'autoBottom' : 'seam',
    runMm: blankHeightOf(ask),
    creases,
    beads,
    leastPanelMm: Math.min(...panelsMm),
    flatMm: [panelsMm[0] + panelsMm[1], blankHeightOf(ask)],
  };
}

/** Of a tube with whatever ends its style has. */
function blankHeightOf(ask: CartonAsk): number {
  const of = tubeSizes(ask);
  const top = ask.style === 'sleeve' ? of.halfMm : of.lidAtMm + of.lidMm + of.tuckMm;
  const bottom = {
    straight: top,
    reverse: top,
    sleeve: of.halfMm,
    snapLock: of.halfMm + ask.widthMm / 2 + USUAL_CARTON.lockMm,
    autoBottom: of.halfMm + autoFlapsMm(ask).front,
    tray: 0,
  }[ask.style];
  return top + bottom;
}

/** A tray runs along its length: the walls across it are turned up, their flaps glued inside the long walls. It does not fold flat again: trays stand one in another. */
function trayGluing(ask: CartonAsk): Gluing {
  const die = trayDieLine(ask);
  const [lengthMm] = pathBox(die.outline);
  const [left, low] = [Math.min(...die.outline.map((p) => p[0])), Math.min(...die.outline.map((p) => p[1]))];
  const names = ['corner, far right', 'corner, near right', 'corner, far left', 'corner, near left'];
  return {
    work: 'fourCorner',
    runMm: lengthMm,
    creases: die.creases
      .filter((c) => c.class === 'wall' && c.from[1] === c.to[1])
      .map((c) => ({ fromGuideMm: c.from[1] - low, does: 'folds' as const }))
      .reverse(),
    beads: die.joints.map(({ region }, i): Bead => {
      const [xs, ys] = [region.map((p) => p[0]), region.map((p) => p[1])];
      return {
        name: names[i] ?? 'corner',
        fromGuideMm: (Math.min(...ys) + Math.max(...ys)) / 2 - low,
        startMm: Math.min(...xs) - left,
        jointMm: Math.max(...xs) - Math.min(...xs),
      };
    }),
    leastPanelMm: Math.min(ask.widthMm, ask.lengthMm, ask.heightMm),
    flatMm: [ask.widthMm + 3 * ask.caliperMm, ask.lengthMm + 3 * ask.caliperMm],
  };
}

/** How a blank of a line of one's own is folded and glued: along the creases that run its height, glue where its file says. It is a guess of the seam kind. */
export function gluingOfLine(die: DieLine): Gluing {
  const [widthMm, heightMm] = pathBox(die.outline);
  const [left, top] = [Math.min(...die.outline.map((p) => p[0])), Math.max(...die.outline.map((p) => p[1]))];
  const upright = ascending([
    ...new Set(
      die.creases.filter((c) => c.from[0] === c.to[0] && Math.abs(c.from[1] - c.to[1]) > heightMm / 4).map((c) => c.from[0] - left),
    ),
  ]);
  const panels = upright.slice(1).map((x, i) => x - (upright[i] as number));
  return {
    work: 'seam',
    runMm: heightMm,
    creases: upright.map((fromGuideMm, i) => ({ fromGuideMm, does: i % 2 === 0 ? 'breaks' : 'folds' })),
    beads: die.joints.map(({ region }, i): Bead => {
      const [xs, ys] = [region.map((p) => p[0]), region.map((p) => p[1])];
      return {
        name: `joint ${i + 1}`,
        fromGuideMm: (Math.min(...xs) + Math.max(...xs)) / 2 - left,
        startMm: top - Math.max(...ys),
        jointMm: Math.max(...ys) - Math.min(...ys),
      };
    }),
    leastPanelMm: panels.length > 0 ? Math.min(...panels) : widthMm,
    // Folded once it is half as wide.
    flatMm: [widthMm / 2, heightMm],
  };
}
