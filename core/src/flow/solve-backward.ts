import type { Id, Term } from '../quantity/figure';
import { type Ledger, fig } from '../quantity/ledger';
import { BATCH_LOST, CYCLES, DEMAND, GOOD, NEED, OVER, RUN, RUNNING_LOST, SAMPLES_LOST, SETUP_LOST, TAKEN, TAKEN_PART } from './counts';
import { type Net, type Port, type Step, inOrder } from './net';

/** Ids of a step's count figures in the ledger. */
export interface StepCount {
  need: Id<'figure'>;
  run: Id<'figure'>;
  good: Id<'figure'>;
  lost: Record<'setup' | 'running' | 'samples' | 'batch', Id<'figure'>>;
  /** What is taken and made over, by flow. */
  taken: Record<Id<'flow'>, Id<'figure'>>;
  over: Record<Id<'flow'>, Id<'figure'>>;
}
export interface Counts {
  steps: Record<Id<'step'>, StepCount>;
  demand: Record<Id<'flow'>, Id<'figure'>>;
}

/** Where a loss comes from, so that the working can say it: terms of a step's loss, by name; plain values where nothing is said. */
export type LossTerms = Record<'setup' | 'runningPpm' | 'samples', Term>;

const plain = (value: number, unit: 'cycle' | 'ppm' | 'piece' | '1', at: string): Term => ({ value, unit, from: 'plant', at });

/**
 * Counts from the good pieces backward through every step to what must be bought, in one pass over the net.
 *
 * A step's need is the greatest of demand ÷ gives over the flows it gives; its run covers that need after its losses (`leastRun`);
 * what it takes is the demand put on the step before. Joins, splits, gangs, halves, metres and bands need no case of their own.
 */
export function solveBackward(net: Net, to: Ledger, lossTerms: Readonly<Record<Id<'step'>, LossTerms>> = {}): Counts {
  const { order } = inOrder(net.steps);
  const asked = new Map<Id<'flow'>, Record<string, Term>>();
  for (const [flow, wanted] of Object.entries(net.wanted))
    asked.set(flow, { delivered: { value: wanted, unit: 'piece', from: 'typed', at: `wanted:${flow}` } });
  const counts: Counts = { steps: {}, demand: {} };

  const demandOf = (flow: Id<'flow'>): Id<'figure'> => {
    const id = `${flow}.demand`;
    if (!counts.demand[flow]) {
      to.figure(id, DEMAND, asked.get(flow) ?? {}, net.flows[flow]?.unit ?? 'piece');
      counts.demand[flow] = id;
    }
    return id;
  };

  for (const id of [...order].reverse()) {
    const step = net.steps[id] as Step;
    counts.steps[id] = countStep(id, step, demandOf, to, lossTerms[id]);
    for (const port of step.takes) {
      const taken = takenFigure(id, step, port, demandOf, net, to);
      counts.steps[id].taken[port.flow] = taken;
      asked.set(port.flow, { ...asked.get(port.flow), [id]: fig(taken) });
    }
  }
  for (const flow of Object.keys(net.flows)) demandOf(flow);
  return counts;
}

function countStep(id: Id<'step'>, step: Step, demandOf: (f: Id<'flow'>) => Id<'figure'>, to: Ledger, terms?: LossTerms): StepCount {
  const needs: Record<string, Term> = {};
  for (const { flow, per, share = 1 } of step.gives) {
    const cycles = `${id}.cycles.${flow}`;
    to.figure(cycles, CYCLES, {
      demand: fig(demandOf(flow)),
      share: plain(share, '1', `${id}.share`),
      per: plain(per, '1', `${id}.gives`),
    });
    needs[flow] = fig(cycles);
  }
  const at = (what: string): Id<'figure'> => `${id}.${what}`;
  const { loss } = step;
  const setup = terms?.setup ?? plain(loss.setupCycles, 'cycle', `${id}.setup`);
  const runningPpm = terms?.runningPpm ?? plain(loss.runningPpm, 'ppm', `${id}.running`);
  const samples = terms?.samples ?? plain(loss.samples, 'cycle', `${id}.samples`);
  const batchCycles = plain(loss.perBatch?.cycles ?? 0, 'cycle', `${id}.batch`);
  const batchLost = plain(loss.perBatch?.lost ?? 0, 'cycle', `${id}.batch`);
  to.figure(at('need'), NEED, needs);
  to.figure(at('run'), RUN, { need: fig(at('need')), setup, runningPpm, samples, batchCycles, batchLost });
  const run = fig(at('run'));
  to.figure(at('lost.setup'), SETUP_LOST, { setup, run });
  to.figure(at('lost.running'), RUNNING_LOST, { run, setup: fig(at('lost.setup')), runningPpm });
  to.figure(at('lost.samples'), SAMPLES_LOST, { samples, run });
  to.figure(at('lost.batch'), BATCH_LOST, { run, batchCycles, batchLost });
  to.figure(at('good'), GOOD, {
    run,
    setup: fig(at('lost.setup')),
    running: fig(at('lost.running')),
    samples: fig(at('lost.samples')),
    batch: fig(at('lost.batch')),
  });
  const over: StepCount['over'] = {};
  for (const { flow, per, share = 1 } of step.gives) {
    // A split run's surplus shows at the flow, not at each maker; a part-filled last band holds just what is wanted.
    if (share !== 1 || !step.whole) continue;
    over[flow] = `${id}.over.${flow}`;
    to.figure(over[flow], OVER, { good: fig(at('good')), per: plain(per, '1', `${id}.gives`), demand: fig(demandOf(flow)) });
  }
  return {
    need: at('need'),
    run: at('run'),
    good: at('good'),
    lost: { setup: at('lost.setup'), running: at('lost.running'), samples: at('lost.samples'), batch: at('lost.batch') },
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
  to: Ledger,
): Id<'figure'> {
  const taken = `${id}.taken.${port.flow}`;
  const unit = net.flows[port.flow]?.unit ?? 'piece';
  const per = plain(port.per, '1', `${id}.takes`);
  const spoilPpm = plain(port.spoilPpm ?? 0, 'ppm', `${id}.spoil`);
  const [lead] = step.gives;
  if (step.whole || !lead) {
    to.figure(taken, TAKEN, { run: fig(`${id}.run`), per, spoilPpm }, unit);
  } else {
    const lost = `${id}.lost.all`;
    to.figure(
      lost,
      DEMAND,
      {
        setup: fig(`${id}.lost.setup`),
        running: fig(`${id}.lost.running`),
        samples: fig(`${id}.lost.samples`),
        batch: fig(`${id}.lost.batch`),
      },
      'cycle',
    );
    to.figure(
      taken,
      TAKEN_PART,
      { demand: fig(demandOf(lead.flow)), lost: fig(lost), per, givesPer: plain(lead.per, '1', `${id}.gives`), spoilPpm },
      unit,
    );
  }
  return taken;
}
