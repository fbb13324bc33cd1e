import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { CLOCK_TIME, HANDS_TIME, PACKS } from '../../finishing/folding';
import { type Process, machineTerm, setting } from '../process';
import { singleStep } from '../single-step';
import { timeAndCost } from '../time-and-cost';
import { bandPanel, bandPaper, bandSummary } from './band-page';
import { bandScene } from './band-scene';
import { packLoss } from './pack-loss';

/** Bands: so many pieces round each; the last band may be short. */
export const band: Process = {
  id: 'band',
  asks: () => ({}),
  draft: (cx) => {
    const per = cx.parts[0]?.traits?.packed?.perBand ?? 1;
    return singleStep(cx, {
      takesPer: per,
      givesPer: per,
      unit: 'piece',
      perGood: 1,
      whole: false,
      losses: packLoss(cx),
      cautions: ['heat'],
    });
  },
  consume(cx) {
    const per = cx.parts[0]?.traits?.packed?.perBand ?? 1;
    cx.ledger.figure(idOf(cx.id, 'bands'), PACKS, { pieces: fig(idOf(cx.id, 'out.demand')), perPack: typed(per, 'piece', 'perBand') });
    cx.ledger.figure(idOf(cx.id, 'handsS'), HANDS_TIME, {
      pieces: fig(idOf(cx.id, 'bands')),
      secondsEach: setting(cx, 'secondsEach', practiceTerm(cx.plant, 'pack.bandS')),
      rest: practiceTerm(cx.plant, 'hands.restShare'),
    });
    cx.ledger.figure(idOf(cx.id, 'clockS'), CLOCK_TIME, {
      handsS: fig(idOf(cx.id, 'handsS')),
      people: setting(cx, 'people', machineTerm(cx, 'crew')),
    });
    return {
      costs: timeAndCost(cx, { step: cx.id, runS: fig(idOf(cx.id, 'clockS')), people: setting(cx, 'people', machineTerm(cx, 'crew')) }),
    };
  },
  paper: bandPaper,
  scene: bandScene,
  panel: bandPanel,
  summary: bandSummary,
};
