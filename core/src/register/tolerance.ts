import { requireAboveZero } from '../quantity/errors';

/** What processes hold, and how wide their traps are, mm. Common practice, no source. */
export const PROCESS_REGISTER = {
  'offset.fine': { holdsMm: [0.05, 0.1], trapMm: [0.08, 0.15] },
  offset: { holdsMm: [0.1, 0.15], trapMm: [0.08, 0.15] },
  'web-offset': { holdsMm: [0.1, 0.15], trapMm: [0.15, 0.25] },
  gravure: { holdsMm: [0.1, 0.2], trapMm: [0.2, 0.3] },
  die: { holdsMm: [0.3, 0.5], trapMm: [0.3, 0.5] },
  foil: { holdsMm: [0.2, 0.3], trapMm: [0.2, 0.3] },
} as const satisfies Record<string, { holdsMm: readonly [number, number]; trapMm: readonly [number, number] }>;
export type RegisterProcess = keyof typeof PROCESS_REGISTER;

/**
 * Register a job asks for: its finest overprint, where two inks meet or one stands in the other, in mm; null where nobody said. A screen ruling asks for nothing: rosettes
 * hold at whatever a press holds, or every ordinary job would be too fine.
 * Source: common practice, no source.
 * @throws OutOfRange a size not above 0
 * @example requiredToleranceMm({ finestOverprintMm: 0.1 }) // 0.1
 */
export function requiredToleranceMm({ finestOverprintMm }: { finestOverprintMm?: number | undefined }): number | null {
  if (finestOverprintMm === undefined) return null;
  requireAboveZero('finestOverprintMm', finestOverprintMm);
  return finestOverprintMm;
}
