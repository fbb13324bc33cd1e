import { idOf } from '../../quantity/id-of';
import { fig } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { PILE_SHEETS } from '../../stock/pile';
import { CUTS, CUTTING_TIME, LIFTS } from '../../finishing/cutting-program';
import { type Process, setting } from '../process';
import { cutWaits } from '../cut-wait';
import { partedStep } from '../parted-step';
import { usualLosses } from '../step-losses';
import { caliperTerm } from '../stock-terms';
import { timeAndCost } from '../time-and-cost';
import { guillotinePanel, guillotinePaper, guillotineSummary } from './guillotine-page';
import { GUILLOTINE_RULES } from './guillotine-rules';
import { cutScene } from './guillotine-scene';
import { partedWaste } from './parted-waste';
import { liftMm, programOf } from './program';

const LOSSES = { setup: 'guillotine.setupSheets', running: 'guillotine.runningPpm' } as const;

/** Guillotine: sheets to copies in lifts, by a program of cuts. */
export const guillotine: Process = {
  id: 'guillotine',
  rules: GUILLOTINE_RULES,
  reach: 'sheet',
  losses: LOSSES,
  parts: true,
  straightCuts: true,
  byGauges: true,
  needless: ({ layout }) => layout?.imposed?.foldedWhole === true,
  asks: (cx) => ({ ...(cx.machine.maxSheetMm && { maxSheetMm: cx.machine.maxSheetMm }) }),
  draft(cx) {
    return partedStep(cx, { unit: 'copy', losses: usualLosses(cx, LOSSES), waits: cutWaits(cx), cautions: ['knife'] });
  },
  consume(cx) {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'perLift'), PILE_SHEETS, {
      heightMm: liftMm(cx),
      caliperUm: caliperTerm(cx),
    });
    ledger.figure(idOf(id, 'lifts'), LIFTS, { sheets: fig(idOf(id, 'run')), perLift: fig(idOf(id, 'perLift')) });
    ledger.figure(idOf(id, 'cuts'), CUTS, { cuts: { value: programOf(cx).length, unit: 'cut', from: 'family', at: 'program' } });
    ledger.figure(idOf(id, 'cuttingS'), CUTTING_TIME, {
      lifts: fig(idOf(id, 'lifts')),
      cuts: fig(idOf(id, 'cuts')),
      perCut: setting(cx, 'cutS', practiceTerm(cx.plant, 'guillotine.cutS')),
      loading: setting(cx, 'loadS', practiceTerm(cx.plant, 'guillotine.loadS')),
    });
    return {
      costs: timeAndCost(cx, { step: id, runS: fig(idOf(id, 'cuttingS')) }),
      ...partedWaste(cx),
    };
  },
  paper: guillotinePaper,
  scene: cutScene,
  panel: guillotinePanel,
  summary: guillotineSummary,
};
