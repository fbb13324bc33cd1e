import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { foldsOf } from '../../product/folds';
import { BELT_RATE, FOLDED_THICKNESS, FOLDED_WIDTH, PANELS, SLOWEST } from '../../finishing/folding';
import type { Process } from '../process';
import { singleStep } from '../single-step';
import { usualLosses } from '../step-losses';
import { caliperTerm } from '../stock-terms';
import { speedTerm, timeAndCost } from '../time-and-cost';
import { foldPanel, foldPaper, foldSummary } from './fold-page';
import { foldScene } from './fold-scene';

const LOSSES = { setup: 'fold.setupSheets', running: 'fold.runningPpm' } as const;

/** Score and fold in one pass: thick board is scored on the way in; the belt sets the rate. */
export const fold: Process = {
  id: 'fold',
  feeds: true,
  abilities: ['beltMmPerS'],
  losses: LOSSES,
  asks: () => ({}),
  draft(cx) {
    return singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'copy',
      perGood: 1,
      whole: true,
      losses: usualLosses(cx, LOSSES),
      cautions: ['rollers'],
    });
  },
  consume(cx) {
    const { ledger, id } = cx;
    const part = cx.parts[0];
    ledger.figure(idOf(id, 'panels'), PANELS, { folds: typed(foldsOf(part), '1', 'folds') });
    ledger.figure(idOf(id, 'foldedMm'), FOLDED_WIDTH, {
      openMm: typed(part?.widthMm ?? 0, 'mm', 'openWidthMm'),
      panels: fig(idOf(id, 'panels')),
    });
    ledger.figure(idOf(id, 'thickness'), FOLDED_THICKNESS, {
      panels: fig(idOf(id, 'panels')),
      caliperUm: caliperTerm(cx),
      extraUm: typed(0, 'µm', 'none'),
    });
    ledger.figure(idOf(id, 'beltRate'), BELT_RATE, {
      beltMmPerS: {
        value: cx.machine.limits.beltMmPerS ?? 1_000,
        unit: 'mm/s',
        from: 'plant',
        at: `machine:${cx.machineId}.beltMmPerS`,
      },
      lengthMm: typed(part?.widthMm ?? 0, 'mm', 'openWidthMm'),
      gapMm: practiceTerm(cx.plant, 'fold.gapMm'),
    });
    ledger.figure(idOf(id, 'rate'), SLOWEST, { belt: fig(idOf(id, 'beltRate')), machine: speedTerm(cx) }, '1/h');
    return { costs: timeAndCost(cx, { step: id, perHour: fig(idOf(id, 'rate')) }) };
  },
  paper: foldPaper,
  scene: foldScene,
  panel: foldPanel,
  summary: foldSummary,
};
