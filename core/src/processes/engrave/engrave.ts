import type { Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { ENGRAVING_TIME } from '../../form/die-making';
import { type ConsumeContext, type Process, setting } from '../process';
import { singleStep } from '../single-step';
import { timeAndCost } from '../time-and-cost';
import { imageOf } from './die-image';
import { engravePanel, engravePaper, engraveSummary } from './engrave-page';
import { dieScene } from './engrave-scene';

const perCm2Term = (cx: ConsumeContext): Term => setting(cx, 'perCm2S', practiceTerm(cx.plant, 'foilDie.engravePerCm2S'));
const lookTerm = (cx: ConsumeContext): Term => setting(cx, 'lookS', practiceTerm(cx.plant, 'foilDie.lookS'));

/** Blanks engraved into dies one by one: metal milled away around the image, which stands mirrored; each is looked at under the loupe. One that fails is made again. */
export const engrave: Process = {
  id: 'engrave',
  asks: () => ({}),
  draft: (cx) =>
    singleStep(cx, { takesPer: 1, givesPer: 1, unit: 'piece', perGood: 1, whole: true, losses: {}, cautions: ['saw', 'eyes'] }),
  consume(cx) {
    const { widthMm, heightMm } = imageOf(cx);
    cx.ledger.figure(idOf(cx.id, 'engravingS'), ENGRAVING_TIME, {
      dies: fig(idOf(cx.id, 'run')),
      widthMm: typed(widthMm, 'mm', 'widthMm'),
      heightMm: typed(heightMm, 'mm', 'heightMm'),
      perCm2: perCm2Term(cx),
      look: lookTerm(cx),
    });
    return { costs: timeAndCost(cx, { step: cx.id, runS: fig(idOf(cx.id, 'engravingS')) }) };
  },
  scene: dieScene,
  panel: engravePanel,
  paper: engravePaper,
  summary: engraveSummary,
};
