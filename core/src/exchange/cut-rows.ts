import type { Plan } from '../plan/plan-types';
import type { Plant } from '../plant/plant';
import { cuttingProgram } from '../finishing/cutting-program';
import { EDGES, FALLS, TURNS } from '../processes/guillotine/program';
import { PROCESSES } from '../processes/registry';

type Row = Record<string, string | number>;

/**
 * The cutting programs of all forms that a guillotine cuts, a line a cut: pile, turn before it, edge at the gauge, gauge in mm, and what falls off in front.
 * A form of several stones is cut by the first of them. Nothing where nothing is cut by gauges.
 */
export function cutRows(plan: Plan, plant: Plant): Row[] {
  const cut = new Set<string>();
  return plan.stones
    .filter((stone) => PROCESSES[stone.process]?.byGauges)
    .flatMap((stone) => {
      const forms = Object.values(plan.forms).filter(
        (f) => f.layout !== null && !f.layout.imposed?.foldedWhole && !cut.has(f.id) && f.parts.some((p) => stone.parts.includes(p)),
      );
      return forms.flatMap((form) => {
        cut.add(form.id);
        const program = form.layout ? cuttingProgram(form.layout, plant.machines[stone.machine]?.maxSheetMm?.[0]) : [];
        return program.map((c): Row => ({
          form: form.name || form.id,
          machine: stone.machineName,
          cut: c.nr,
          pile: c.take,
          turn: TURNS[c.turns],
          'edge at the gauge': EDGES[c.edge],
          'gauge mm': Math.round(c.gaugeMm * 100) / 100,
          falls: FALLS[c.falls],
          'falls mm': Math.round(c.fallsMm * 100) / 100,
        }));
      });
    });
}
