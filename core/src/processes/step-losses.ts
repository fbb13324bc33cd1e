import type { Id, Term } from '../quantity/figure';
import { OWN_ALLOWANCE, spreadOf } from '../counts/allowance';
import { type LossesSaid, type LossSpreads, lossFigures, type SpreadTerms, STEP_SETUP } from '../counts/loss-terms';
import { widened } from '../counts/spread-seen';
import type { LossTerms } from '../flow/solve-backward';
import { idOf } from '../quantity/id-of';
import { fig } from '../quantity/ledger';
import { type PracticeKey, practiceTerm, practiceValue } from '../plant/practice';
import { type DraftContext, lossTable, ownLoss, type ProcessContext, setting } from './process';
import { isSetAlready, repeatFactor } from './time-and-cost';

const SAME: Term = { value: 1, unit: '1', from: 'family', at: 'same setting' };
/** What of a step's settings are allowances set by hand. */
const ALLOWANCES_BY_HAND = ['setupSheets', 'setupMetres', 'runningPpm'];

/**
 * The losses of a step as figures and terms: what is set aside, and what of it goes as a rule. `say` tells them for a context; it is asked a second time
 * without what was set by hand, so that certainty goes by what usually happens.
 */
export function stepLosses<T extends string, C extends ProcessContext>(cx: C, step: Id<'step'>, say: (cx: C) => LossesSaid<T>): LossTerms {
  const said = say(cx);
  const byHand = ALLOWANCES_BY_HAND.some((name) => Object.hasOwn(cx.settings, name));
  const usual = byHand
    ? say({ ...cx, settings: Object.fromEntries(Object.entries(cx.settings).filter(([name]) => !ALLOWANCES_BY_HAND.includes(name))) })
    : said;
  return lossFigures(step, said, cx.ledger, { usual, spreads: spreadsOf(cx), logKnows: ownLoss(cx) !== null });
}

/**
 * The losses of a step whose setup is said in cycles, new or repeat: by the plant's practice, its table or its own log; samples where some are pulled; `again`
 * where it is set already.
 */
export const usualLosses = (
  cx: DraftContext,
  keys: { setup: PracticeKey; running: PracticeKey; samples?: PracticeKey; again?: PracticeKey },
): LossTerms =>
  stepLosses(cx, cx.id, (cx) => ({
    setup:
      keys.again && isSetAlready(cx)
        ? { formula: STEP_SETUP, terms: { fresh: practiceTerm(cx.plant, keys.again), factor: SAME } }
        : {
            formula: STEP_SETUP,
            terms: { fresh: setting(cx, 'setupSheets', practiceTerm(cx.plant, keys.setup)), factor: repeatFactor(cx) },
            own: ownSetupTerm(cx),
          },
    runningPpm: runningLossTerm(cx, keys.running),
    ...(keys.samples && { samples: setting(cx, 'samples', practiceTerm(cx.plant, keys.samples)) }),
    table: lossTable(cx),
  }));

/** How far the losses of a step spread: by the works' own log where it knows them, else by the handbook, where all losses of a job go together. */
function spreadsOf(cx: ProcessContext): LossSpreads {
  const own = ownLoss(cx);
  const { spread: common = 0, jobs = 0 } = cx.shelf.together ?? {};
  const handbook: Term = {
    value: spreadOf(practiceValue(cx.plant, 'risk.variation')),
    unit: '1',
    from: 'plant',
    at: 'practice:risk.variation',
  };
  const of = (known: number | undefined): SpreadTerms => {
    if (!own || known === undefined) return { spread: handbook, common: handbook };
    const spread = widened(known, own.log.jobs);
    return {
      spread: { value: spread, unit: '1', from: 'log', at: own.at },
      common: { value: Math.min(common, spread), unit: '1', from: 'log', at: `log:together, ${jobs} jobs` },
    };
  };
  return { share: practiceTerm(cx.plant, 'risk.allowanceShare'), setup: of(own?.log.setupSpread), running: of(runningSpread(cx)) };
}

/** The spread of the running loss as the log keeps it; of a log that keeps only the standard deviation, what follows from it. */
function runningSpread(cx: ProcessContext): number | undefined {
  const log = ownLoss(cx)?.log;
  return log && (log.runningSpread ?? (log.meanPpm > 0 ? spreadOf(log.sdPpm / log.meanPpm) : undefined));
}

/** Running allowance: typed on the step, else what follows from the works' own log where it holds enough jobs, else the handbook's. */
export function runningLossTerm(cx: ProcessContext, key: PracticeKey): Term {
  const { outside } = cx.machine;
  // What a supplier is allowed to lose is said on its card.
  const handbook: Term = outside
    ? { value: outside.lossPpm, unit: 'ppm', from: 'plant', at: `machine:${cx.machineId}.outside` }
    : practiceTerm(cx.plant, key);
  if (typeof cx.settings['runningPpm'] === 'number') return setting(cx, 'runningPpm', handbook);
  const own = ownLoss(cx);
  if (!own) return handbook;
  const { share, running } = spreadsOf(cx);
  const mean: Term = { value: own.log.meanPpm, unit: 'ppm', from: 'log', at: own.at };
  cx.ledger.figure(idOf(cx.id, 'ownPpm'), OWN_ALLOWANCE, { mean, spread: running.spread, share }, 'ppm');
  return fig(idOf(cx.id, 'ownPpm'));
}

/** How many times the handbook's setup loss the works' own log wants set aside; nothing where it holds too little, or the loss was typed on the step. */
export function ownSetupTerm(cx: ProcessContext): Term | undefined {
  const own = ownLoss(cx);
  if (own?.log.setupFactor === undefined || typeof cx.settings['setupSheets'] === 'number') return undefined;
  const { share, setup } = spreadsOf(cx);
  const mean: Term = { value: own.log.setupFactor, unit: '1', from: 'log', at: own.at };
  cx.ledger.figure(idOf(cx.id, 'ownSetupFactor'), OWN_ALLOWANCE, { mean, spread: setup.spread, share });
  return fig(idOf(cx.id, 'ownSetupFactor'));
}
