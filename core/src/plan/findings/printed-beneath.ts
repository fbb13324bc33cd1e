import type { InkSeries } from '../../plant/plant';
import type { FindingContext } from './rule';

/** A waxed series among those that printed the parts of a run before it: neither foil nor a coat holds on wax. */
export function waxBeneath({ plan, contexts }: Pick<FindingContext, 'plan' | 'contexts'>, at: number): InkSeries | undefined {
  const own = contexts[at]?.cx.parts ?? [];
  return contexts
    .slice(0, at)
    .filter(({ cx }) => cx.stepIds.some((id) => plan.steps[id]?.inks) && cx.parts.some((p) => own.includes(p)))
    .flatMap(({ cx }) => cx.inkSeries ?? [])
    .find((series) => series.waxed);
}
