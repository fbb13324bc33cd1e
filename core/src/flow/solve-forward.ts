import type { Formula, Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { type Ledger, fig } from '../quantity/ledger';
import { floorTolerant } from '../quantity/round-tolerant';
import { PPM } from '../quantity/units';
import { batchesIn, batchTerms, goodCycles } from './counts';
import { goodByTable, tableTerms } from './loss-table';
import { type Net, makersFirst, takesOf, type Step } from './net';
import { batchesOf, type Counts } from './solve-backward';
import type { Counted } from '../plant/plant';

/** So many cycles of the plan stand behind its running loss: a rate counted over fewer says little yet. House rule. */
export const RATE_PRIOR_CYCLES = 500;

const source = 'counts forward from what was logged; whole pieces after every step; common practice, no source';

/** Cycles that reach a step by a flow: pieces ÷ per cycle, and its share where several take of it. Whole ones, unless the last may be part-filled. */
const REACH: Formula<'pieces' | 'per' | 'share' | 'spoilPpm' | 'whole'> = {
  id: 'flow.forecastReach',
  unit: 'cycle',
  source,
  of: ({ pieces, per, share, spoilPpm, whole }) => {
    const cycles = (pieces * share * (PPM - spoilPpm)) / PPM / per;
    return whole > 0 ? floorTolerant(cycles) : cycles;
  },
};
/** Cycles of a step in all: what the scarcest flow allows, and never fewer than were counted; of a finished step what was counted. */
const REAL_RUN: Formula = {
  id: 'flow.forecastRun',
  unit: 'cycle',
  source,
  of: ({ counted = 0, done = 0, ...reach }) => {
    const most = Math.min(...Object.values(reach));
    return done > 0 ? counted : Math.max(counted, Number.isFinite(most) ? most : 0);
  },
};
/** Running loss as this run shows it: what was lost in so many cycles, with the plan's rate standing for five hundred. */
const REAL_PPM: Formula<'lost' | 'cycles' | 'planPpm' | 'weight'> = {
  id: 'flow.forecastRate',
  unit: 'ppm',
  source: 'mean of the counted rate and the plan’s, weighted by cycles; house rule',
  of: ({ lost, cycles, planPpm, weight }) => Math.min(((lost + (planPpm * weight) / PPM) * PPM) / (cycles + weight), PPM),
};
/** A run stops at the good pieces that were wanted of it, reserve for the steps after included; what was counted beyond stays counted. */
const stopped = (likely: number, counted: number, stop: number): number => Math.max(counted, Math.min(likely, stop));
/** Good cycles of a step at its end: those counted, and what the rest of the run leaves. */
const REAL_GOOD: Formula = {
  id: 'flow.forecastGood',
  unit: 'cycle',
  source,
  of: ({ counted = 0, good = 0, done = 0, run = 0, ppm = 0, stop = Infinity, ...t }) => {
    if (done > 0) return good;
    const begun = counted > 0;
    const losses = { setup: 0, samples: 0, ...t, ...(begun && { setup: 0, samples: 0 }), runningPpm: ppm, batches: batchesIn(t) };
    return stopped(good + goodCycles(Math.max(run - counted, 0), losses), good, stop);
  },
};
/** The same for a step that loses by a table: the share the table leaves of the whole run. */
const REAL_GOOD_TABLE: Formula = {
  id: 'flow.forecastGoodTable',
  unit: 'cycle',
  source,
  of: ({ counted = 0, good = 0, done = 0, run = 0, samples = 0, stop = Infinity, likelyShare = 1, ...lines }) => {
    if (done > 0 || run <= 0) return good;
    const points = Object.keys(lines)
      .filter((name) => name.startsWith('good'))
      .map((name): [number, number] => [lines[name] ?? 0, lines[name.replace('good', 'lost')] ?? 0]);
    const lostShare = (1 - goodByTable(points, run, samples) / run) * likelyShare;
    return stopped(good + floorTolerant(Math.max(run - counted, 0) * (1 - lostShare)), good, stop);
  },
};
/** Pieces a flow will have: what its makers leave. */
const REAL_PIECES: Formula = {
  id: 'flow.forecastPieces',
  unit: 'piece',
  source,
  of: (t) => floorTolerant(Object.values(t).reduce((sum, n) => sum + n, 0)),
};
const MADE: Formula<'good' | 'per'> = { id: 'flow.forecastMade', unit: 'piece', source, of: ({ good, per }) => good * per };
/** Equal steps are counted together on the floor; the net holds one of them. */
export const countedOfOne = (of: Counted | undefined, alike: number): Counted => {
  if (!of) return { run: 0, good: 0, done: false };
  const { setup, samples } = of;
  return {
    ...of,
    run: of.run / alike,
    good: of.good / alike,
    ...(setup !== undefined && { setup: setup / alike }),
    ...(samples !== undefined && { samples: samples / alike }),
  };
};
/** Whether anything was counted of a net. */
export const anyCounted = (net: Net, counted: Readonly<Record<Id<'step'>, Counted>>): boolean =>
  Object.keys(net.steps).some((id) => Object.hasOwn(counted, id));

/**
 * Counts forward and writes it down: steps that were counted keep what was counted, the rest of a run loses at the rate this run shows, steps ahead lose what
 * the plan expects. Flows nothing makes hold what is said to be `there`, else what the plan pulls of them.
 * Figures: `<step>.realRun` and `<step>.realGood` in cycles, `<flow>.real` in pieces.
 */
export function solveForward(
  net: Net,
  counts: Counts,
  counted: Readonly<Record<Id<'step'>, Counted>>,
  ledger: Ledger,
  there: Readonly<Record<Id<'flow'>, number>> = {},
): void {
  const takers = new Map<Id<'flow'>, number>();
  const makers = new Map<Id<'flow'>, { step: Id<'step'>; per: number }[]>();
  for (const [id, step] of Object.entries(net.steps)) {
    for (const port of step.takes) takers.set(port.flow, (takers.get(port.flow) ?? 0) + takesOf(step, port, net.flows));
    for (const { flow, per } of step.gives) makers.set(flow, [...(makers.get(flow) ?? []), { step: id, per }]);
  }
  const log = (value: number, at: string): Term => ({ value, unit: 'cycle', from: 'log', at });
  const plain = (value: number, unit: 'cycle' | '1' | 'ppm', at: string): Term => ({ value, unit, from: 'plant', at });
  const piecesOf = (flow: Id<'flow'>): Term => {
    if (ledger.has(idOf(flow, 'real'))) return fig(idOf(flow, 'real'));
    const known = there[flow];
    return known === undefined ? fig(counts.demand[flow] ?? '') : { value: known, unit: 'piece', from: 'shelf', at: `there:${flow}` };
  };
  for (const id of makersFirst(net.steps).order) {
    const step = net.steps[id] as Step;
    const mine = countedOfOne(counted[id], step.alike ?? 1);
    const at = (what: string): Id<'figure'> => idOf(id, what);
    const terms: Record<string, Term> = { counted: log(mine.run, `log:${id}`), done: plain(mine.done ? 1 : 0, '1', `log:${id}`) };
    step.takes.forEach((port, i) => {
      const { flow, spoilPpm = 0 } = port;
      // What comes back out of spoilt cycles lasts as long as good ones are wanted.
      if (port.comesBack) return;
      const per = takesOf(step, port, net.flows);
      ledger.figure(at(`reach.${i}`), REACH, {
        pieces: piecesOf(flow),
        per: plain(per, '1', idOf(id, 'takes')),
        share: plain(per / (takers.get(flow) ?? per), '1', idOf(id, 'takes')),
        spoilPpm: plain(spoilPpm, 'ppm', idOf(id, 'spoil')),
        whole: plain(step.whole ? 1 : 0, '1', idOf(id, 'takes')),
      });
      terms[`reach ${flow}`] = fig(at(`reach.${i}`));
    });
    if (step.takes.length === 0) terms['plan'] = fig(at('run'));
    ledger.figure(at('realRun'), REAL_RUN, terms);
    const { table, perBatch, likely = { setup: step.loss.setupCycles, runningPpm: step.loss.runningPpm } } = step.loss;
    const shared = {
      counted: log(mine.run, `log:${id}`),
      good: log(mine.good, `log:${id}`),
      done: plain(mine.done ? 1 : 0, '1', `log:${id}`),
      run: fig(at('realRun')),
      samples: plain(step.loss.samples, 'cycle', idOf(id, 'samples')),
      // Of a split run either maker may make more than its share.
      ...(step.whole && step.gives.every((g) => g.share === undefined) && { stop: fig(at('good')) }),
    };
    if (table)
      ledger.figure(at('realGood'), REAL_GOOD_TABLE, {
        ...shared,
        likelyShare: plain(likely.tableShare ?? 1, '1', idOf(id, 'table')),
        ...tableTerms(table, idOf(id, 'table')),
      });
    else {
      const [setup, samples] = [mine.setup ?? 0, mine.samples ?? 0];
      ledger.figure(at('realPpm'), REAL_PPM, {
        lost: log(Math.max(mine.run - mine.good - setup - samples, 0), `log:${id}`),
        cycles: log(Math.max(mine.run - setup - samples, 0), `log:${id}`),
        planPpm: plain(likely.runningPpm, 'ppm', idOf(id, 'running')),
        weight: plain(RATE_PRIOR_CYCLES, 'cycle', 'practice'),
      });
      ledger.figure(at('realGood'), REAL_GOOD, {
        ...shared,
        ppm: fig(at('realPpm')),
        setup: plain(likely.setup, 'cycle', idOf(id, 'setup')),
        ...(perBatch && batchTerms(batchesOf(perBatch, id))),
      });
    }
    for (const { flow } of step.gives) {
      const made = (makers.get(flow) ?? []).filter((m) => ledger.has(idOf(m.step, 'realGood')));
      for (const m of made)
        ledger.figure(`${m.step}.made.${flow}`, MADE, {
          good: fig(idOf(m.step, 'realGood')),
          per: plain(m.per, '1', idOf(m.step, 'gives')),
        });
      ledger.figure(
        idOf(flow, 'real'),
        REAL_PIECES,
        Object.fromEntries(made.map((m) => [m.step, fig(`${m.step}.made.${flow}`)])),
        net.flows[flow]?.unit ?? 'piece',
      );
    }
  }
}
