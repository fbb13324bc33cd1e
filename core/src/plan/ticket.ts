import type { Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import type { Scene } from '../scene/scene';
import type { PaperPage } from '../processes/process';
import type { Stone } from './plan-types';
import type { Planned } from './plan';

/** One page of the ticket: a department's part of a stone, what comes next, and until when to wait. */
export interface TicketPage extends PaperPage {
  stone: Stone;
  drawing: Scene | null;
  next: string | null;
  waitUntil: Id<'figure'> | null;
}

/** The ticket's pages in the order of the route. */
export function ticketPages({ plan, contexts }: Planned): TicketPage[] {
  return contexts.flatMap(({ stone: routed, cx }, i) => {
    const stone = plan.stones[i];
    if (!stone) return [];
    const next = plan.stones.slice(i + 1).find((s) => s.in !== null) ?? null;
    const waits = next !== null && next.waitS.length > 0 && next.steps[0] !== undefined;
    return routed.process.paper(cx).map((page) => ({
      ...page,
      rows: page.rows.filter((r) => r.figure === undefined || cx.to.has(r.figure)),
      stone,
      drawing: page.scene ? routed.process.scene(cx) : null,
      next: next?.machineName ?? null,
      waitUntil: waits ? idOf(next.steps[0] ?? '', 'startAt') : null,
    }));
  });
}
