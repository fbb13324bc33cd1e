import { idOf } from '../../quantity/id-of';
import { ceilTolerant, floorTolerant } from '../../quantity/round-tolerant';
import { type MotherReel, motherReels } from '../../stock/mother-reel';
import { MOST_REELS_LISTED } from '../designs-off';
import type { ConsumeContext } from '../process';
import { ofForm } from '../web-time';

/** A mother reel that a run winds off, with the splices to expect in it, in metres from its outside. */
export interface ReelToWind extends MotherReel {
  spliceM: number[];
}
/** Reels of a run, in the order in which they were printed, the first of them where there are very many: where a paper roll ended, a splice. */
export function reelsToWind(cx: ConsumeContext): { reels: ReelToWind[]; more: number } {
  const value = (figure: string): number => cx.ledger.value(figure);
  const [metres, mostM, lengthM, paperM] = [
    idOf(cx.id, 'metres'),
    ofForm(cx, 'reelM'),
    ofForm(cx, 'rollLengthM'),
    ofForm(cx, 'usableRoll'),
  ].map(value) as [number, number, number, number];
  if (!(lengthM > 0 && mostM > 0)) return { reels: [], more: 0 };
  const listed = motherReels(Math.min(metres, MOST_REELS_LISTED * mostM), mostM, lengthM);
  const reels = listed.map(({ fromM, toM }): ReelToWind => {
    const first = paperM > 0 ? floorTolerant(fromM / paperM) + 1 : Infinity;
    const ends =
      paperM > 0 ? Array.from({ length: Math.max(floorTolerant(toM / paperM) - first + 1, 0) }, (_, n) => (first + n) * paperM) : [];
    return { fromM, toM, spliceM: ends.filter((m) => m > fromM && m < toM).map((m) => toM - m) };
  });
  return { reels, more: Math.max(ceilTolerant(metres / mostM) - reels.length, 0) };
}
