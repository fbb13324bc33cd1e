import { OutOfRange } from '../quantity/errors';
import type { Formula } from '../quantity/figure';
import { SUM } from '../quantity/sum';

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
export const INK_BOUGHT: Formula<'readyKg' | 'share'> = {
  id: 'ink.bought',
  unit: 'kg',
  source: '60 to 75 % is bought; common practice, no source',
  of: ({ readyKg, share }) => (share > 0 ? inkBoughtKg({ readyKg, share: Math.min(share, 1) }) : 0),
};
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
export const SOLVENT: Formula<'readyKg' | 'boughtKg' | 'kgPerHour' | 'stations' | 'hours'> = {
  id: 'ink.solvent',
  unit: 'kg',
  source: '1 to 3 kg an hour a station; common practice, no source',
  of: solventKg,
};
/** Hours that the stations stand open: setting up and running. */
export const OPEN_HOURS: Formula<'setupS' | 'runS'> = {
  id: 'ink.openHours',
  unit: 'h',
  source: 'arithmetic',
  of: ({ setupS, runS }) => (setupS + runS) / 3600,
};
/** Ink to have ready for a station: what is printed, and what fills pan and pipes. Source: 15 to 25 kg, common practice, no source. */
export const INK_AT_STATION = { ...SUM, id: 'ink.atStation', unit: 'kg' } as const;
/** What comes back from pan and pipes into the can, less what sticks to them. Source: 2 to 4 kg, common practice, no source. */
export const INK_RETURNS: Formula<'panKg' | 'cleanKg'> = {
  id: 'ink.returns',
  unit: 'kg',
  source: '2 to 4 kg are lost cleaning; common practice, no source',
  of: ({ panKg, cleanKg }) => Math.max(panKg - cleanKg, 0),
};
