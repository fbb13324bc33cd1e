import type { CountUnit, Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import type { Flow, Port, Step } from '../flow/net';
import { allowanceFactor } from '../counts/allowance';
import type { LossPoint } from '../flow/loss-table';
import type { LossTerms } from '../flow/solve-backward';
import type { Ledger } from '../quantity/ledger';
import { type Batch, onwards } from './batch';
import type { Draft, DraftContext } from './process';

export interface SingleStep {
  takesPer: number;
  givesPer: number;
  unit: CountUnit;
  perGood: number;
  whole: boolean;
  losses: LossTerms;
  also?: { port: Port; flow: Flow }[];
  waits?: Step['waits'];
  cautions: Id<'caution'>[];
  needs?: Step['needs'];
  after?: Id<'step'>[];
  inks?: string[];
  prints?: Step['prints'];
  tools?: Draft['tools'];
  /** What it makes of the batch. */
  makes?: Partial<Batch>;
  /** Flows no step makes. */
  supplied?: Draft['flows'];
}

export const NOTHING_LOST: Step['loss'] = { setupCycles: 0, runningPpm: 0, samples: 0 };

/** A step's losses as numbers, read back from their terms. */
export function lossNumbers({ setup, runningPpm, samples, batches = [], table, likely }: LossTerms, ledger: Ledger): Step['loss'] {
  const read = (term: Term | undefined): number => (term === undefined ? 0 : 'fig' in term ? ledger.value(term.fig) : term.value);
  const lines = Object.values(table ?? {});
  const points = Array.from({ length: lines.length / 2 }, (_, i): LossPoint => [read(lines[2 * i]), read(lines[2 * i + 1])]);
  return {
    setupCycles: read(setup),
    runningPpm: read(runningPpm),
    samples: read(samples),
    ...(batches.length > 0 && { perBatch: batches.map(({ cycles, lost }) => ({ cycles: read(cycles), lost: read(lost) })) }),
    ...(points.length > 0 && { table: points }),
    ...(likely && {
      likely: {
        setup: read(likely.setup?.amount),
        runningPpm: read(likely.running?.amount),
        ...(likely.table && { tableShare: 1 / allowanceFactor(read(likely.table.spread), read(likely.table.share)) }),
      },
    }),
  };
}

/** The flow a step gives: what it took, in another state. Copies of several orders stay told apart while they lie on one sheet. */
export const flowAfter = ({ part, item, version, section, perGood: before, perGoodOf }: Flow, unit: CountUnit, perGood: number): Flow => ({
  unit,
  part,
  item,
  ...(version !== undefined && { version }),
  ...(section !== undefined && { section }),
  perGood,
  ...(perGoodOf && perGood === before && { perGoodOf }),
});

/** A stone with one step that takes what comes in and gives it on in another state. */
export function singleStep(cx: DraftContext, s: SingleStep): Draft {
  const lead = cx.incoming[0];
  const out = idOf(cx.id, 'out');
  const step: Step = {
    process: cx.process,
    stone: cx.stone,
    takes: [...cx.incoming.map(({ flow, times }) => ({ flow, per: s.takesPer * times })), ...(s.also ?? []).map((a) => a.port)],
    gives: [{ flow: out, per: s.givesPer }],
    loss: lossNumbers(s.losses, cx.ledger),
    whole: s.whole,
    machine: cx.machineId,
    needs: s.needs ?? [],
    ...(s.after && { after: s.after }),
    ...(s.inks && { inks: s.inks }),
    ...(s.prints && { prints: s.prints }),
    waits: s.waits ?? [],
    cautions: s.cautions,
  };
  return {
    steps: { [cx.id]: { step, losses: s.losses } },
    flows: {
      ...(lead && { [out]: flowAfter(lead.of, s.unit, s.perGood) }),
      ...Object.fromEntries((s.also ?? []).map((a) => [a.port.flow, a.flow])),
      ...s.supplied,
    },
    tools: s.tools ?? {},
    out: lead ? [onwards(cx.incoming, out, s.makes)] : [],
  };
}
