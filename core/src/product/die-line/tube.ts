import { OutOfRange } from '../../quantity/errors';
import { floorTolerant } from '../../quantity/round-tolerant';
import { type CartonAsk, panelAddMm, requireCarton, USUAL_CARTON } from './carton-ask';
import type { Crease, DieLine } from './die-line';
import type { Point } from './points';

/** Sizes of a tube of four panels and a glue flap, with what stands at its ends. Lengths in mm. */
export interface TubeSizes {
  flapMm: number;
  /** The four panels of the tube, from the flap on: front, side, back, side. */
  panelsMm: [number, number, number, number];
  girthMm: number;
  /** From the middle of the height to the creases of the dust flaps and the free edges; to the creases of the lids. */
  halfMm: number;
  lidAtMm: number;
  lidMm: number;
  tuckMm: number;
  dustMm: number;
  reliefMm: number;
  /** Of the open blank of a tuck carton. */
  blankHeightMm: number;
}

/**
 * Sizes of a carton's tube from its inside.
 *
 * Formulas, t = caliper: panels L+t, W+t, L+t, W+t−0.5 (the last lies on the flap); half height (H+t)/2, lids t further out since they close over the dust
 * flaps; lid W−0.5; dust flap ⌊min(L/2−1, (lid+tuck)/2)⌋, as longer ones cost rows of the nest.
 * Source: the board bends about its middle, so that each hinge adds half a caliper where it lies in the wall (arithmetic); play 0.5, flap, tuck and relief are
 * common practice, no source.
 * @throws OutOfRange a size not above 0, or too short for its flaps
 * @example tubeSizes({ style: 'reverse', lengthMm: 72, widthMm: 48, heightMm: 126, caliperMm: 0.44 }).girthMm // 256.26
 */
export function tubeSizes(ask: CartonAsk): TubeSizes {
  requireCarton(ask);
  const { lengthMm, widthMm, heightMm, caliperMm: t } = ask;
  const { flapMm = USUAL_CARTON.flapMm, tuckMm = USUAL_CARTON.tuckMm, reliefMm = USUAL_CARTON.reliefMm } = ask;
  const add = panelAddMm(ask);
  const panelsMm: TubeSizes['panelsMm'] = [lengthMm + add, widthMm + add, lengthMm + add, widthMm + add - USUAL_CARTON.setInMm];
  const lidMm = widthMm - USUAL_CARTON.setInMm;
  const halfMm = (heightMm + add) / 2;
  const dustMm = floorTolerant(Math.min(lengthMm / 2 - 1, (lidMm + tuckMm) / 2));
  if (!(dustMm > 0)) throw new OutOfRange('lengthMm', lengthMm, 'long enough for a dust flap (4 or more)');
  return {
    flapMm,
    panelsMm,
    girthMm: flapMm + panelsMm.reduce((sum, p) => sum + p, 0),
    halfMm,
    lidAtMm: halfMm + t,
    lidMm,
    tuckMm,
    dustMm,
    reliefMm,
    blankHeightMm: 2 * (halfMm + t + lidMm + tuckMm),
  };
}

/** The end of a panel, as if it were its upper one: what the outline follows from left to right, and what is creased and slit in it. */
interface End {
  path: Point[];
  creases: Crease[];
  slits: [Point, Point][];
  /** Of a bottom that is glued: the triangle that is. */
  glued?: Point[];
}
const { setInMm, slitMm } = USUAL_CARTON;

const freeEnd = (from: number, to: number, { halfMm: c }: TubeSizes): End => ({
  path: [
    [from, c],
    [to, c],
  ],
  creases: [],
  slits: [],
});

function lidEnd(from: number, to: number, { halfMm: c, lidAtMm, lidMm, tuckMm }: TubeSizes): End {
  const [left, right, tuckAt, top] = [from + setInMm, to - setInMm, lidAtMm + lidMm, lidAtMm + lidMm + tuckMm];
  return {
    path: [
      [from, c],
      [from, lidAtMm],
      [left, lidAtMm],
      [left, top],
      [right, top],
      [right, lidAtMm],
      [to, lidAtMm],
      [to, c],
    ],
    creases: [
      { class: 'lid', from: [left, lidAtMm], to: [right, lidAtMm] },
      { class: 'tuck', from: [left + slitMm, tuckAt], to: [right - slitMm, tuckAt] },
    ],
    slits: [
      [
        [left, tuckAt],
        [left + slitMm, tuckAt],
      ],
      [
        [right - slitMm, tuckAt],
        [right, tuckAt],
      ],
    ],
  };
}

