import { idOf } from '../../quantity/id-of';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { type Card, cartonOf, palletOf, tiersIn } from './cartons';

export const packPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'packing',
    scene: true,
    rows: packPanel(cx),
    lists: [],
    blanks: ['label checked', 'pallet numbers', 'weighed', 'truck and papers'],
  },
];

export const packPanel = (cx: ConsumeContext): PanelRow[] => [
  cardRow(cx, 'carton', cartonOf(cx)),
  { label: 'perCarton', figure: idOf(cx.id, 'perCarton'), edit: { at: settingPath(cx, 'perCarton'), kind: 'count' } },
  ...tierRow(cx),
  { label: 'lastCarton', figure: idOf(cx.id, 'lastCarton') },
  { label: 'pieceMass', figure: idOf(cx.id, 'pieceKg') },
  { label: 'cartonMass', figure: idOf(cx.id, 'cartonKg') },
  { label: 'cartons', figure: idOf(cx.id, 'cartons') },
  cardRow(cx, 'pallet', palletOf(cx)),
  { label: 'perLayer', figure: idOf(cx.id, 'perLayer') },
  { label: 'layers', figure: idOf(cx.id, 'layers'), edit: { at: settingPath(cx, 'layers'), kind: 'count' } },
  { label: 'layersLaid', figure: idOf(cx.id, 'layersLaid') },
  { label: 'pallets', figure: idOf(cx.id, 'pallets') },
  { label: 'cartonsMass', figure: idOf(cx.id, 'kg') },
  { label: 'palletMass', figure: idOf(cx.id, 'palletKg') },
  { label: 'palletHeight', figure: idOf(cx.id, 'palletHeight') },
];

/** Of pieces that stand on edge: how many a row, and how many rows. */
function tierRow(cx: ConsumeContext): PanelRow[] {
  const tiers = tiersIn(cartonOf(cx).card, cx);
  return tiers
    ? [{ label: 'onEdge', text: `${tiers.tiers} × ${tiers.aTier} have room, ${Math.round(tiers.thickMm * 100) / 100} mm each` }]
    : [];
}

export const packSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'cartons'),
  text: `${cx.ledger.value(idOf(cx.id, 'perCarton'))} a carton`,
});

/** Cards to choose from, the one in use shown. */
const cardRow = (cx: ConsumeContext, label: 'carton' | 'pallet', { card, all }: { card: Card; all: Card[] }): PanelRow => ({
  label,
  text: card.name,
  ...(all.length > 1 && {
    edit: { at: settingPath(cx, label), kind: 'choice' as const, options: all.map((c) => ({ value: c.id, says: c.name })) },
  }),
});
