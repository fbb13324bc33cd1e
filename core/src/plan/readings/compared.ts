import type { Id } from '../../quantity/figure';
import type { Edit } from '../../product/edit';
import { breakEvenQuantity } from '../../layout/work-style';

/** A way to make the job: other stock, press or work style for what is printed together, as edits on the specification. */
export interface Proposal {
  /** What is printed, where the job prints several things apart; '' where there is one. */
  what: string;
  machine: string;
  stock: string;
  style: string;
  edits: Edit[];
  /** The way the plan of now goes. */
  chosen: boolean;
  /** The form whose copies and sheets it is about. */
  form: Id<'form'>;
}

/** A proposal planned: what a planner compares, by cost per thousand good pieces. */
export interface Compared extends Proposal {
  perThousand: number;
  money: number;
  pulled: number;
  pulledUnit: 'sheet' | 'metre';
  plates: number;
  copiesUp: number;
  fixed: number;
  machineS: number;
  readyAt: number;
  blocking: number;
}

/** Good pieces from which a proposal is the cheaper one, against the plan of now; Infinity where it never is or already was. */
export function cheaperFrom(proposal: Compared, now: Compared, good: number): number {
  const each = (c: Compared): number => (good > 0 ? (c.money - c.fixed) / good : 0);
  return breakEvenQuantity({ fixedA: now.fixed, eachA: each(now), fixedB: proposal.fixed, eachB: each(proposal) });
}

/** The order a planner wants to see: what can be released first, then the cheapest per good copy. */
export const byCost = (a: Compared, b: Compared): number =>
  Math.min(a.blocking, 1) - Math.min(b.blocking, 1) || a.perThousand - b.perThousand;