/** A flap straight out from its crease at the end of the panel, set in on either side. */
function flapEnd(from: number, to: number, c: number, [inLeft, inRight]: readonly [number, number], longMm: number): End {
  const [left, right] = [from + inLeft, to - inRight];
  return {
    path: [
      [from, c],
      [left, c],
      [left, c + longMm],
      [right, c + longMm],
      [right, c],
      [to, c],
    ],
    creases: [{ class: 'dust', from: [left, c], to: [right, c] }],
    slits: [],
  };
}

/** A dust flap: close to the lid, away from the tuck. */
const dustEnd = (from: number, to: number, lidIsLeft: boolean, of: TubeSizes): End =>
  flapEnd(from, to, of.halfMm, lidIsLeft ? [setInMm, of.reliefMm] : [of.reliefMm, setInMm], of.dustMm);

/** The front's bottom flap of a snap-lock: half the width deep, and a tongue of half the length beyond, which goes into the slot of the back's. */
function tongueEnd(from: number, to: number, { halfMm: c }: TubeSizes, { lengthMm, widthMm }: CartonAsk): End {
  const [left, right, middle] = [from + setInMm, to - setInMm, (from + to) / 2];
  const [shoulder, top] = [c + widthMm / 2, c + widthMm / 2 + USUAL_CARTON.lockMm];
  return {
    path: [
      [from, c],
      [left, c],
      [left, shoulder],
      [middle - lengthMm / 4, shoulder],
      [middle - lengthMm / 4, top],
      [middle + lengthMm / 4, top],
      [middle + lengthMm / 4, shoulder],
      [right, shoulder],
      [right, c],
      [to, c],
    ],
    creases: [{ class: 'flat', from: [left, c], to: [right, c] }],
    slits: [],
  };
}
/** The back's, with the slot for the tongue at half the width. */
function slotEnd(from: number, to: number, { halfMm: c }: TubeSizes, { lengthMm, widthMm }: CartonAsk): End {
  const flap = flapEnd(from, to, c, [setInMm, setInMm], widthMm / 2 + USUAL_CARTON.lockMm);
  const [middle, y] = [(from + to) / 2, c + widthMm / 2];
  return {
    ...flap,
    creases: flap.creases.map((crease) => ({ ...crease, class: 'flat' })),
    slits: [
      [
        [middle - lengthMm / 4, y],
        [middle + lengthMm / 4, y],
      ],
    ],
  };
}

/** A side's bottom flap of a bottom that opens by itself: a crease at 45° from the body's corner parts off the triangle that is glued to its neighbour. */
function autoSideEnd(from: number, to: number, { halfMm: c }: TubeSizes, longMm: number, towardsLeft: boolean): End {
  const flap = flapEnd(from, to, c, [setInMm, setInMm], longMm);
  const corner: Point = towardsLeft ? [from + setInMm, c] : [to - setInMm, c];
  const sign = towardsLeft ? 1 : -1;
  const far: Point = [corner[0] + sign * longMm, c + longMm];
  return {
    ...flap,
    creases: [
      ...flap.creases.map((crease) => ({ ...crease, class: 'flat' as const })),
      { class: 'flat', from: corner, to: far, endAngle: 180 },
    ],
    glued: [corner, [corner[0], c + longMm], far],
  };
}

/** How far the bottom flaps of a bottom that opens by itself reach: those of the sides never past one another, nor past their own panel. */
export const autoFlapsMm = ({ lengthMm, widthMm }: Pick<CartonAsk, 'lengthMm' | 'widthMm'>): { front: number; side: number } => {
  const front = widthMm / 2 + USUAL_CARTON.autoMm;
  return { front, side: Math.min(front, lengthMm / 2 - 1, widthMm - 2) };
};

