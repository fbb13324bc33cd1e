import { idOf } from '../../quantity/id-of';
import { fig, type typed } from '../../quantity/ledger';
import { SHEET_MASS } from '../../stock/sheet-mass';
import { meanPiece } from '../parted-step';
import type { ConsumeContext, Consumed } from '../process';

const COPIES_CUT = {
  id: 'guillotine.copiesCut',
  unit: 'copy',
  source: 'arithmetic',
  of: ({ sheets, copiesUp: up }: { sheets: number; copiesUp: number }) => sheets * up,
} as const;
const TRIM_WASTE = {
  id: 'guillotine.trimWaste',
  unit: 'kg',
  source: 'mass of the sheets less mass of the copies',
  of: ({ sheets, copies }: { sheets: number; copies: number }) => Math.max(sheets - copies, 0),
} as const;

/** What is cut off sheets that were parted into copies: a figure, reported as waste. */
export function partedWaste(cx: ConsumeContext): Required<Pick<Consumed, 'wasteKg'>> {
  const { ledger, id } = cx;
  const mm = (value: number): ReturnType<typeof typed> => ({ value, unit: 'mm', from: 'family', at: 'layout' });
  const [w, h] = cx.layout?.sheetMm ?? [1, 1];
  const [pieceWidth, pieceHeight] = meanPiece(cx);
  const gsm = { value: cx.stock?.gsm ?? 0, unit: 'g/m²', from: 'plant', at: `stock:${cx.stockId ?? ''}` } as const;
  ledger.figure(idOf(id, 'sheetKg'), SHEET_MASS, { sheets: fig(idOf(id, 'run')), widthMm: mm(w), heightMm: mm(h), gsm });
  ledger.figure(idOf(id, 'cut'), COPIES_CUT, { sheets: fig(idOf(id, 'run')), copiesUp: fig(idOf(cx.form?.id ?? '', 'copiesUp')) });
  ledger.figure(idOf(id, 'copiesKg'), SHEET_MASS, {
    sheets: fig(idOf(id, 'cut')),
    widthMm: mm(pieceWidth),
    heightMm: mm(pieceHeight),
    gsm,
  });
  ledger.figure(idOf(id, 'trimKg'), TRIM_WASTE, { sheets: fig(idOf(id, 'sheetKg')), copies: fig(idOf(id, 'copiesKg')) });
  return { wasteKg: [{ kind: 'trim', figure: idOf(id, 'trimKg') }] };
}
