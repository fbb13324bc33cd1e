import type { PackCard } from '../../plant/plant';
import { foldedWidthOf } from '../../product/folds';
import { guillotineCount } from '../../layout/guillotine-count';
import { practiceValue } from '../../plant/practice';
import { type EdgeTiers, edgeTiers, standingMm } from '../../finishing/edge-tiers';
import { USUAL_CARTON, USUAL_PALLET } from '../../finishing/packing';
import { caliperUmOf } from '../stock-terms';
import { type DraftContext, wordSetting } from '../process';

declare module '../../product/part' {
  interface Traits {
    /** How finished pieces are put together: in bands, in cartons of so many where that is said. */
    packed: { perBand?: number; perCarton?: number };
    /** Glued and folded flat again, it stands on edge in its case: size of the flat piece, either side of which may stand upright; how thick, where that is known. */
    onEdge: { flatMm: [number, number]; thickMm?: number };
    /** What was put into it weighs so much. */
    holds: { kg: number };
  }
}

export type Card = Omit<PackCard, 'price'> & { id: string };
const cardsOf = (cards: Record<string, PackCard> | undefined, usual: Omit<PackCard, 'price'>): [Card, ...Card[]] => {
  // The smallest first: what is taken where nobody chooses.
  const all = Object.entries(cards ?? {})
    .map(([id, c]) => ({ ...c, id }))
    .sort((a, b) => a.widthMm * a.depthMm * a.heightMm - b.widthMm * b.depthMm * b.heightMm);
  const [first, ...others] = all;
  return first ? [first, ...others] : [{ ...usual, id: '' }];
};
/** What lies flat in the carton: a layer of a bundle, or the folded piece. */
export const footprintOf = (cx: DraftContext): [number, number] =>
  cx.bundle?.footprintMm ?? [foldedWidthOf(cx.parts[0]), cx.parts[0]?.heightMm ?? 0];
/** Pieces that lie side by side in a carton. */
export const stacksIn = (card: Card, [pieceWidth, pieceHeight]: [number, number]): number =>
  pieceWidth > 0 && pieceHeight > 0
    ? guillotineCount({ width: card.widthMm, height: card.depthMm, pieceWidth, pieceHeight, mayTurn: true }).count
    : 0;

/** Inside of a card, mm: along, across, upwards. */
const insideOf = ({ widthMm, depthMm, heightMm, wallMm = 0 }: Card): [number, number, number] => [
  widthMm - 2 * wallMm,
  depthMm - 2 * wallMm,
  heightMm - 2 * wallMm,
];
/** Pieces on edge in a card; null: they lie flat in it. */
export function tiersIn(card: Card, cx: DraftContext): EdgeTiers | null {
  const onEdge = cx.parts[0]?.traits?.onEdge;
  if (!onEdge || cx.bundle) return null;
  const thickMm = onEdge.thickMm ?? standingMm({ caliperMm: caliperUmOf(cx) / 1000, springs: practiceValue(cx.plant, 'pack.springs') });
  return thickMm > 0 ? edgeTiers({ caseMm: insideOf(card), thickMm, pieceMm: onEdge.flatMm }) : null;
}
/** Whether a piece goes into a card at all, on edge or flat. */
const holds = (card: Card, cx: DraftContext): boolean => {
  const tiers = tiersIn(card, cx);
  return tiers ? tiers.most > 0 : stacksIn(card, footprintOf(cx)) > 0;
};

/** The carton set on the step; else the smallest of the plant's cards the piece goes into, of pieces on edge the one that is filled best; else the smallest. */
export function cartonOf(cx: DraftContext): { card: Card; all: Card[]; fits: boolean } {
  const all = cardsOf(cx.plant.cartons, USUAL_CARTON);
  const set = all.find((c) => c.id !== '' && c.id === wordSetting(cx, 'carton', ''));
  const [fullest] = all
    .flatMap((card) => {
      const most = tiersIn(card, cx)?.most ?? 0;
      return most > 0 ? [{ card, each: (card.widthMm * card.depthMm * card.heightMm) / most }] : [];
    })
    .sort((a, b) => a.each - b.each);
  const card = set ?? fullest?.card ?? all.find((c) => !c.onEdgeOnly && holds(c, cx)) ?? all[0];
  return { card, all, fits: holds(card, cx) };
}
/** The pallet set on the step, else the plant's smallest. */
export function palletOf(cx: DraftContext): { card: Card; all: Card[] } {
  const all = cardsOf(cx.plant.pallets, USUAL_PALLET);
  return { card: all.find((c) => c.id !== '' && c.id === wordSetting(cx, 'pallet', '')) ?? all[0], all };
}
