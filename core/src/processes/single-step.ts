import type { CountUnit, Id } from '../quantity/figure';
import type { Flow, Port, Step } from '../flow/net';
import type { LossTerms } from '../flow/solve-backward';
import type { Ledger } from '../quantity/ledger';
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
  tools?: Draft['tools'];
  /** Flows no step makes. */
  supplied?: Draft['flows'];
}

/** Numbers of a step's losses, read back from the figures that hold them. */
export const lossNumbers = (step: Id<'step'>, to: Ledger): Step['loss'] => ({
  setupCycles: to.value(`${step}.setupCycles`),
  runningPpm: to.value(`${step}.runningPpm`),
  samples: to.value(`${step}.samples`),
});

/** A stone with one step that takes what comes in and gives it on in another state. */
export function singleStep(cx: DraftContext, s: SingleStep): Draft {
  const lead = cx.incoming[0];
  const out = `${cx.id}.out`;
  const step: Step = {
    process: cx.process,
    stage: cx.id,
    takes: [...cx.incoming.map(({ id, times = 1 }) => ({ flow: id, per: s.takesPer * times })), ...(s.also ?? []).map((a) => a.port)],
    gives: [{ flow: out, per: s.givesPer }],
    loss: lossNumbers(cx.id, cx.to),
    whole: s.whole,
    machine: cx.machineId,
    needs: s.needs ?? [],
    ...(s.after && { after: s.after }),
    waits: s.waits ?? [],
    cautions: s.cautions,
  };
  return {
    steps: { [cx.id]: { step, losses: s.losses } },
    flows: {
      ...(lead && { [out]: { unit: s.unit, part: lead.flow.part, item: lead.flow.item, perGood: s.perGood } }),
      ...Object.fromEntries((s.also ?? []).map((a) => [a.port.flow, a.flow])),
      ...s.supplied,
    },
    tools: s.tools ?? {},
    outgoing: out,
  };
}
