import type { Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { practiceTerm } from '../plant/practice';
import { SUM } from '../quantity/sum';
import { MACHINE_COST, RUN_TIME, SETUP_TIME } from '../route/time-and-cost';
import { clearanceTerm } from './version-runs';
import { type ConsumeContext, type Consumed, type DraftContext, type ProcessContext, machineTerm, setting, wordSetting } from './process';

/** The setting of a step that says whether its work was done before. */
export const REPEATED = 'repeat';

/** Repeat work: tools and settings are kept, so setups are smaller. */
export const isRepeat = (cx: ProcessContext): boolean => wordSetting(cx, REPEATED, 'new') === 'repeat';

/** Set up already: another form of the same die, or another order of one outline, ran before. */
export const isSetAlready = (cx: Pick<DraftContext, 'keeps' | 'version'>): boolean => cx.keeps !== null && cx.version === null;

/** The factor on setup losses: 1 for new work, the plant's repeat factor else; nothing where the setting of the version before stays. */
export const repeatFactor = (cx: Pick<DraftContext, 'keeps'> & ProcessContext): Term =>
  cx.keeps !== null
    ? NOTHING_SET
    : isRepeat(cx)
      ? practiceTerm(cx.plant, 'setup.repeatFactor')
      : { value: 1, unit: '1', from: 'family', at: 'setup:new' };

const NOTHING_SET: Term = { value: 0, unit: '1', from: 'family', at: 'same setting' };
const NONE = (unit: 's' | '1'): Term => ({ value: 0, unit, from: 'family', at: 'none' });

/** The speed a step runs at: typed on the step, else the machine's net speed over a shift. */
export const speedTerm = (cx: ProcessContext): Term => setting(cx, 'perHour', machineTerm(cx, 'netPerHour'));

export interface StepTime {
  step: Id<'step'>;
  forms?: Term;
  perFormS?: Term;
  setupFactor?: Term;
  /** Setting up where it is set already; nothing where the line is only cleared. */
  againS?: Term;
  cycles?: Term;
  perHour?: Term;
  runS?: Term;
  /** People at work where they may be more or fewer than the machine's crew. */
  people?: Term;
  /** Setup is not paid again: the form stands in the press already. */
  setupShare?: number;
}

/**
 * Writes a step's setup time, running time and machine cost. Running time is cycles at the net speed unless the process brings its own
 * (guillotine lifts, hands).
 */
export function timeAndCost(
  cx: ConsumeContext,
  {
    step,
    forms = NONE('1'),
    perFormS = NONE('s'),
    setupFactor,
    againS,
    cycles = fig(idOf(step, 'run')),
    perHour = speedTerm(cx),
    runS,
    people,
    setupShare = 1,
  }: StepTime,
): Consumed['costs'] {
  const kept = againS && isSetAlready(cx) ? againS : clearanceTerm(cx);
  const base = cx.keeps === null ? setting(cx, 'setupS', machineTerm(cx, isRepeat(cx) ? 'setupRepeatS' : 'setupS')) : kept;
  const paid =
    setupFactor ?? (setupShare === 1 || 'fig' in base ? base : { ...base, value: base.value * setupShare, at: `${base.at} × same form` });
  cx.ledger.figure(idOf(step, 'setupS'), SETUP_TIME, { base: paid, forms, perForm: perFormS });
  if (runS) cx.ledger.figure(idOf(step, 'runS'), SUM, { run: runS });
  else cx.ledger.figure(idOf(step, 'runS'), RUN_TIME, { cycles, perHour });
  const zero = typed(0, 's', 'none');
  const crew = people && { people, crew: machineTerm(cx, 'crew') };
  cx.ledger.figure(idOf(step, 'costSetup'), MACHINE_COST, {
    setupS: fig(idOf(step, 'setupS')),
    setupRate: machineTerm(cx, 'setupCostPerHour'),
    runS: zero,
    runRate: machineTerm(cx, 'runCostPerHour'),
    ...crew,
  });
  cx.ledger.figure(idOf(step, 'costRun'), MACHINE_COST, {
    setupS: zero,
    setupRate: machineTerm(cx, 'setupCostPerHour'),
    runS: fig(idOf(step, 'runS')),
    runRate: machineTerm(cx, 'runCostPerHour'),
    ...crew,
  });
  const kind = cx.machine.outside ? 'outside' : 'machine';
  return [
    { figure: idOf(step, 'costSetup'), kind, fixed: true },
    { figure: idOf(step, 'costRun'), kind, fixed: false, per: idOf(step, 'run') },
  ];
}
