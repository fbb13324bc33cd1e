import type { Id } from '../../quantity/figure';
import type { Form } from '../../layout/form';
import type { Plan } from '../plan-types';

/** The forms a part lies on. */
export const formsWith = (plan: Pick<Plan, 'forms'>, part: Id<'part'>): Form[] =>
  Object.values(plan.forms).filter((f) => f.parts.includes(part));
