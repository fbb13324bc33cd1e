import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { LEAVES_MM, MEASURED_BLOCK } from '../../finishing/adhesive';
import { ARC, HOLLOW, SEWN_BLOCK } from '../../finishing/sewn-block';
import type { Part } from '../../product/part';
import { ENDPAPER_PAGES, type SewnBook } from '../../product/sewn';
import type { DraftContext } from '../process';
import { paperOf, sectionsGathered } from '../sections-chosen';

/* How thick a sewn block is, and what its rounded spine measures: figures of its text, whichever stone asks for them first. */

/** The text of a sewn book, and how it is sewn; null: the run is of none. */
export function sewnText({ product }: Pick<DraftContext, 'product'>): { text: Part; sewn: SewnBook } | null {
  const text = product.parts.find((p) => p.traits?.sewn);
  const sewn = text?.traits?.sewn;
  return text && sewn ? { text, sewn } : null;
}

/** Sections of a block, as they are sewn. */
export const sectionsSewn = ({ product }: Pick<DraftContext, 'product'>): number => sectionsGathered(product).length;

export interface BlockFigures {
  /** As reckoned from its papers; as it counts: by the dummy, where there is one. */
  reckonedMm: Id<'figure'>;
  blockMm: Id<'figure'>;
  textMm: Id<'figure'>;
  /** Of a rounded spine; null: it is flat. */
  arcMm: Id<'figure'> | null;
  hollowMm: Id<'figure'> | null;
}

/** Writes thickness, arc and hollow of the block; null: nothing is sewn. */
export function blockFigures(cx: DraftContext): BlockFigures | null {
  const book = sewnText(cx);
  if (!book) return null;
  const { text, sewn } = book;
  const { ledger } = cx;
  const at = (what: string): Id<'figure'> => idOf(text.id, what);
  const isRound = sewn.angleDeg !== null;
  const figures: BlockFigures = {
    reckonedMm: at('reckonedMm'),
    blockMm: at('blockMm'),
    textMm: at('textMm'),
    arcMm: isRound ? at('arcMm') : null,
    hollowMm: isRound ? at('hollowMm') : null,
  };
  if (ledger.has(figures.blockMm)) return figures;
  const all = { ...cx, ...cx.product };
  const leavesMm = (figure: Id<'figure'>, pages: number, part: Part): Term => {
    ledger.figure(figure, LEAVES_MM, { pages: typed(pages, '1', 'pages'), caliperUm: paperOf(all, part).caliperUm });
    return fig(figure);
  };
  const endpaper = cx.product.parts.find((p) => p.traits?.endpaper);
  ledger.figure(figures.reckonedMm, SEWN_BLOCK, {
    textMm: leavesMm(figures.textMm, text.traits?.bound?.pages ?? 0, text),
    endpapersMm: endpaper ? leavesMm(at('endpapersMm'), 2 * ENDPAPER_PAGES, endpaper) : typed(0, 'mm', 'none'),
    sections: typed(sectionsSewn(cx), '1', 'sections'),
    swellMm: practiceTerm(cx.plant, 'sew.swellMm'),
  });
  ledger.figure(figures.blockMm, MEASURED_BLOCK, {
    measured: sewn.dummyMm > 0 ? typed(sewn.dummyMm, 'mm', 'dummyMm') : fig(figures.reckonedMm),
  });
  if (figures.arcMm && figures.hollowMm) {
    const terms = { blockMm: fig(figures.blockMm), angleDeg: typed(sewn.angleDeg ?? 0, '1', 'angleDeg') };
    ledger.figure(figures.arcMm, ARC, terms);
    ledger.figure(figures.hollowMm, HOLLOW, terms);
  }
  return figures;
}
