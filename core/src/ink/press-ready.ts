import { OutOfRange } from '../quantity/errors';

/* Gravure ink: what the press wants, thinned, and what is bought. */

/**
 * Ink to be bought for so much that is ready for the press; the rest is solvent. Formula: ready · share. Source: 60 to 75 % is bought, common practice, no source.
 * @throws OutOfRange a share not above 0 and up to 1
 * @example inkBoughtKg({ readyKg: 145.17, share: 0.675 }) // 97.99
 */
export function inkBoughtKg({ readyKg, share }: { readyKg: number; share: number }): number {
  if (!(share > 0 && share <= 1)) throw new OutOfRange('share', share, 'above 0, up to 1');
  return readyKg * share;
}
/**
 * Solvent for it: what thins it, and what evaporates at every station while it runs.
 *
 * Formula: ready − bought + kg an hour · stations · hours. Source: 1 to 3 kg an hour a station, common practice, no source.
 * @example solventKg({ readyKg: 145.17, boughtKg: 97.99, kgPerHour: 2, stations: 5, hours: 1.1 }) // 58.18
 */
export const solventKg = ({
  readyKg,
  boughtKg,
  kgPerHour,
  stations,
  hours,
}: {
  readyKg: number;
  boughtKg: number;
  kgPerHour: number;
  stations: number;
  hours: number;
}): number => readyKg - boughtKg + kgPerHour * stations * hours;