type Ends = [End, End, End, End];
/** Where panels begin and end along the girth: flap, front, side, back, side. */
function sidesOf({ flapMm, panelsMm: [p1, p2, p3], girthMm }: TubeSizes): [number, number, number, number, number] {
  return [flapMm, flapMm + p1, flapMm + p1 + p2, flapMm + p1 + p2 + p3, girthMm];
}
/** A lid on the front or the back, dust flaps on the sides; the last side meets the front when the carton stands. */
function lidEnds(on: 'front' | 'back', of: TubeSizes): Ends {
  const [a, b, c, d, e] = sidesOf(of);
  return [
    (on === 'front' ? lidEnd : freeEnd)(a, b, of),
    dustEnd(b, c, on === 'front', of),
    (on === 'back' ? lidEnd : freeEnd)(c, d, of),
    dustEnd(d, e, on === 'back', of),
  ];
}
function freeEnds(of: TubeSizes): Ends {
  const [a, b, c, d, e] = sidesOf(of);
  return [freeEnd(a, b, of), freeEnd(b, c, of), freeEnd(c, d, of), freeEnd(d, e, of)];
}
function snapEnds(of: TubeSizes, ask: CartonAsk): Ends {
  const [a, b, c, d, e] = sidesOf(of);
  const sideMm = Math.min(ask.widthMm / 2 + USUAL_CARTON.lockMm, ask.lengthMm / 2 - 1);
  const side = (from: number, to: number): End => flapEnd(from, to, of.halfMm, [setInMm, setInMm], sideMm);
  return [tongueEnd(a, b, of, ask), side(b, c), slotEnd(c, d, of, ask), side(d, e)];
}
function autoEnds(of: TubeSizes, ask: CartonAsk): Ends {
  const [a, b, c, d, e] = sidesOf(of);
  const long = autoFlapsMm(ask);
  const wall = (from: number, to: number): End => {
    const flap = flapEnd(from, to, of.halfMm, [setInMm, setInMm], long.front);
    return { ...flap, creases: flap.creases.map((crease) => ({ ...crease, class: 'flat' })) };
  };
  return [wall(a, b), autoSideEnd(b, c, of, long.side, true), wall(c, d), autoSideEnd(d, e, of, long.side, true)];
}

const BOTTOMS: Record<Exclude<CartonAsk['style'], 'tray'>, (of: TubeSizes, ask: CartonAsk) => Ends> = {
  straight: (of) => lidEnds('back', of),
  reverse: (of) => lidEnds('front', of),
  snapLock: snapEnds,
  autoBottom: autoEnds,
  sleeve: freeEnds,
};

/**
 * The die line of a carton that is a tube: lying with its height upwards, the flap at the left, the middle of the height at 0.
 * @throws OutOfRange see `tubeSizes`
 * @example tubeDieLine({ style: 'reverse', lengthMm: 72, widthMm: 48, heightMm: 126, caliperMm: 0.44 }).creases.length // 12
 */
export function tubeDieLine(ask: CartonAsk & { style: Exclude<CartonAsk['style'], 'tray'> }): DieLine {
  const of = tubeSizes(ask);
  const top = ask.style === 'sleeve' ? freeEnds(of) : lidEnds('back', of);
  const bottom = BOTTOMS[ask.style](of, ask);
  const below = ([x, y]: Point): Point => [x, -y];
  const flapEndMm = of.halfMm - USUAL_CARTON.flapDropMm;
  const outline = withoutRepeats([
    [0, flapEndMm],
    ...top.flatMap((e) => e.path),
    ...bottom
      .flatMap((e) => e.path)
      .map(below)
      .reverse(),
    [0, -flapEndMm],
  ]);
  // The seam is glued from the flap's edge to a little before its crease; it grows towards the crease as the flap does.
  const seamMm = of.flapMm - USUAL_CARTON.overCreaseMm;
  const grown = flapEndMm + (USUAL_CARTON.flapDropMm * seamMm) / of.flapMm;
  return {
    outline,
    slits: [...top.flatMap((e) => e.slits), ...bottom.flatMap((e) => e.slits.map(([a, b]): [Point, Point] => [below(a), below(b)]))],
    creases: [
      ...sidesOf(of)
        .slice(0, 4)
        .map((x): Crease => ({ class: 'body', from: [x, -of.halfMm], to: [x, of.halfMm] })),
      ...top.flatMap((e) => e.creases),
      ...bottom.flatMap((e) => e.creases.map((c): Crease => ({ class: c.class, from: below(c.from), to: below(c.to) }))),
    ],
    // The last side's edge and the free edges of the front are looked at: no nick tears them.
    showing: [
      [
        [of.girthMm, -of.halfMm],
        [of.girthMm, of.halfMm],
      ],
      ...[1, -1].map((s): [Point, Point] => [
        [of.flapMm, s * of.halfMm],
        [of.flapMm + of.panelsMm[0], s * of.halfMm],
      ]),
    ],
    joints: [
      {
        kind: 'seam',
        region: [
          [0, flapEndMm],
          [seamMm, grown],
          [seamMm, -grown],
          [0, -flapEndMm],
        ],
      },
      ...bottom.flatMap((e) => (e.glued ? [{ kind: 'bottom' as const, region: e.glued.map(below) }] : [])),
    ],
  };
}

const withoutRepeats = (points: readonly Point[]): Point[] =>
  points.filter(([x, y], i) => {
    const before = points[i - 1];
    return before === undefined || Math.abs(before[0] - x) > 1e-9 || Math.abs(before[1] - y) > 1e-9;
  });
