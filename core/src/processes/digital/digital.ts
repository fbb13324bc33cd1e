import type { Formula } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { STEP_SETUP } from '../../counts/loss-terms';
import { type Process, setting } from '../process';
import { singleStep } from '../single-step';
import { versionsDiffer } from '../version-runs';
import { runningLossTerm, stepLosses } from '../step-losses';
import { repeatFactor, timeAndCost } from '../time-and-cost';
import { digitalPanel, digitalPaper, digitalSummary } from './digital-page';
import { digitalScene } from './digital-scene';

/** Toner and wear of a printed side: sides × price. Source: the plant's price. */
const CLICKS: Formula<'sheets' | 'sides' | 'perSide'> = {
  id: 'digital.clicks',
  unit: 'money',
  source: 'arithmetic, at the plant’s price',
  of: ({ sheets, sides, perSide }) => sheets * sides * perSide,
};

/**
 * Sheets printed without plates, both sides in one pass, dry at once: for topping up what offset left short. Costed as far as a choice needs it; colour,
 * screens and data have no place here until the line of books on demand brings them.
 */
export const digital: Process = {
  id: 'digital',
  feeds: true,
  abilities: ['gripperMm', 'tailMm', 'sideMm'],
  reach: 'sheet',
  insteadOf: ['offset'],
  tellsVersions: versionsDiffer,
  losses: { setup: 'digital.setupSheets', running: 'digital.runningPpm' },
  asks: (cx) => ({
    gripperMm: cx.machine.limits.gripperMm ?? 0,
    tailMm: cx.machine.limits.tailMm ?? 0,
    sideMm: cx.machine.limits.sideMm ?? 0,
    ...(cx.machine.minSheetMm && { minSheetMm: cx.machine.minSheetMm }),
    ...(cx.machine.maxSheetMm && { maxSheetMm: cx.machine.maxSheetMm }),
  }),
  draft(cx) {
    const lead = cx.incoming[0]?.of;
    const losses = stepLosses(cx, cx.id, (cx) => ({
      setup: {
        formula: STEP_SETUP,
        terms: { fresh: setting(cx, 'setupSheets', practiceTerm(cx.plant, 'digital.setupSheets')), factor: repeatFactor(cx) },
      },
      runningPpm: runningLossTerm(cx, 'digital.runningPpm'),
    }));
    return singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'sheet',
      perGood: lead?.perGood ?? 1,
      whole: true,
      losses,
      cautions: ['heat'],
    });
  },
  consume(cx) {
    const [front, back] = cx.prints;
    cx.ledger.figure(idOf(cx.id, 'clicks'), CLICKS, {
      sheets: fig(idOf(cx.id, 'run')),
      sides: { value: (front.length > 0 ? 1 : 0) + (back.length > 0 ? 1 : 0), unit: '1', from: 'family', at: 'colours' },
      perSide: practiceTerm(cx.plant, 'digital.perSide'),
    });
    return { costs: [...timeAndCost(cx, { step: cx.id }), { figure: idOf(cx.id, 'clicks'), kind: 'ink', fixed: false }] };
  },
  scene: digitalScene,
  panel: digitalPanel,
  paper: digitalPaper,
  summary: digitalSummary,
};
