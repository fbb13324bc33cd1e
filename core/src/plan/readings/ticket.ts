import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import type { Scene } from '../../scene/scene';
import type { Ledger } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { sheetScene } from '../../layout/sheet-scene';
import type { PanelRow, PaperPage } from '../../processes/process';
import type { Stone } from '../plan-types';
import type { Planned } from '../plan';

/** One page of the ticket: a department's part of a stone, what comes next, and until when to wait. */
export interface TicketPage extends PaperPage {
  stone: Stone;
  drawings: Scene[];
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
      rows: shopRows(page.rows, cx.ledger),
      stone,
      drawings: [
        ...(page.scene ? [routed.process.scene(cx)] : []),
        ...(page.sheet ? [sheetScene(cx.layout, cx.parts[0], cx.stock, cx.workStyle, practiceTerm(cx.plant, 'layout.colourBarMm'))] : []),
      ],
      next: next?.machineName ?? null,
      waitUntil: waits ? idOf(next.steps[0] ?? '', 'startAt') : null,
    }));
  });
}

/** Rows a shop page shows: what was computed, each once; not the machine, which stands in the head, and no money, which is the planner's. */
function shopRows(rows: readonly PanelRow[], ledger: Ledger): PanelRow[] {
  const seen = new Set<string>();
  return rows.filter((r) => {
    if (r.label === 'machine') return false;
    if (r.figure !== undefined && (!ledger.has(r.figure) || MONEY.has(ledger.unitOf(r.figure)))) return false;
    const key = `${r.label} ${r.figure ?? ''} ${r.text ?? ''}`;
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}
const MONEY: ReadonlySet<string> = new Set(['money', 'money/h', 'money/kg']);
