import { requireAboveZero, OutOfRange } from '../../quantity/errors';
import { floorTolerant } from '../../quantity/round-tolerant';
import type { Crease, DieLine } from './die-line';
import type { Point } from './points';

/** A tube with a tuck lid at either end: both lids on the back panel (straight), or the lower one on the front (reverse). */
export interface TuckAsk {
  style: 'straight' | 'reverse';
  /** Inside sizes: along the front, from front to back, upwards. */
  lengthMm: number;
  widthMm: number;
  heightMm: number;
  /** Measured thickness of the board. */
  caliperMm: number;
  /** Glue flap, tuck, and what stands between a dust flap and the tuck; the usual ones where nothing is said. */
  flapMm?: number;
  tuckMm?: number;
  reliefMm?: number;
}

/** Practice values of the trade (common practice, no source): what stands beside a moving edge, and what is cut into the tuck's crease. */
const USUAL = { flapMm: 15, tuckMm: 15, reliefMm: 4, flapDropMm: 4, setInMm: 0.5, slitMm: 5 } as const;

export interface TuckSizes {
  flapMm: number;
  /** The four panels of the tube, from the flap on. */
  panelsMm: [number, number, number, number];
  girthMm: number;
  /** From the middle of the height to the creases of the dust flaps and the free edges; to the creases of the lids. */
  halfMm: number;
  lidAtMm: number;
  lidMm: number;
  tuckMm: number;
  dustMm: number;
  reliefMm: number;
  /** Of the open blank. */
  blankHeightMm: number;
}

/**
 * Sizes of a tuck carton from its inside.
 *
 * Formulas, t = caliper: panels L+t, W+t, L+t, W+t−0.5 (the last lies on the flap); half height (H+t)/2, lids t further out since they close over the dust
 * flaps; lid W−0.5; dust flap ⌊min(L/2−1, (lid+tuck)/2)⌋, as longer ones cost rows of the nest.
 * Source: the board bends about its middle, so that each hinge adds half a caliper where it lies in the wall (arithmetic); play 0.5, flap, tuck and relief are
 * common practice, no source.
 * @throws OutOfRange a size not above 0
 * @example tuckSizes({ style: 'reverse', lengthMm: 72, widthMm: 48, heightMm: 126, caliperMm: 0.44 }).girthMm // 256.26
 */
