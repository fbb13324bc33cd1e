import { requireAboveZero } from '../quantity/errors';

/** What processes hold, and how wide their traps are, mm. Common practice, no source. */
export const PROCESS_REGISTER = {
  'offset.fine': { holdsMm: [0.05, 0.1], trapMm: [0.08, 0.15] },
  offset: { holdsMm: [0.1, 0.15], trapMm: [0.08, 0.15] },
  'web-offset': { holdsMm: [0.1, 0.15], trapMm: [0.15, 0.25] },
  die: { holdsMm: [0.3, 0.5], trapMm: [0.3, 0.5] },
  foil: { holdsMm: [0.2, 0.3], trapMm: [0.2, 0.3] },
} as const satisfies Record<string, { holdsMm: readonly [number, number]; trapMm: readonly [number, number] }>;
export type RegisterProcess = keyof typeof PROCESS_REGISTER;

/** What of the artwork asks for register. */
export interface RegisterNeeds {
  /** Finest place where two inks meet or one stands in the other, mm. */
  finestOverprintMm?: number | undefined;
  /** Screen ruling, lines a centimetre. */
  screenPerCm?: number | undefined;
}
/**
 * Register a job asks for: its finest overprint, and half a period of its screen, whichever is smaller; null where neither is known.
 *
 * Formula: min(finest overprint, 10 / (2 · ruling)) in mm. Source: common practice, no source: half a period off and rosettes fall apart.
 * @throws OutOfRange a size not above 0
 */
export function requiredToleranceMm({ finestOverprintMm, screenPerCm }: RegisterNeeds): number | null {
  const asked: number[] = [];
  if (finestOverprintMm !== undefined) {
    requireAboveZero('finestOverprintMm', finestOverprintMm);
    asked.push(finestOverprintMm);
  }
  if (screenPerCm !== undefined) {
    requireAboveZero('screenPerCm', screenPerCm);
    asked.push(10 / (2 * screenPerCm));
  }
  return asked.length === 0 ? null : Math.min(...asked);
}
