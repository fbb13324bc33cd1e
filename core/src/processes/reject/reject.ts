import type { Formula, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { CLOCK_TIME, HANDS_TIME } from '../../finishing/folding';
import { type DraftContext, type Process, lossTable, machineTerm, ownLoss, setting } from '../process';
import { singleStep } from '../single-step';
import { runningLossTerm, stepLosses } from '../step-losses';
import { timeAndCost } from '../time-and-cost';
import { rejectPanel, rejectPaper, rejectSummary } from './reject-page';
import { rejectScene } from './reject-scene';

/** Sheets that never reach the customer: the faulty ones and the samples. Source: arithmetic. */
const DESTROYED: Formula = {
  id: 'reject.destroyed',
  unit: 'sheet',
  source: 'arithmetic',
  of: (t) => Object.values(t).reduce((a, b) => a + b, 0),
};
/** Books of the stone: what came in less what is good and what is destroyed. Nothing may be left over. Source: double entry. */
const BALANCE: Formula<'taken' | 'good' | 'destroyed'> = {
  id: 'reject.balance',
  unit: 'sheet',
  source: 'what came in = good + destroyed',
  carriesGuess: false,
  of: ({ taken, good, destroyed }) => taken - good - destroyed,
};

/** Faulty ones from here and from the press. Source: shares of what is left, one after the other; arithmetic. */
const FAULTS: Formula<'here' | 'carried'> = {
  id: 'reject.faults',
  unit: 'ppm',
  source: 'arithmetic',
  of: ({ here, carried }) => 1e6 - ((1e6 - here) * (1e6 - carried)) / 1e6,
};
/** What is taken out: what is found here, and what ran through from the press. The works' own log of this table has counted both. */
function takenOut(cx: DraftContext): Term {
  const here = runningLossTerm(cx, 'reject.runningPpm');
  if (cx.faults === null || ownLoss(cx) !== null) return here;
  cx.ledger.figure(idOf(cx.id, 'faultsPpm'), FAULTS, { here, carried: cx.faults });
  return fig(idOf(cx.id, 'faultsPpm'));
}

/** Faulty sheets are taken out where the camera marked them, counted, and destroyed under witness (or recycled); in = good + destroyed. */
export const reject: Process = {
  id: 'reject',
  losses: { running: 'reject.runningPpm' },
  takesOutFaults: true,
  asks: () => ({}),
  draft(cx) {
    const losses = stepLosses(cx, cx.id, (cx) => ({
      runningPpm: takenOut(cx),
      table: lossTable(cx),
      samples: setting(cx, 'samples', practiceTerm(cx.plant, 'reject.samples')),
    }));
    return singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: cx.incoming[0]?.of.unit ?? 'sheet',
      perGood: cx.incoming[0]?.of.perGood ?? 1,
      whole: true,
      losses,
      cautions: ['repetition'],
    });
  },
  consume(cx) {
    const { ledger, id } = cx;
    // Labels on rolls are not parted yet: here repeats are taken out.
    const unit = cx.parts[0]?.traits?.web?.delivered === 'rolls' ? 'repeat' : 'sheet';
    // All that is lost here, by whatever school: setup and running, or the plant's table.
    ledger.figure(
      idOf(id, 'destroyed'),
      { ...DESTROYED, unit },
      Object.fromEntries(Object.entries(cx.counts.steps[id]?.lost ?? {}).map(([kind, figure]) => [kind, fig(figure)])),
    );
    ledger.figure(
      idOf(id, 'balance'),
      { ...BALANCE, unit },
      {
        taken: fig(idOf(id, 'run')),
        good: fig(idOf(id, 'good')),
        destroyed: fig(idOf(id, 'destroyed')),
      },
    );
    ledger.figure(idOf(id, 'handsS'), HANDS_TIME, {
      pieces: fig(idOf(id, 'destroyed')),
      secondsEach: setting(cx, 'secondsEach', practiceTerm(cx.plant, 'reject.secondsEach')),
      rest: practiceTerm(cx.plant, 'hands.restShare'),
    });
    ledger.figure(idOf(id, 'clockS'), CLOCK_TIME, {
      handsS: fig(idOf(id, 'handsS')),
      people: setting(cx, 'people', machineTerm(cx, 'crew')),
    });
    return { costs: timeAndCost(cx, { step: id, runS: fig(idOf(id, 'clockS')), setupFactor: typed(0, 's', 'none') }) };
  },
  scene: rejectScene,
  panel: rejectPanel,
  paper: rejectPaper,
  summary: rejectSummary,
};