export function tuckSizes(ask: TuckAsk): TuckSizes {
  const { lengthMm, widthMm, heightMm, caliperMm: t } = ask;
  for (const [field, value] of Object.entries({ lengthMm, widthMm, heightMm, caliperMm: t })) requireAboveZero(field, value);
  const { flapMm = USUAL.flapMm, tuckMm = USUAL.tuckMm, reliefMm = USUAL.reliefMm } = ask;
  const panelsMm: TuckSizes['panelsMm'] = [lengthMm + t, widthMm + t, lengthMm + t, widthMm + t - USUAL.setInMm];
  const lidMm = widthMm - USUAL.setInMm;
  const halfMm = (heightMm + t) / 2;
  const dustMm = floorTolerant(Math.min(lengthMm / 2 - 1, (lidMm + tuckMm) / 2));
  if (!(dustMm > 0)) throw new OutOfRange('lengthMm', lengthMm, 'long enough for a dust flap (above 4)');
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

/** The end of a panel, from its left side to its right, as heights above its middle: what the outline follows there. */
type End = Point[];
const freeEnd = (from: number, to: number, { halfMm: c }: TuckSizes): End => [
  [from, c],
  [to, c],
];
function lidEnd(from: number, to: number, { halfMm: c, lidAtMm, lidMm, tuckMm }: TuckSizes): End {
  const [left, right, top] = [from + USUAL.setInMm, to - USUAL.setInMm, lidAtMm + lidMm + tuckMm];
  return [
    [from, c],
    [from, lidAtMm],
    [left, lidAtMm],
    [left, top],
    [right, top],
    [right, lidAtMm],
    [to, lidAtMm],
    [to, c],
  ];
}
function dustEnd(from: number, to: number, lidIsLeft: boolean, { halfMm: c, dustMm, reliefMm }: TuckSizes): End {
  const [left, right] = lidIsLeft ? [from + USUAL.setInMm, to - reliefMm] : [from + reliefMm, to - USUAL.setInMm];
  return [
    [from, c],
    [left, c],
    [left, c + dustMm],
    [right, c + dustMm],
    [right, c],
    [to, c],
  ];
}

/**
 * The die line of a tuck carton, lying with its height upwards, the flap at the left, the middle of the height at 0.
 * @throws OutOfRange see `tuckSizes`
 * @example measureDieLine(tuckCarton({ style: 'reverse', lengthMm: 72, widthMm: 48, heightMm: 126, caliperMm: 0.44 })).areaMm2 // 46752.82
 */
export function tuckCarton(ask: TuckAsk): DieLine {
  const of = tuckSizes(ask);
  const [p1, p2, p3] = of.panelsMm;
  // Sides of the panels from the left: flap, front, side, back, side.
  const at = [of.flapMm, of.flapMm + p1, of.flapMm + p1 + p2, of.flapMm + p1 + p2 + p3, of.girthMm] as const;
  const ends = (lidOn: 'front' | 'back'): End[] => [
    (lidOn === 'front' ? lidEnd : freeEnd)(at[0], at[1], of),
    dustEnd(at[1], at[2], lidOn === 'front', of),
    (lidOn === 'back' ? lidEnd : freeEnd)(at[2], at[3], of),
    // The last side meets the front when the carton stands.
    dustEnd(at[3], at[4], lidOn === 'back', of),
  ];
  const lids = { top: 'back', bottom: ask.style === 'straight' ? 'back' : 'front' } as const;
  const below = (end: Point[]): Point[] => end.map(([x, y]): Point => [x, -y]).reverse();
  const flapEnd = of.halfMm - USUAL.flapDropMm;
  const outline = withoutRepeats([[0, flapEnd], ...ends(lids.top).flat(), ...ends(lids.bottom).map(below).reverse().flat(), [0, -flapEnd]]);
  const creases: Crease[] = at.slice(0, 4).map((x) => ({ class: 'body', from: [x, -of.halfMm], to: [x, of.halfMm] }));
  const slits: DieLine['slits'] = [];
  for (const [lidOn, sign] of [
    [lids.top, 1],
    [lids.bottom, -1],
  ] as const) {
    const [from, to] = lidOn === 'front' ? [at[0], at[1]] : [at[2], at[3]];
    const [left, right] = [from + USUAL.setInMm, to - USUAL.setInMm];
    const [lidY, tuckY] = [sign * of.lidAtMm, sign * (of.lidAtMm + of.lidMm)];
    creases.push({ class: 'lid', from: [left, lidY], to: [right, lidY] });
    creases.push({ class: 'tuck', from: [left + USUAL.slitMm, tuckY], to: [right - USUAL.slitMm, tuckY] });
    slits.push(
      [
        [left, tuckY],
        [left + USUAL.slitMm, tuckY],
      ],
      [
        [right - USUAL.slitMm, tuckY],
        [right, tuckY],
      ],
    );
    for (const [a, b, lidIsLeft] of [
      [at[1], at[2], lidOn === 'front'],
      [at[3], at[4], lidOn === 'back'],
    ] as const) {
      const [inLeft, inRight] = lidIsLeft ? [USUAL.setInMm, of.reliefMm] : [of.reliefMm, USUAL.setInMm];
      creases.push({ class: 'dust', from: [a + inLeft, sign * of.halfMm], to: [b - inRight, sign * of.halfMm] });
    }
  }
  return { outline, slits, creases };
}

const withoutRepeats = (points: readonly Point[]): Point[] =>
  points.filter(([x, y], i) => {
    const before = points[i - 1];
    return before === undefined || Math.abs(before[0] - x) > 1e-9 || Math.abs(before[1] - y) > 1e-9;
  });
