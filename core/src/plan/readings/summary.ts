import { findingKey } from '../../processes/finding';
import type { FindingArgs, FindingLevel } from '../../processes/finding';
import type { Plan } from '../plan-types';
import { pulledOf } from './pulled';
import { riverOf } from './river';
import { familyOf } from '../../families/registry';
import type { Plant, Shelf } from '../../plant/plant';
import type { JobSpec } from '../../product/job-spec';
import { mixedInks, needsOf, type StockNeed, storedTools } from './needs';

/** What a list shows of a job without planning it again: one row, stored beside the specification it was made from. */
export interface PlanSummary {
  good: number;
  /** What is pulled, in sheets or metres of web. */
  pulled: number;
  pulledUnit: 'sheet' | 'metre';
  plates: number;
  machineS: number;
  readyAt: number;
  money: number;
  chance: number | null;
  /** Band widths along the river, 0 to 1, in thousandths: a list draws them a few pixels high. */
  river: number[];
  worst: { code: string; level: FindingLevel; args: FindingArgs } | null;
  blocking: number;
  undecided: number;
  /** What one finished piece is called. */
  pieces: string;
  /** What it needs of the works' stock, and the stored tools it uses: what the store reads without planning again. */
  needs: StockNeed[];
  tools: string[];
  /** Inks somebody mixes for it, and how much of each. */
  mixed: { ink: string; stone: string; kg: number }[];
  of: Plan['of'];
}

export function summaryOf(plan: Plan, spec: JobSpec, plant: Plant, shelf: Shelf): PlanSummary {
  const total = (key: keyof Plan['totals']): number => plan.figures[plan.totals[key] ?? '']?.value ?? 0;
  const river = riverOf(plan);
  const most = Math.max(...river.map((s) => s.inCopies), 1);
  const worst = plan.findings.find((f) => f.level !== 'know');
  return {
    good: plan.figures['total.good']?.value ?? 0,
    ...pulledOf(plan),
    plates: total('plates'),
    machineS: Math.round(total('machineS')),
    readyAt: total('readyAt'),
    money: total('money'),
    chance: plan.totals.chance === undefined ? null : total('chance'),
    river: river
      .flatMap((s, i) => (i === 0 ? [s.inCopies, s.outCopies] : [s.outCopies]))
      .map((copies) => Math.round((1000 * copies) / most) / 1000),
    worst: worst ? { code: worst.code, level: worst.level, args: worst.args } : null,
    blocking: plan.findings.filter((f) => f.level === 'release').length,
    undecided: plan.findings.filter((f) => f.level === 'decide' && !Object.hasOwn(spec.decisions, findingKey(f))).length,
    pieces: piecesWord(spec),
    needs: needsOf(plan, plant, shelf),
    tools: storedTools(plan),
    mixed: mixedInks(plan),
    of: plan.of,
  };
}

function piecesWord(spec: JobSpec): string {
  const made = Object.values(spec.products).find((p) => p.kind === 'made');
  return made?.kind === 'made' ? familyOf(made.family).words.pieces : 'pieces';
}
