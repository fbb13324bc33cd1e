import { idOf } from '../../quantity/id-of';
import { type Plant, type Shelf, machinesFor } from '../../plant/plant';
import { editAt, type Edit } from '../../product/edit';
import type { JobSpec } from '../../product/job-spec';
import { breakEvenQuantity, fitsWorkStyle, WORK_STYLE_IDS } from '../../layout/work-style';
import { applyEdits } from '../door';
import { plan } from '../plan';
import type { Plan } from '../plan-types';
import { pulledOf } from '../readings/pulled';
import { formsWith } from '../readings/forms-with';
import { stockBeyond, stocksOfGrade } from '../passes/resolve';

/** A way to make the job: other stock, press or work style, as edits on the specification. */
export interface Proposal {
  machine: string;
  stock: string;
  style: string;
  edits: Edit[];
  /** The way the plan of now goes. */
  chosen: boolean;
}

/**
 * Candidates for the first printed part: every stock of its grade on every press that takes it, in every work style that press can print.
 * Lazy: the caller plans each and may stop between two (cancel).
 */
export function* propose(spec: JobSpec, plant: Plant, shelf: Shelf): Generator<Proposal> {
  const now = plan(spec, plant, shelf);
  const part = Object.values(now.parts)[0];
  const print = now.stones.find((s) => s.parts[0] === part?.id && Object.hasOwn(plant.machines[s.machine]?.limits ?? {}, 'units'));
  if (!part || !print) return;
  const [form] = formsWith(now, part.id);
  const others = now.stones.filter((s) => s.id !== print.id && s.parts[0] === part.id).flatMap((s) => plant.machines[s.machine] ?? []);
  for (const [machine, press] of machinesFor(plant, print.process)) {
    for (const [stock, sheet] of stocksOfGrade(plant, part)) {
      if (
        [press, ...others].some((m) => {
          const b = stockBeyond(sheet, m);
          return b.overMm > 0 || b.underMm > 0;
        })
      )
        continue;
      for (const style of WORK_STYLE_IDS) {
        if (!fitsWorkStyle(style, part.colours, { units: press.limits.units ?? 4, perfects: (press.limits.perfects ?? 0) > 0 })) continue;
        yield {
          machine: press.name,
          stock: sheet.name,
          style,
          chosen: print.machine === machine && form?.stock === stock && form.style === style,
          edits: [
            editAt(spec, ['choices', 'machine', print.id], machine),
            editAt(spec, ['choices', 'stock', form?.id ?? part.id], stock),
            editAt(spec, ['choices', 'workStyle', form?.id ?? part.id], style),
          ],
        };
      }
    }
  }
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

/** Plans one proposal; null where it does not go through the door. */
export function comparedWith(proposal: Proposal, spec: JobSpec, plant: Plant, shelf: Shelf): Compared | null {
  const applied = applyEdits(spec, proposal.edits);
  if (!applied.ok) return null;
  const p = plan(applied.made, plant, shelf);
  const total = (key: keyof Plan['totals']): number => p.figures[p.totals[key] ?? '']?.value ?? 0;
  const part = Object.keys(p.parts)[0] ?? '';
  return {
    ...proposal,
    perThousand: total('perThousand'),
    money: total('money'),
    ...pulledOf(p),
    plates: total('plates'),
    machineS: total('machineS'),
    readyAt: total('readyAt'),
    // What a thousand more do not cost: setups with their sheets, forms, fill.
    fixed: total('money') - (total('runOn') * (p.figures['total.good']?.value ?? 0)) / 1_000,
    copiesUp: p.figures[idOf(part, 'copiesUp')]?.value ?? 0,
    blocking: p.findings.filter((f) => f.level === 'release').length,
  };
}

/** Good pieces from which a proposal is the cheaper one, against the plan of now; Infinity where it never is or already was. */
export function cheaperFrom(proposal: Compared, now: Compared, good: number): number {
  const each = (c: Compared): number => (good > 0 ? (c.money - c.fixed) / good : 0);
  return breakEvenQuantity({ fixedA: now.fixed, eachA: each(now), fixedB: proposal.fixed, eachB: each(proposal) });
}

/** The order a planner wants to see: what can be released first, then the cheapest per good copy. */
export const byCost = (a: Compared, b: Compared): number =>
  Math.min(a.blocking, 1) - Math.min(b.blocking, 1) || a.perThousand - b.perThousand;
