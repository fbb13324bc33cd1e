import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { RUBBER_METRES } from '../../form/cutting-die';
import { DIE_ROOM_TIME } from '../../form/die-making';
import type { Process } from '../process';
import { singleStep } from '../single-step';
import { timeAndCost } from '../time-and-cost';
import { dieShopPanel, dieShopPaper, dieShopScene, dieShopSummary } from './die-shop-page';
import { ruledOf } from './ruled';

/** Board slotted, rules bent and set, rubber laid, counter plate, stripping frame and grid made: one die after another, each struck once for proof. */
export const dieShop: Process = {
  id: 'dieShop',
  asks: () => ({}),
  draft: (cx) =>
    singleStep(cx, { takesPer: 1, givesPer: 1, unit: 'piece', perGood: 1, whole: true, losses: {}, cautions: ['saw', 'eyes'] }),
  consume(cx) {
    const of = ruledOf(cx);
    const cutM = typed(of.cutM, 'm', 'cutM');
    cx.ledger.figure(idOf(cx.id, 'rubberM'), RUBBER_METRES, { cutM, times: practiceTerm(cx.plant, 'dieCut.rubberTimes') });
    cx.ledger.figure(idOf(cx.id, 'dieRoomS'), DIE_ROOM_TIME, {
      dies: fig(idOf(cx.id, 'run')),
      cutM,
      creaseM: typed(of.creaseM, 'm', 'creaseM'),
      ruleS: practiceTerm(cx.plant, 'dieShop.ruleS'),
      rubberM: fig(idOf(cx.id, 'rubberM')),
      rubberS: practiceTerm(cx.plant, 'dieShop.rubberS'),
      platesS: practiceTerm(cx.plant, 'dieShop.platesS'),
    });
    return { costs: timeAndCost(cx, { step: cx.id, runS: fig(idOf(cx.id, 'dieRoomS')) }) };
  },
  scene: dieShopScene,
  panel: dieShopPanel,
  paper: dieShopPaper,
  summary: dieShopSummary,
};
