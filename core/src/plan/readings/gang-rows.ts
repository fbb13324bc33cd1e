import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { copiesUp } from '../../layout/layout';
import type { JobSpec } from '../../product/job-spec';
import { orderedQuantity } from '../../product/job-spec';
import type { Plan } from '../plan-types';

/** One order on the sheet of a gang: its places, what is wanted of it and what comes out of the sheets run. */
export interface GangMember {
  part: Id<'part'>;
  product: Id<'product'>;
  copies: number;
  /** Set by hand; null: found. */
  set: number | null;
  wanted: number;
  /** Pieces the run leaves over of it, before what follows loses some. */
  over: number;
}
export interface GangRow {
  id: Id<'form'>;
  /** Good sheets it takes; 0 where the gang is refused. */
  sheets: number;
  refused: boolean;
  members: GangMember[];
}

/** The gangs of a job, each order with its places and its overs. */
export function gangRowsOf(plan: Plan, spec: JobSpec): GangRow[] {
  const value = (id: string): number => plan.figures[id]?.value ?? 0;
  return Object.entries(spec.choices.gangs ?? {}).map(([id, gang]): GangRow => {
    const layout = plan.forms[id]?.layout ?? null;
    const parting = Object.entries(plan.steps).find(
      ([, s]) => gang.parts.length > 1 && gang.parts.every((p) => s.gives.some((g) => plan.flows[g.flow]?.part === p)),
    );
    return {
      id,
      sheets: parting ? value(idOf(parting[0], 'need')) : 0,
      refused: !Object.hasOwn(plan.gangs, id),
      members: gang.parts.map((part): GangMember => {
        const product: string = plan.parts[part]?.product ?? part;
        const flow = parting?.[1].gives.find((g) => plan.flows[g.flow]?.part === part)?.flow;
        return {
          part,
          product,
          copies: layout ? copiesUp(layout, part) : 0,
          set: gang.copies?.[part] ?? null,
          wanted: Object.values(spec.items).reduce((sum, i) => sum + (i.product === product ? orderedQuantity(i) : 0), 0),
          over: flow === undefined ? 0 : value(`${parting?.[0] ?? ''}.over.${flow}`),
        };
      }),
    };
  });
}

/** Parts that lie on a press sheet and are in no gang yet: what may be ganged, if stock, coating and inks are alike. */
export const mayBeGanged = (plan: Plan, spec: JobSpec): Id<'part'>[] => {
  const taken = new Set(Object.values(spec.choices.gangs ?? {}).flatMap((g) => g.parts));
  return Object.values(plan.parts).flatMap((p) => (p.layouter === 'rectangle' && !taken.has(p.id) ? [p.id] : []));
};
