import type { Surface } from '../plant/plant';
import type { PracticeKey } from '../plant/practice';

/** What decides how long a printed sheet lies before it is cut or folded. */
export interface DryingLoad {
  surface: Surface | undefined;
  /** Ink on the heaviest side, all inks together, percent of the area. */
  inkPercent: number;
  /** A water-based coat lies over the inks. */
  waterCoat: boolean;
}

/** From so much ink on a side the sheet counts as heavily loaded. Common practice, no source. */
const HEAVY_PERCENT = 200;

/**
 * Which wait before cutting and folding holds for oil-based inks: under a water-based coat 1 to 4 h, matt and uncoated surfaces or heavy solids 24 to 48 h, else 12 to 24 h.
 * Source: common practice, no source.
 * @example dryBeforeCutting({ surface: 'matt', inkPercent: 120, waterCoat: false }) // 'wait.cutHeavyS'
 */
export function dryBeforeCutting({ surface, inkPercent, waterCoat }: DryingLoad): PracticeKey {
  if (waterCoat) return 'wait.cutCoatedS';
  return surface === 'matt' || surface === 'uncoated' || inkPercent >= HEAVY_PERCENT ? 'wait.cutHeavyS' : 'wait.cutS';
}
