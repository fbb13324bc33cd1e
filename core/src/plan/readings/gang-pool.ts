import type { Id } from '../../quantity/figure';
import { whyUnlike } from '../../layout/gang-alike';
import { type JobSpec, orderedQuantity } from '../../product/job-spec';
import type { Plan } from '../plan-types';
import { firstDue } from './gang-rows';

/** An order that lies on a sheet of its own, and could lie on one with others. */
export interface Gangable {
  part: Id<'part'>;
  product: Id<'product'>;
  wanted: number;
  due: string | null;
}
/** Orders that may lie on one sheet with one another, the first due first; and why they may not lie with those of the first kind. */
export interface GangKind {
  orders: Gangable[];
  unlike: string | null;
}

/** Parts on press sheets that are in no gang yet, by what may lie together; the kind with most orders first. */
export function gangPool(plan: Plan, spec: JobSpec): GangKind[] {
  const taken = new Set(Object.values(spec.choices.gangs ?? {}).flatMap((g) => g.parts));
  const kinds: Gangable[][] = [];
  for (const part of Object.values(plan.parts)) {
    if (taken.has(part.id) || (part.layouter !== 'rectangle' && part.layouter !== 'outline')) continue;
    const items = Object.values(spec.items).filter((i) => i.product === part.product);
    const order = {
      part: part.id,
      product: part.product,
      wanted: items.reduce((sum, i) => sum + orderedQuantity(i), 0),
      due: firstDue(items),
    };
    const kind = kinds.find(([first]) => first && mayLieWith(plan, first.part, part.id));
    if (kind) kind.push(order);
    else kinds.push([order]);
  }
  kinds.sort((a, b) => b.length - a.length);
  const first = kinds[0]?.[0]?.part;
  return kinds.map((orders) => ({
    // No date is due last; dates are written so that they sort as text.
    orders: orders.sort((a, b) => (a.due ?? '9').localeCompare(b.due ?? '9')),
    unlike: first === undefined ? null : reason(plan, first, orders[0]?.part ?? first),
  }));
}

/** Whether orders of a job share sheets, or two of them could. */
export const mayGang = (plan: Plan, spec: JobSpec): boolean =>
  Object.keys(spec.choices.gangs ?? {}).length > 0 || gangPool(plan, spec).some((kind) => kind.orders.length > 1);

/** Whether two parts of a plan are alike enough for one sheet. */
export const mayLieWith = (plan: Plan, a: Id<'part'>, b: Id<'part'>): boolean => reason(plan, a, b) === null;
function reason(plan: Plan, a: Id<'part'>, b: Id<'part'>): string | null {
  const [one, other] = [plan.parts[a], plan.parts[b]];
  return one && other ? whyUnlike(one, other) : 'gang.notHere';
}
