import type { CountUnit, Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import type { Step } from '../flow/net';
import type { LossTerms } from '../flow/solve-backward';
import { copiesUp } from '../layout/layout';
import { type Batch, onwards } from './batch';
import type { Draft, DraftContext } from './process';
import { flowAfter, singleStep } from './single-step';

interface PartedStep {
  unit: CountUnit;
  losses: LossTerms;
  waits: Step['waits'];
  cautions: Id<'caution'>[];
}

/** A step that parts what lies on a form: into the copies of its part; where several orders share it, into the copies of each, which go their own ways from here. */
export function partedStep(cx: DraftContext, { unit, losses, waits, cautions }: PartedStep): Draft {
  const { layout } = cx;
  const up = layout ? copiesUp(layout) : 1;
  const draft = singleStep(cx, { takesPer: 1, givesPer: up, unit, perGood: 1, whole: true, losses, waits, cautions });
  const [lead] = cx.incoming;
  const step = draft.steps[cx.id]?.step;
  if (cx.parts.length < 2 || !lead || !step) return draft;
  draft.flows = Object.fromEntries(Object.entries(draft.flows).filter(([id]) => id !== idOf(cx.id, 'out')));
  step.gives = [];
  draft.out = cx.parts.map((part): Batch => {
    const flow = idOf(cx.id, part.id);
    draft.flows[flow] = { ...flowAfter(lead.of, unit, 1), part: part.id, item: part.item };
    step.gives.push({ flow, per: Math.max(layout ? copiesUp(layout, part.id) : 1, 1) });
    return onwards(cx.incoming, flow, { parts: [part.id] });
  });
  return draft;
}
