import type { Id } from '../../quantity/figure';
import { type JobSpec, NO_CHOICES } from '../../product/job-spec';
import { FAMILIES } from '../../families/registry';
import type { Plan } from '../plan-types';

/** Jobs that a specification takes something from, in the order of their ids. */
export const jobsAsked = ({ choices }: JobSpec): Id<'job'>[] => [
  ...new Set(Object.values(choices.supply).flatMap((supply) => (supply.from === 'job' ? [supply.job] : []))),
];

/** The only item of a job that makes a tool. */
export const TOOL_ITEM = 'i1';

/**
 * A job for no order that makes a tool of another: as many as that one counts, ready when its step begins.
 *
 * @param by local moment they are wanted
 * @returns null where the plan has no such tool, or the works makes none of its kind
 * @example toolJob({ spec, plan, tool: 'card.card.foil.die.crest', by: '2026-03-06T06:00' })?.items['i1'] // six dies, orderLine null
 * Source: house rule: what the works makes for itself is a job like any other, with counts of its own.
 */
export function toolJob({ spec, plan, tool, by }: { spec: JobSpec; plan: Plan; tool: Id<'toolUse'>; by: string }): JobSpec | null {
  const use = Object.hasOwn(plan.tools, tool) ? plan.tools[tool] : undefined;
  const line = Object.values(FAMILIES).find((f) => f.id === use?.made?.family);
  if (!use?.made || !line) return null;
  const quantity = Math.ceil(plan.figures[use.count]?.value ?? 0);
  if (quantity < 1) return null;
  const counted = Object.fromEntries(
    Object.entries(use.made.figures ?? {}).map(([key, figure]) => [key, Math.ceil(plan.figures[figure]?.value ?? 0)]),
  );
  return {
    schema: 1,
    name: `${line.words.name}, ${use.spec}: ${spec.name}`.slice(0, 120),
    items: {
      [TOOL_ITEM]: {
        orderLine: null,
        product: line.product,
        versions: { only: { name: '', quantity, changes: [] } },
        deliveries: [{ by, share: { only: quantity }, to: '' }],
        overs: { underPpm: 0, overPpm: 1_000_000, extra: 'stock' },
        pieces: 'alike',
        balanced: false,
      },
    },
    products: { [line.product]: { kind: 'made', family: line.id, wish: { ...use.made.wish, ...counted } } },
    choices: NO_CHOICES,
    overrides: {},
    decisions: {},
  };
}
