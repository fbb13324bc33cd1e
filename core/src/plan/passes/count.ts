import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import type { Ledger } from '../../quantity/ledger';
import type { Plant } from '../../plant/plant';
import { practiceValue } from '../../plant/practice';
import { type Counts, type LossTerms, solveBackward } from '../../flow/solve-backward';
import type { JobSpec } from '../../product/job-spec';
import { type Certainty, layReserve } from './certainty';
import { sharing } from './sharing';

/**
 * The certainty a reserve is laid for: what the job wishes. Where the works' own log tells the losses, what the works wishes, since losses that go together only
 * in part add up otherwise than handbook allowances do. Null: net and allowances, as the handbook, the plant's table or somebody by hand says them.
 */
export function wishFor(spec: JobSpec, losses: Readonly<Record<Id<'step'>, LossTerms>>, plant: Plant, ledger: Ledger): number | null {
  if (spec.choices.certainty !== undefined) return spec.choices.certainty;
  const steps = Object.entries(losses);
  const byLog = steps.some(([, l]) => [l.likely?.setup, l.likely?.running].some((k) => k && 'from' in k.spread && k.spread.from === 'log'));
  const otherwise = steps.some(
    ([id, l]) => l.table !== undefined || ledger.isByHand(idOf(id, 'setupCycles')) || ledger.isByHand(idOf(id, 'runningPpm')),
  );
  return byLog && !otherwise ? practiceValue(plant, 'risk.wish') : null;
}

/**
 * Counts backward: net and allowances, step by step; where a certainty is wished for the job, once more with the reserve that it takes. `reserved`: what is pulled
 * for the reserve, beyond what was pulled without.
 */
export function countAll(cx: Omit<Certainty, 'counts'>, wish: number | null): { counts: Counts; reserved: Record<Id<'flow'>, number> } {
  const { net, ledger, losses, items } = cx;
  const plain = solveBackward(net, ledger, losses);
  if (wish === null) return { counts: plain, reserved: {} };
  const laid: Record<Id<'flow'>, Record<string, Term>> = {};
  for (const id of Object.keys(items)) {
    if (sharing(items, id)[0] !== id) continue;
    for (const [flow, reserve] of Object.entries(layReserve(id, wish, { ...cx, counts: plain })))
      laid[flow] = { ...laid[flow], ...reserve };
  }
  if (Object.keys(laid).length === 0) return { counts: plain, reserved: {} };
  const before = Object.fromEntries(Object.keys(net.flows).map((f) => [f, ledger.value(idOf(f, 'demand'))]));
  net.reserve = laid;
  const counts = solveBackward(net, ledger, losses);
  const reserved = Object.fromEntries(Object.keys(net.flows).map((f) => [f, ledger.value(idOf(f, 'demand')) - (before[f] ?? 0)]));
  return { counts, reserved };
}
