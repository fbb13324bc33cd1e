import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { PRICE_OF } from '../../form/plates';
import { CLOCK_TIME, HANDS_TIME } from '../../finishing/folding';
import { type Process, machineTerm, setting } from '../process';
import { singleStep } from '../single-step';
import { caliperUmOf } from '../stock-terms';
import { timeAndCost } from '../time-and-cost';
import { stackPanel, stackPaper, stackSummary } from './stack-page';
import { stackScene } from './stack-scene';

/** Sheets counted into stacks, each shrunk into film where the order asks; the last stack may be short. */
export const stack: Process = {
  id: 'stack',
  asks: () => ({}),
  draft(cx) {
    const web = cx.parts[0]?.traits?.web;
    const [pieces, sheets] = [(web?.across ?? 1) * (web?.along ?? 1), web?.sheetsAStack ?? 1];
    const [width, length] = cx.layout?.web?.sheetMm ?? [1, 1];
    const bundle = {
      footprintMm: [width, length] as [number, number],
      pieces,
      layerMm: caliperUmOf(cx) / 1000,
      paperMm2: width * length,
      together: sheets * pieces,
    };
    return singleStep(cx, {
      takesPer: sheets,
      givesPer: sheets * pieces,
      unit: 'piece',
      perGood: 1,
      whole: false,
      losses: {},
      cautions: web?.wrapped ? ['heat'] : [],
      makes: { bundle },
    });
  },
  consume(cx) {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'handsS'), HANDS_TIME, {
      pieces: fig(idOf(id, 'run')),
      secondsEach: setting(cx, 'secondsEach', practiceTerm(cx.plant, 'stack.wrapS')),
      rest: practiceTerm(cx.plant, 'hands.restShare'),
    });
    ledger.figure(idOf(id, 'clockS'), CLOCK_TIME, {
      handsS: fig(idOf(id, 'handsS')),
      people: setting(cx, 'people', machineTerm(cx, 'crew')),
    });
    const wrapped = cx.parts[0]?.traits?.web?.wrapped ?? false;
    ledger.figure(idOf(id, 'cost'), PRICE_OF, {
      number: fig(idOf(id, 'run')),
      price: wrapped ? practiceTerm(cx.plant, 'stack.filmPrice') : typed(0, 'money', 'wrapped'),
    });
    return {
      costs: [
        ...timeAndCost(cx, { step: id, runS: fig(idOf(id, 'clockS')), people: setting(cx, 'people', machineTerm(cx, 'crew')) }),
        { figure: idOf(id, 'cost'), kind: 'goods', fixed: false },
      ],
    };
  },
  scene: stackScene,
  panel: stackPanel,
  paper: stackPaper,
  summary: stackSummary,
};
