import type { Formula, Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { type Ledger, fig } from '../quantity/ledger';
import {
  BATCH_LOST,
  batchTerms,
  CYCLES,
  DEMAND,
  GOOD,
  NEED,
  OVER,
  RUN,
  RUNNING_LOST,
  type RunTerms,
  SAMPLES_LOST,
  SETUP_LOST,
  TAKEN,
  TAKEN_PART,
} from './counts';
import { LOST_BY_TABLE, RUN_BY_TABLE, tableTerms } from './loss-table';
import { type Net, type Port, type Step, makersFirst, takesOf } from './net';

/** Ids of a step's count figures in the ledger. */
export interface StepCount {
  need: Id<'figure'>;
  run: Id<'figure'>;
  good: Id<'figure'>;
  /** By kind; only the kinds that occur. */
  lost: Partial<Record<'setup' | 'running' | 'samples' | 'batch' | 'table', Id<'figure'>>>;
  /** What is taken and made over, by flow. */
  taken: Record<Id<'flow'>, Id<'figure'>>;
  over: Record<Id<'flow'>, Id<'figure'>>;
}
export interface Counts {
  steps: Record<Id<'step'>, StepCount>;
  demand: Record<Id<'flow'>, Id<'figure'>>;
}

/** What a step loses, as terms, so that the working can say where each comes from. A loss that does not occur has no term. */
export type LossTerms = Partial<Record<Exclude<keyof RunTerms, 'need' | 'batches'>, Term>> & {
  /** What is lost at each kind of batch. */
  batches?: readonly { cycles: Term; lost: Term }[];
  /** Lines of a table of losses, in place of setup and running loss. */
  table?: Record<string, Term>;
  /** The run by the other school, shown beside. */
  other?: Omit<LossTerms, 'other' | 'likely'>;
  /** What of the allowances goes as a rule; of a table, how its lines spread. */
  likely?: { setup?: LikelyLoss; running?: LikelyLoss; table?: Omit<LikelyLoss, 'amount'> & { share: Term } };
};
/** A loss as a rule (cycles of setup, parts per million while running), its spread from job to job, and the part of it that the losses of a job share. */
export interface LikelyLoss {
  amount: Term;
  spread: Term;
  common: Term;
}

const plain = (value: number, unit: 'cycle' | 'ppm' | 'piece' | '1', at: string): Term => ({ value, unit, from: 'plant', at });

/** What a step loses at each kind of batch, as terms. */
export const batchesOf = (perBatch: NonNullable<Step['loss']['perBatch']>, id: Id<'step'>): { cycles: Term; lost: Term }[] =>
  [perBatch]
    .flat()
    .map(({ cycles, lost }) => ({ cycles: plain(cycles, 'cycle', idOf(id, 'batch')), lost: plain(lost, 'cycle', idOf(id, 'batch')) }));
/** The losses of a step that says them as numbers only. */
function plainLosses(id: Id<'step'>, { setupCycles, runningPpm, samples, perBatch, table }: Step['loss']): LossTerms {
  return {
    ...(setupCycles > 0 && { setup: plain(setupCycles, 'cycle', idOf(id, 'setup')) }),
    ...(runningPpm > 0 && { runningPpm: plain(runningPpm, 'ppm', idOf(id, 'running')) }),
    ...(samples > 0 && { samples: plain(samples, 'cycle', idOf(id, 'samples')) }),
    ...(table && { table: tableTerms(table, idOf(id, 'table')) }),
    ...(perBatch && { batches: batchesOf(perBatch, id) }),
  };
}

/**
 * Counts from the good pieces backward through every step to what must be bought, in one pass over the net.
 *
 * A step's need is the greatest of demand ÷ gives over the flows it gives; its run covers that need after its losses (`leastRun`);
 * what it takes is the demand put on the step before. Joins, splits, gangs, halves, metres and bands need no case of their own.
 */
export function solveBackward(net: Net, ledger: Ledger, lossTerms: Readonly<Record<Id<'step'>, LossTerms>> = {}): Counts {
  const { order } = makersFirst(net.steps);
  const asked = new Map<Id<'flow'>, Record<string, Term>>();
  for (const [flow, wanted] of Object.entries(net.wanted)) asked.set(flow, wanted);
  for (const [flow, reserve] of Object.entries(net.reserve ?? {})) asked.set(flow, { ...asked.get(flow), ...reserve });
  const counts: Counts = { steps: {}, demand: {} };

  const demandOf = (flow: Id<'flow'>): Id<'figure'> => {
    const id = idOf(flow, 'demand');
    if (!counts.demand[flow]) {
      ledger.figure(id, DEMAND, asked.get(flow) ?? {}, net.flows[flow]?.unit ?? 'piece');
      counts.demand[flow] = id;
    }
    return id;
  };

  for (const id of [...order].reverse()) {
    const step = net.steps[id] as Step;
    counts.steps[id] = countStep(id, step, demandOf, ledger, lossTerms[id]);
    for (const port of step.takes) {
      const taken = takenFigure(id, step, port, demandOf, net, ledger);
      counts.steps[id].taken[port.flow] = taken;
      asked.set(port.flow, { ...asked.get(port.flow), [id]: fig(taken) });
    }
  }
  for (const flow of Object.keys(net.flows)) demandOf(flow);
  return counts;
}

function countStep(
  id: Id<'step'>,
  step: Step,
  demandOf: (f: Id<'flow'>) => Id<'figure'>,
  ledger: Ledger,
  said: LossTerms = plainLosses(id, step.loss),
): StepCount {
  const { table, other, likely: _likely, batches: begun = [], ...each } = said;
  const occurs = (term: Term): boolean => 'fig' in term || term.value > 0;
  const losses: LossTerms = {
    ...Object.fromEntries(Object.entries(each).filter(([, term]) => occurs(term))),
    batches: begun.filter(({ cycles, lost }) => occurs(cycles) && occurs(lost)),
  };
  const at = (what: string): Id<'figure'> => idOf(id, what);
  const cyclesFor = ({ flow, per, share = 1 }: Port): Record<'demand' | 'share' | 'per', Term> => ({
    demand: fig(demandOf(flow)),
    share: plain(share, '1', at('share')),
    per: plain(per, '1', at('gives')),
  });
  const [only, ...more] = step.gives;
  if (only && more.length === 0 && step.least === undefined) ledger.figure(at('need'), CYCLES, cyclesFor(only));
  else {
    const needs = step.gives.map((port): [string, Term] => {
      ledger.figure(at(`cycles.${port.flow}`), CYCLES, cyclesFor(port));
      return [port.flow, fig(at(`cycles.${port.flow}`))];
    });
    if (step.least !== undefined) needs.push(['forms', plain(step.least, 'cycle', idOf(id, 'forms'))]);
    ledger.figure(at('need'), NEED, Object.fromEntries(needs));
  }
  const need = fig(at('need'));
  const bySchool = ({
    table: lines,
    batches: kinds = [],
    ...rest
  }: Omit<LossTerms, 'other' | 'likely'>): [Formula, Record<string, Term>] =>
    lines
      ? [RUN_BY_TABLE, { need, ...(rest.samples && { samples: rest.samples }), ...lines }]
      : [RUN, { need, ...rest, ...batchTerms(kinds) }];
  ledger.figure(at('run'), ...bySchool({ ...losses, ...(table && { table }) }));
  if (other) ledger.figure(at('runOther'), ...bySchool(other));
  const run = fig(at('run'));
  const lost: StepCount['lost'] = {};
  const { setup, runningPpm, samples, batches = [] } = losses;
  if (table) ledger.figure((lost.table = at('lost.table')), LOST_BY_TABLE, { need, ...table });
  if (setup && !table) ledger.figure((lost.setup = at('lost.setup')), SETUP_LOST, { setup, run });
  if (runningPpm && !table)
    ledger.figure((lost.running = at('lost.running')), RUNNING_LOST, { run, runningPpm, ...(lost.setup && { setup: fig(lost.setup) }) });
  if (samples) ledger.figure((lost.samples = at('lost.samples')), SAMPLES_LOST, { samples, run });
  if (batches.length > 0 && !table) ledger.figure((lost.batch = at('lost.batch')), BATCH_LOST, { run, ...batchTerms(batches) });
  ledger.figure(at('good'), GOOD, { run, ...Object.fromEntries(Object.entries(lost).map(([kind, figure]) => [kind, fig(figure)])) });
  const over: StepCount['over'] = {};
  for (const { flow, per, share = 1 } of step.gives) {
    // A split run's surplus shows at the flow, not at each maker; a part-filled last band holds just what is wanted.
    if (share !== 1 || !step.whole) continue;
    over[flow] = `${id}.over.${flow}`;
    ledger.figure(over[flow], OVER, { good: fig(at('good')), per: plain(per, '1', idOf(id, 'gives')), demand: fig(demandOf(flow)) });
  }
  return {
    need: at('need'),
    run: at('run'),
    good: at('good'),
    lost,
    taken: {},
    over,
  };
}

function takenFigure(
  id: Id<'step'>,
  step: Step,
  port: Port,
  demandOf: (f: Id<'flow'>) => Id<'figure'>,
  net: Net,
  ledger: Ledger,
): Id<'figure'> {
  const taken = `${id}.taken.${port.flow}`;
  const { run, good } = { run: fig(idOf(id, port.comesBack ? 'need' : 'run')), good: fig(idOf(id, 'good')) };
  const unit = net.flows[port.flow]?.unit ?? 'piece';
  const per = plain(takesOf(step, port, net.flows), '1', idOf(id, 'takes'));
  const spoilPpm = plain(port.spoilPpm ?? 0, 'ppm', idOf(id, 'spoil'));
  const [lead] = step.gives;
  if (step.whole || !lead) {
    ledger.figure(taken, TAKEN, { run, per, spoilPpm }, unit);
  } else {
    const givesPer = plain(lead.per, '1', idOf(id, 'gives'));
    ledger.figure(taken, TAKEN_PART, { demand: fig(demandOf(lead.flow)), run, good, per, givesPer, spoilPpm }, unit);
  }
  return taken;
}
