import type { PanelRow } from '../../processes/process';
import { label } from '../../words/en';
import { formatFigure, type Place } from '../../words/format';
import type { Plan } from '../plan-types';

/** A figure as it is printed: number and unit; a dash where the plan has none. */
export function figureSays(plan: Pick<Plan, 'figures'>, id: string, place: Place): string {
  const f = plan.figures[id];
  if (!f) return '–';
  const shown = formatFigure(f.value, f.unit, place);
  return `${shown.number}${shown.unit ? ` ${shown.unit}` : ''}`;
}

/** A panel's row in words: what it is, and how much. */
export const rowSays = (r: PanelRow, plan: Pick<Plan, 'figures'>, place: Place): [what: string, value: string] => [
  r.figure !== undefined && r.text ? `${label(r.label)}, ${label(r.text)}` : label(r.label),
  r.figure !== undefined ? figureSays(plan, r.figure, place) : label(r.text ?? ''),
];
