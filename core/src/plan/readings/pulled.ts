import type { Plan } from '../plan-types';

/** What a plan pulls from the store, in the unit its stock comes in: sheets, or metres of web. */
export function pulledOf({ totals, figures }: Plan): { pulled: number; pulledUnit: 'sheet' | 'metre' } {
  const pulledUnit = totals.sheets === undefined ? 'metre' : 'sheet';
  return { pulled: figures[totals.sheets ?? totals.metres ?? '']?.value ?? 0, pulledUnit };
}
