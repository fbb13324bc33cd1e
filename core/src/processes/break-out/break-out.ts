import type { Formula } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm, practiceValue } from '../../plant/practice';
import { PILE_SHEETS } from '../../stock/pile';
import { LIFTS } from '../../finishing/cutting-program';
import { partedStep } from '../parted-step';
import { type Process, lossTable, setting } from '../process';
import { runningLossTerm, stepLosses } from '../step-losses';
import { caliperTerm } from '../stock-terms';
import { timeAndCost } from '../time-and-cost';
import { breakOutPanel, breakOutPaper, breakOutSummary } from './break-out-page';
import { stackScene } from './break-out-scene';

/** Time of a lift: so long for it and so long for every stack that is struck out of it. */
const BREAKING_TIME: Formula<'lifts' | 'eachS' | 'places' | 'placeS'> = {
  id: 'breakOut.time',
  unit: 's',
  source: 'common practice, no source',
  of: ({ lifts, eachS, places, placeS }) => lifts * (eachS + places * placeS),
};

/** Blanks broken out of a lift of sheets with a hammer: a stack for every place. */
export const breakOut: Process = {
  id: 'breakOut',
  losses: { running: 'breakOut.runningPpm' },
  parts: true,
  asks: (cx) => ({ blankGapMm: practiceValue(cx.plant, 'breakOut.gapMm') }),
  draft: (cx) =>
    partedStep(cx, {
      unit: 'copy',
      losses: stepLosses(cx, cx.id, (cx) => ({ runningPpm: runningLossTerm(cx, 'breakOut.runningPpm'), table: lossTable(cx) })),
      waits: [],
      cautions: ['hammer'],
    }),
  consume(cx) {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'perLift'), PILE_SHEETS, {
      heightMm: setting(cx, 'liftMm', practiceTerm(cx.plant, 'breakOut.liftMm')),
      caliperUm: caliperTerm(cx),
    });
    ledger.figure(idOf(id, 'lifts'), LIFTS, { sheets: fig(idOf(id, 'run')), perLift: fig(idOf(id, 'perLift')) });
    ledger.figure(idOf(id, 'breakingS'), BREAKING_TIME, {
      lifts: fig(idOf(id, 'lifts')),
      eachS: practiceTerm(cx.plant, 'breakOut.liftS'),
      places: fig(idOf(cx.form?.id ?? '', 'copiesUp')),
      placeS: practiceTerm(cx.plant, 'breakOut.placeS'),
    });
    return { costs: timeAndCost(cx, { step: id, runS: fig(idOf(id, 'breakingS')), setupFactor: typed(0, 's', 'none') }) };
  },
  paper: breakOutPaper,
  scene: stackScene,
  panel: breakOutPanel,
  summary: breakOutSummary,
};
