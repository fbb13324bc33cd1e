import { OutOfRange } from '../../quantity/errors';
import { type CartonAsk, panelAddMm, requireCarton, USUAL_CARTON } from './carton-ask';
import type { Crease, DieLine, Joint } from './die-line';
import type { Point } from './points';

/**
 * The die line of a glued tray, the middle of its base at 0: four walls, and a flap at either end of the two across the length, glued inside the long walls.
 *
 * Formulas, t = caliper: base (L+t) × (W+t); walls H + t/2; flaps 18 × (H−1), W−t between their creases, since they lie inside the long walls.
 * Source: caliper rule as for a tube (arithmetic); flaps common practice, no source.
 * @throws OutOfRange a size not above 0, or walls lower than their flaps' play
 * @example trayDieLine({ style: 'tray', lengthMm: 120, widthMm: 80, heightMm: 30, caliperMm: 0.5 }).joints.length // 4
 */
export function trayDieLine(ask: CartonAsk): DieLine {
  requireCarton(ask);
  const { lengthMm, widthMm, heightMm, caliperMm: t } = ask;
  const { trayFlapMm, setInMm } = USUAL_CARTON;
  if (!(heightMm > 1)) throw new OutOfRange('heightMm', heightMm, 'above 1: its flaps are 1 lower');
  const add = panelAddMm(ask);
  const [halfX, halfY, wall] = [(lengthMm + add) / 2, (widthMm + add) / 2, heightMm + add / 2];
  // Of the wall across the length: to its flaps' creases, and where along it a flap begins and ends.
  const [creaseY, flapFrom, flapTo, flapY] = [halfY - t, halfX + t / 2 + setInMm, halfX + wall - setInMm, halfY - t + trayFlapMm];
  const quarter: Point[] = [
    [halfX, halfY + wall],
    [halfX, creaseY],
    [flapFrom, creaseY],
    [flapFrom, flapY],
    [flapTo, flapY],
    [flapTo, creaseY],
    [halfX + wall, creaseY],
  ];
  const mirrored = (sx: 1 | -1, sy: 1 | -1): Point[] => {
    const points = quarter.map(([x, y]): Point => [sx * x, sy * y]);
    return sx * sy > 0 ? points : points.reverse();
  };
  const outline = [...mirrored(1, 1), ...mirrored(1, -1), ...mirrored(-1, -1), ...mirrored(-1, 1)];
  const signs = [1, -1] as const;
  const creases: Crease[] = signs.flatMap((s): Crease[] => [
    { class: 'wall', from: [-halfX, s * halfY], to: [halfX, s * halfY] },
    { class: 'wall', from: [s * halfX, -creaseY], to: [s * halfX, creaseY] },
  ]);
  const joints: Joint[] = [];
  for (const sx of signs)
    for (const sy of signs) {
      creases.push({ class: 'flat', from: [sx * flapFrom, sy * creaseY], to: [sx * flapTo, sy * creaseY] });
      joints.push({
        kind: 'corner',
        region: [
          [sx * flapFrom, sy * (creaseY + USUAL_CARTON.overCreaseMm)],
          [sx * flapTo, sy * (creaseY + USUAL_CARTON.overCreaseMm)],
          [sx * flapTo, sy * flapY],
          [sx * flapFrom, sy * flapY],
        ],
      });
    }
  return { outline, slits: [], creases, joints };
}
