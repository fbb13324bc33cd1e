import { portableAtan2, portableCos, portableExp, portableSin } from '../quantity/portable-math';
import type { Lab } from './lab';

const RADIANS = Math.PI / 180;
const seventh = (c: number): number => {
  const c2 = c * c;
  return c2 * c2 * c2 * c;
};
const HIGH = seventh(25);

/** Hues exactly opposite are opposite, whatever the last bit of an arc tangent says: the mean hue must not hang on it. */
const OPPOSITE = 180 + 1e-9;

/** Hue in degrees, 0 to 360; 0 where there is no chroma. */
const hue = (a: number, b: number): number => {
  if (a === 0 && b === 0) return 0;
  const h = portableAtan2(b, a) / RADIANS;
  return h < 0 ? h + 360 : h;
};

/**
 * Colour difference CIEDE2000 of two colours in CIELAB.
 *
 * Formula: as in the paper, with its cases for the mean hue and for hue differences beyond 180°; kL, kC, kH = 1 where nothing is said.
 * Source: ISO/CIE 11664-6; Sharma, Wu & Dalal, Color Research & Application 30(1), 2005. Accuracy: to 4 decimals of the paper's Table 1.
 * @example deltaE2000([50, 2.6772, -79.7751], [50, 0, -82.7485]) // 2.0425
 */
export function deltaE2000([l1, a1, b1]: Lab, [l2, a2, b2]: Lab, { kL = 1, kC = 1, kH = 1 } = {}): number {
  const cMean = (Math.sqrt(a1 * a1 + b1 * b1) + Math.sqrt(a2 * a2 + b2 * b2)) / 2;
  const g = 0.5 * (1 - Math.sqrt(seventh(cMean) / (seventh(cMean) + HIGH)));
  const [a1s, a2s] = [(1 + g) * a1, (1 + g) * a2];
  const [c1, c2] = [Math.sqrt(a1s * a1s + b1 * b1), Math.sqrt(a2s * a2s + b2 * b2)];
  const [h1, h2] = [hue(a1s, b1), hue(a2s, b2)];
  const grey = c1 * c2 === 0;

  const dL = l2 - l1;
  const dC = c2 - c1;
  let dh = grey ? 0 : h2 - h1;
  if (dh > OPPOSITE) dh -= 360;
  else if (dh < -OPPOSITE) dh += 360;
  const dH = 2 * Math.sqrt(c1 * c2) * portableSin((dh / 2) * RADIANS);

  const l = (l1 + l2) / 2;
  const c = (c1 + c2) / 2;
  let h = h1 + h2;
  if (!grey) {
    if (Math.abs(h1 - h2) <= OPPOSITE) h /= 2;
    else h = h < 360 ? (h + 360) / 2 : (h - 360) / 2;
  }
  const t =
    1 -
    0.17 * portableCos((h - 30) * RADIANS) +
    0.24 * portableCos(2 * h * RADIANS) +
    0.32 * portableCos((3 * h + 6) * RADIANS) -
    0.2 * portableCos((4 * h - 63) * RADIANS);
  const turn = (h - 275) / 25;
  const dTheta = 30 * portableExp(-turn * turn);
  const rC = 2 * Math.sqrt(seventh(c) / (seventh(c) + HIGH));
  const away = (l - 50) * (l - 50);
  const sL = 1 + (0.015 * away) / Math.sqrt(20 + away);
  const sC = 1 + 0.045 * c;
  const sH = 1 + 0.015 * c * t;
  const rT = -portableSin(2 * dTheta * RADIANS) * rC;
  const [x, y, z] = [dL / (kL * sL), dC / (kC * sC), dH / (kH * sH)];
  return Math.sqrt(Math.max(x * x + y * y + z * z + rT * y * z, 0));
}
