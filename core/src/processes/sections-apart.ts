import type { CountUnit } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { sectionsUp } from '../layout/layout';
import { flatsACopy } from '../signature/sheet-pages';
import { type Batch, onwards } from './batch';
import type { Draft, DraftContext } from './process';
import { flowAfter } from './single-step';

/** A step that parts a form into its sections: each goes its own way from here, whether it is a flat sheet still or folded already. */
export function sectionsApart(cx: DraftContext, draft: Draft, unit: CountUnit): Draft {
  const [lead] = cx.incoming;
  const step = draft.steps[cx.id]?.step;
  const { layout } = cx;
  if (!lead || !step || !layout?.imposed) return draft;
  draft.flows = {};
  step.gives = [];
  draft.out = layout.imposed.sections.map((section): Batch => {
    const flow = idOf(cx.id, section.key);
    draft.flows[flow] = { ...flowAfter(lead.of, unit, flatsACopy(section)), section: section.name };
    step.gives.push({ flow, per: sectionsUp(layout, section.key) });
    return onwards(cx.incoming, flow, { section: section.key });
  });
  return draft;
}
