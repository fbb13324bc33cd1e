import { rollDiameterMm } from '../../stock/roll';
import type { DraftContext } from '../process';
import { caliperUmOf } from '../stock-terms';

export const CORE_MM = 76;

/** Width, length and diameter of a finished roll: one lane of pieces, wound on a core. */
export function finishedRoll(cx: DraftContext): { widthMm: number; lengthM: number; diameterMm: number } {
  const part = cx.parts[0];
  const web = part?.traits?.web;
  const rowMm = cx.layout?.cells[0]?.dy ?? part?.heightMm ?? 1;
  const across = web?.across ?? 1;
  const lengthM = ((web?.piecesARoll ?? 1) / across) * (rowMm / 1000);
  return {
    widthMm: cx.layout?.web?.sheetMm[0] ?? part?.widthMm ?? 1,
    lengthM,
    diameterMm: rollDiameterMm({ lengthM, coreMm: CORE_MM, caliperUm: caliperUmOf(cx) || 100 }),
  };
}
