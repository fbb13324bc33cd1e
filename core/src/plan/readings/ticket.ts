import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import type { Scene } from '../../scene/scene';
import type { Ledger } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { sheetScene } from '../../layout/sheet-scene';
import type { ConsumeContext, PanelRow, PaperPage, Process } from '../../processes/process';
import type { Plan, Stone } from '../plan-types';
import type { Planned } from '../plan';

/** One page of the ticket: a department's part of a stone, what comes next, and until when to wait. */
export interface TicketPage extends PaperPage {
  stone: Stone;
  drawings: Scene[];
  next: string | null;
  waitUntil: Id<'figure'> | null;
}

/** What a page is about: a run of a stone, or all of them where one page serves them together. */
interface Told {
  process: Process;
  cx: ConsumeContext;
  stone: Stone;
  pages: PaperPage[];
}

/** What the ticket tells, in the order of the route. */
function toldBy({ plan, contexts }: Planned): Told[] {
  return contexts.flatMap(({ stone: { process }, cx, shown }): Told[] => {
    const runs = contexts.flatMap((c) => (c.cx.stone === cx.stone ? c.cx : []));
    const together = plan.stones.find((s) => s.id === cx.stone);
    if (!process.paperOfRuns || !together || runs.length === 1) return [{ process, cx, stone: shown, pages: process.paper(cx) }];
    return runs[0] === cx ? [{ process, cx, stone: together, pages: process.paperOfRuns(runs) }] : [];
  });
}

/** The ticket's pages in the order of the route. */
export function ticketPages(of: Planned): TicketPage[] {
  const { plan, contexts } = of;
  const machines = new Map(contexts.flatMap(({ cx }) => cx.stepIds.map((id) => [id, cx.machine.name] as const)));
  return toldBy(of).flatMap(({ process, cx, stone, pages }) => {
    const next = followers(stone.steps, plan);
    const waiting = next.find((id) => plan.steps[id]?.waits.some((w) => stone.steps.includes(w.after)));
    return pages.map((page) => ({
      ...page,
      rows: shopRows(page.rows, cx.ledger),
      // Pieces of one version among another are found by the customer, if by nobody before.
      blanks: cx.keeps === null ? page.blanks : [...page.blanks, 'line cleared of the version before, signed by'],
      stone,
      drawings: [
        ...(page.scene ? [process.scene(cx)] : []),
        ...(page.more ?? []),
        ...(page.sheet ? [sheetScene(cx.layout, cx.parts, cx.stock, cx.workStyle, practiceTerm(cx.plant, 'layout.colourBarMm'))] : []),
      ],
      next: [...new Set(next.flatMap((id) => machines.get(id) ?? []))].join(', ') || null,
      waitUntil: waiting === undefined ? null : idOf(waiting, 'startAt'),
    }));
  });
}

/** The steps that take what a run leaves, or that wait for the forms it makes. */
function followers(steps: readonly Id<'step'>[], plan: Plan): Id<'step'>[] {
  const left = new Set(steps.flatMap((id) => plan.steps[id]?.gives.map((g) => g.flow) ?? []));
  return Object.entries(plan.steps).flatMap(([id, s]) =>
    !steps.includes(id) && (s.takes.some((t) => left.has(t.flow)) || s.after?.some((a) => steps.includes(a))) ? [id] : [],
  );
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
