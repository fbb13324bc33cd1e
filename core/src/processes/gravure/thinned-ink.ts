import { practiceOf } from '../../plant/practice';
import { type DraftContext, wordSetting } from '../process';

/* Ink that is thinned at the press: with what, how thick it runs, what stays of it in the paper. */

/** Whether the ink is thinned with water: slower, and no zone of explosion. */
export const isWater = (cx: DraftContext): boolean => cx.inkSeries?.water === true;

/** Seconds from the cup, and between what they may lie: as the works says. */
export function viscosityS({ plant }: Pick<DraftContext, 'plant'>): { aim: number; least: number; most: number } {
  const { value, pm } = practiceOf(plant, 'gravure.viscosityS');
  return { aim: value, least: value - pm, most: value + pm };
}
/** The reading of what is left of solvents where children or food come near. */
export const SOLVENT_LEFT = 'solventLeft';

/** The cup whose seconds say how thick the ink is: seconds without a cup say nothing. */
export const cupOf = (cx: DraftContext): string => wordSetting(cx, 'cup', '').trim();
