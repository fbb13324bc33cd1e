import type { Formula, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { formatNumber } from '../words/format';
import type { Scene, Shape } from '../scene/scene';
import { practiceTerm } from '../plant/practice';
import { CLOCK_TIME, HANDS_TIME } from '../finishing/folding';
import {
  type ConsumeContext,
  machineTerm,
  type PanelRow,
  type Process,
  lossTable,
  setting,
  settingPath,
  type DraftContext,
  ownLoss,
  settingRow,
} from './process';
import { singleStep } from './single-step';
import { timeAndCost } from './time-and-cost';
import { runningLossTerm, stepLosses } from './step-losses';

/** Sheets that never reach the customer: the faulty ones and the samples. Source: arithmetic. */
const DESTROYED: Formula = {
  id: 'counts.destroyed',
  unit: 'sheet',
  source: 'arithmetic',
  of: (t) => Object.values(t).reduce((a, b) => a + b, 0),
};
/** Books of the stone: what came in less what is good and what is destroyed. Nothing may be left over. Source: double entry. */
const BALANCE: Formula<'taken' | 'good' | 'destroyed'> = {
  id: 'counts.balance',
  unit: 'sheet',
  source: 'what came in = good + destroyed',
  carriesGuess: false,
  of: ({ taken, good, destroyed }) => taken - good - destroyed,
};

/** Faulty ones from here and from the press. Source: shares of what is left, one after the other; arithmetic. */
const FAULTS: Formula<'here' | 'carried'> = {
  id: 'counts.faults',
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
  panel: rows,
  paper: (cx) => [
    {
      department: 'inspection',
      scene: true,
      rows: rows(cx),
      lists: [
        {
          title: 'books',
          head: ['in', 'good', 'destroyed', 'left over'],
          rows: [[...['run', 'good', 'destroyed', 'balance'].map((f) => formatNumber(cx.ledger.value(idOf(cx.id, f))))], ['', '', '', '']],
        },
      ],
      blanks: isDestroyed(cx)
        ? ['destroyed on, at', 'first signature', 'second signature (witness)', 'samples pulled and kept by']
        : ['recycled on, weight', 'signed'],
    },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'destroyed'), text: isDestroyed(cx) ? 'destroyed, two sign' : 'recycled' }),
};

const isDestroyed = (cx: ConsumeContext): boolean => cx.parts[0]?.traits?.web?.rejects !== 'recycle';

function rows(cx: ConsumeContext): PanelRow[] {
  return [
    { label: 'rejects', text: isDestroyed(cx) ? 'destroyUnderWitness' : 'recycle' },
    { label: 'rejectShare', figure: idOf(cx.id, 'runningPpm'), edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' } },
    { label: 'samplesPulled', figure: idOf(cx.id, 'samples'), edit: { at: settingPath(cx, 'samples'), kind: 'count' } },
    { label: 'destroyed', figure: idOf(cx.id, 'destroyed') },
    { label: 'balance', figure: idOf(cx.id, 'balance') },
    settingRow(cx, 'secondsEach', 'secondsEach', practiceTerm(cx.plant, 'reject.secondsEach'), { kind: 'seconds', unit: 's' }),
    { label: 'clockTime', figure: idOf(cx.id, 'clockS') },
  ];
}

/** What comes in parts into good and destroyed; the bands are to one scale. */
function rejectScene(cx: ConsumeContext): Scene {
  const value = (what: string): number => cx.ledger.value(idOf(cx.id, what));
  const [taken, good, destroyed] = [value('run'), value('good'), value('destroyed')];
  const high = 90;
  const out = taken > 0 ? Math.max((destroyed / taken) * high, destroyed > 0 ? 2 : 0) : 0;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'bar', x: 0, y: 0, w: 90, h: high, ref: 'in' },
    { kind: 'rect', role: 'bar', x: 150, y: 0, w: 90, h: high - out, ref: 'good' },
    { kind: 'rect', role: 'strike', x: 150, y: high + 14, w: 90, h: out, ref: 'destroyed' },
    { kind: 'line', role: 'arrow', x1: 94, y1: high / 2, x2: 146, y2: high / 2 },
    { kind: 'line', role: 'arrow', x1: 94, y1: high - 2, x2: 146, y2: high + 14 + out / 2 },
    { kind: 'text', role: 'strong', x: 45, y: high / 2 + 4, text: `${formatNumber(taken)} in`, sizeMm: 11, anchor: 'middle' },
    { kind: 'text', role: 'strong', x: 195, y: high / 2 + 4, text: `${formatNumber(good)} good`, sizeMm: 11, anchor: 'middle' },
    {
      kind: 'text',
      role: 'label',
      x: 150,
      y: high + out + 28,
      text: `${formatNumber(destroyed)} ${isDestroyed(cx) ? 'destroyed under witness' : 'recycled'}`,
      sizeMm: 10,
    },
  ];
  return {
    title: 'good and destroyed',
    says: `${taken} in, ${good} good, ${destroyed} ${isDestroyed(cx) ? 'destroyed under witness' : 'recycled'}; ${value('balance')} left over.`,
    box: { x: -8, y: -8, w: 330, h: high + out + 46 },
    toScale: false,
    shapes,
  };
}
