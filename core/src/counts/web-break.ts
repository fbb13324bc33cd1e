import { OutOfRange, requireAboveZero } from '../quantity/errors';
import { ceilTolerant } from '../quantity/round-tolerant';

/** A web that broke: the reel's counter when it stopped, the last good metre on it, the web between unwinder and reel, and what it takes to be in register again. */
export interface WebBreak {
  counterM: number;
  lastGoodM: number;
  pathM: number;
  registerM: number;
}
/** A machine whose web may break: what a turn of it takes, the web on its way, and what it usually takes to be in register again. */
export type WebThatBreaks = Pick<WebBreak, 'pathM' | 'registerM'> & { turnMm: number };
/**
 * Metres that a break loses. Formula: (counter − last good) + web path + register again. Source: arithmetic; paths of 40 to 80 m, 30 to 60 m to register, common
 * practice, no source.
 * @throws OutOfRange a last good metre behind the counter, or below 0
 * @example breakLostM({ counterM: 4_236, lastGoodM: 4_228, pathM: 62, registerM: 44 }) // 114
 */
export function breakLostM({ counterM, lastGoodM, pathM, registerM }: WebBreak): number {
  if (!(lastGoodM >= 0 && lastGoodM <= counterM)) throw new OutOfRange('lastGoodM', lastGoodM, `0 to ${counterM}, where the web stopped`);
  return counterM - lastGoodM + pathM + registerM;
}
/**
 * Repeats that so many metres of waste are. Formula: ⌈metres / turn⌉. Source: arithmetic, whole repeats.
 * @throws OutOfRange a turn not above 0
 * @example repeatsLost(114, 500) // 228
 */
export function repeatsLost(lostM: number, turnMm: number): number {
  requireAboveZero('turnMm', turnMm);
  return ceilTolerant((lostM * 1000) / turnMm);
}
