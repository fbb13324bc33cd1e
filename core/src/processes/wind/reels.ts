import { idOf } from '../../quantity/id-of';
import { floorTolerant } from '../../quantity/round-tolerant';
import { type MotherReel, motherReels } from '../../stock/mother-reel';
import type { ConsumeContext } from '../process';
import { ofForm } from '../web-time';

/** A mother reel that a run winds off, with the splices to expect in it, in metres from its outside. */
export interface ReelToWind extends MotherReel {
  spliceM: number[];
}
/** Reels of a run, in the order in which they were printed: where a paper roll ended, a splice. */
export function reelsToWind(cx: ConsumeContext): ReelToWind[] {
  const value = (figure: string): number => cx.ledger.value(figure);
  const paperM = value(ofForm(cx, 'usableRoll'));
  const reels = motherReels(value(idOf(cx.id, 'metres')), value(ofForm(cx, 'reelM')), value(ofForm(cx, 'rollLengthM')));
  return reels.map(({ fromM, toM }) => {
    const ends = Array.from({ length: paperM > 0 ? floorTolerant(toM / paperM) : 0 }, (_, n) => (n + 1) * paperM);
    return { fromM, toM, spliceM: ends.filter((m) => m > fromM && m < toM).map((m) => toM - m) };
  });
}
