import type { Process } from '../process';
import { singleStep } from '../single-step';
import { timeAndCost } from '../time-and-cost';
import { blanksAPlate } from './blanks-a-plate';
import { sawPanel, sawPaper, sawSummary } from './saw-page';
import { sawScene } from './saw-scene';

/** Blanks for dies sawn from plates of metal, one by one, no more than are wanted; what is left of a plate goes back to its rack. */
export const saw: Process = {
  id: 'saw',
  asks: () => ({}),
  draft: (cx) =>
    singleStep(cx, {
      takesPer: 1 / blanksAPlate(cx),
      givesPer: 1,
      unit: 'piece',
      perGood: 1,
      whole: true,
      losses: {},
      cautions: ['saw', 'eyes'],
    }),
  consume: (cx) => ({ costs: timeAndCost(cx, { step: cx.id }) }),
  scene: sawScene,
  panel: sawPanel,
  paper: sawPaper,
  summary: sawSummary,
};
