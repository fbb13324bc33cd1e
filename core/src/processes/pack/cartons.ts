import type { PackCard } from '../../plant/plant';
import { foldedWidthOf } from '../../product/folds';
import { guillotineCount } from '../../layout/guillotine-count';
import { USUAL_CARTON, USUAL_PALLET } from '../../finishing/packing';
import { type DraftContext, wordSetting } from '../process';

declare module '../../product/part' {
  interface Traits {
    /** How finished pieces are put together: in bands, in cartons of so many where that is said. */
    packed: { perBand?: number; perCarton?: number };
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

/** The carton set on the step; else the smallest of the plant's cards the piece goes into; else the smallest. */
export function cartonOf(cx: DraftContext): { card: Card; all: Card[]; fits: boolean } {
  const all = cardsOf(cx.plant.cartons, USUAL_CARTON);
  const set = all.find((c) => c.id !== '' && c.id === wordSetting(cx, 'carton', ''));
  const card = set ?? all.find((c) => stacksIn(c, footprintOf(cx)) > 0) ?? all[0];
  return { card, all, fits: stacksIn(card, footprintOf(cx)) > 0 };
}
/** The pallet set on the step, else the plant's smallest. */
export function palletOf(cx: DraftContext): { card: Card; all: Card[] } {
  const all = cardsOf(cx.plant.pallets, USUAL_PALLET);
  return { card: all.find((c) => c.id !== '' && c.id === wordSetting(cx, 'pallet', '')) ?? all[0], all };
}
