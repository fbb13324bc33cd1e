import { idOf } from '../../quantity/id-of';
import { fig } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { copiesUp } from '../../layout/layout';
import { PRICE_OF } from '../../form/plates';
import { CLOCK_TIME, HANDS_TIME } from '../../finishing/folding';
import { type Process, machineTerm, setting } from '../process';
import { singleStep } from '../single-step';
import { timeAndCost } from '../time-and-cost';
import { finishedRoll } from './finished-roll';
import { rewindPanel, rewindPaper, rewindSummary } from './rewind-page';
import { rewindScene } from './rewind-scene';

/** Rewinder: the web is slit into lanes and wound on cores, so many pieces a roll; the last roll may be short. */
export const rewind: Process = {
  id: 'rewind',
  abilities: ['maxWebMm', 'maxRollKg', 'maxRollDiameterMm', 'coreMm'],
  asks: () => ({}),
  draft(cx) {
    const web = cx.parts[0]?.traits?.web;
    const perRoll = web?.piecesARoll ?? 1;
    const { widthMm, diameterMm, lengthM } = finishedRoll(cx);
    const lead = cx.incoming[0]?.of;
    const bundle = {
      footprintMm: [diameterMm, diameterMm] as [number, number],
      pieces: perRoll,
      layerMm: widthMm,
      paperMm2: widthMm * lengthM * 1000,
      together: perRoll,
    };
    return singleStep(cx, {
      takesPer: perRoll / Math.max(cx.layout ? copiesUp(cx.layout) : 1, 1),
      givesPer: perRoll,
      unit: 'piece',
      perGood: 1,
      whole: false,
      losses: {},
      cautions: ['nips', 'sheeterKnife'],
      also: [
        {
          port: { flow: idOf(cx.id, 'cores'), per: 1 },
          flow: {
            unit: 'piece',
            part: lead?.part ?? '',
            item: lead?.item ?? '',
            perGood: 1 / perRoll,
            supply: { from: 'buy', leadDays: 2 },
          },
        },
      ],
      makes: { bundle },
    });
  },
  consume(cx) {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'handsS'), HANDS_TIME, {
      pieces: fig(idOf(id, 'run')),
      secondsEach: setting(cx, 'secondsEach', practiceTerm(cx.plant, 'rewind.secondsEach')),
      rest: practiceTerm(cx.plant, 'hands.restShare'),
    });
    ledger.figure(idOf(id, 'clockS'), CLOCK_TIME, {
      handsS: fig(idOf(id, 'handsS')),
      people: setting(cx, 'people', machineTerm(cx, 'crew')),
    });
    ledger.figure(idOf(id, 'coreCost'), PRICE_OF, {
      number: fig(idOf(id, 'cores.demand')),
      price: practiceTerm(cx.plant, 'rewind.corePrice'),
    });
    return {
      costs: [
        ...timeAndCost(cx, { step: id, runS: fig(idOf(id, 'clockS')) }),
        { figure: idOf(id, 'coreCost'), kind: 'goods', fixed: false },
      ],
    };
  },
  scene: rewindScene,
  panel: rewindPanel,
  paper: rewindPaper,
  summary: rewindSummary,
};
