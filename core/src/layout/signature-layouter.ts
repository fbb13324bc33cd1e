import type { TwoUp } from '../product/bound';
import type { Part } from '../product/part';
import { sizesAllowed } from '../signature/fold-limits';
import { type PressForm, pressForms } from '../signature/press-forms';
import { type SectionPlan, sectionPlans } from '../signature/section-plans';
import type { Heads } from '../signature/sheet-pages';
import {
  chosenSections,
  doubleSections,
  foldLimitsOf,
  laidSections,
  marginsOf,
  pieceFigures,
  plansHeld,
  type SectionsAsk,
  sizeOf,
} from './book-sections';
import { type Form, formOf } from './form';
import { formsOfSections } from './forms-of-sections';
import type { Laid, Layouter, LayoutContext } from './layouter';
import { placesASide, sectionBlock, type SectionBlock } from './section-block';
import type { UsableSheet } from './sheet-layout';
import { usableOfForm } from './usable-of-form';
import { mirrorOf, WORK_STYLES, type WorkStyleId } from './work-style';

/** Sections of a book on press sheets: which sections, by what paper and machines allow; each sheet proved by folding it before it counts. */
export const signatureLayouter: Layouter = {
  id: 'signature',
  stock: 'sheet',
  perfects: true,
  layOut(cx) {
    const [part] = cx.parts;
    return part ? layBook(part, cx) : { forms: [] };
  },
};

/** Blocks that a sheet holds, by the pages of their sections; heads along the grain, so that the spine runs with it, where anything fits so. */
function blocksOf(sizes: readonly number[], sheet: UsableSheet, ask: SectionsAsk): Map<number, SectionBlock> {
  const along: Heads = ask.cx.stock.grain === 'short' ? 'along' : 'across';
  for (const heads of [along, along === 'along' ? 'across' : 'along'] as const) {
    const blocks = new Map<number, SectionBlock>();
    for (const pages of sizes) {
      const { widthMm, heightMm } = sizeOf(pages, ask);
      const block = sectionBlock(pages, [widthMm, heightMm], heads, sheet, ask.isDouble);
      if (block) blocks.set(pages, block);
    }
    if (blocks.size > 0) return blocks;
  }
  return new Map();
}

function layBook(part: Part, cx: LayoutContext): Laid {
  const bound = part.traits?.bound;
  if (!bound) return { forms: [] };
  const ask: SectionsAsk = {
    cx,
    part,
    bound,
    margins: marginsOf(cx, bound),
    bed: {
      kind: 'sheet',
      styleOf: (of, id) => styleOfForm(of, id, cx),
      usable: (id, style) => usableOfForm({ ...cx, id, style }),
      mirrorOf,
    },
    isDouble: false,
  };
  const sheet = usableOfForm(cx);
  pieceFigures(ask, sizesOf(ask).at(-1) ?? 4);
  const forms = (bound.twoUp && layOn(sheet, { ...ask, isDouble: true }, bound.twoUp)) ?? layOn(sheet, ask);
  return { forms: forms ?? [formOf({ ...cx, stock: cx.stockId }, 'sheet', null)] };
}

/** Pages on the flats that the paper and the folder allow, the largest first. */
function sizesOf({ cx, bound, isDouble }: SectionsAsk): number[] {
  const stations = cx.stones.find((s) => s.ask.foldStations !== undefined)?.ask.foldStations;
  const most = isDouble ? 2 * bound.pages : bound.pages;
  return sizesAllowed(cx.stock.gsm, foldLimitsOf(cx), stations, isDouble).filter((size) => size <= most);
}

/** Forms of sections of one copy, or of two as one length; null where none has room, or where they cannot lie beside each other. */
function layOn(sheet: UsableSheet, ask: SectionsAsk, twoUp?: TwoUp): Form[] | null {
  const { cx, bound } = ask;
  const blocks = blocksOf(sizesOf(ask), sheet, ask);
  if (blocks.size === 0) return null;
  const on = {
    placesASide: Math.max(...[...blocks.values()].map(placesASide)),
    perfected: cx.style === 'perfect',
    alone: (pages: number): number => {
      const block = blocks.get(pages);
      return block ? (2 * placesASide(block)) / pages : 0;
    },
  };
  // Of two copies as one length a flat holds the pages of two sections; head to foot they are twice the same, and a sheet holds half as many.
  const sizes = [...blocks.keys()].map((pages) => (twoUp ? pages / 2 : pages));
  const places = twoUp === 'headToFoot' ? on.placesASide / 2 : on.placesASide;
  const partedIn = (of: readonly number[]): SectionPlan[] =>
    of.length > 0 ? sectionPlans({ pages: bound.pages, sizes: of, ...on, placesASide: places }).filter((p) => p.blanks === 0) : [];
  const large = partedIn(sizes.filter((size) => size >= (bound.least ?? 0)));
  const parted = large.length > 0 ? large : partedIn(sizes);
  const plans = plansHeld(parted, ask);
  const chosen = chosenSections(plans, sizes, ask);
  const laid = twoUp ? doubleSections(chosen, twoUp, ask) : laidSections(chosen, ask);
  if (!laid || laid.length === 0) return null;
  const sheets = pressForms(
    laid.map((s) => s.pages.length),
    on,
  );
  return formsOfSections(sheets, laid, blocks, plans, ask);
}

/** How a form is worked: a rest may be printed twice from one form; a sheet full of different sections needs one for each side. */
function styleOfForm({ mayShare }: PressForm, id: string, cx: LayoutContext): WorkStyleId {
  const chosen = cx.styleOf(id) ?? cx.style;
  if (WORK_STYLES[chosen].sides === 1) return chosen;
  const isOneForm = WORK_STYLES[chosen].halves !== null;
  if (isOneForm && !mayShare) return 'sheetwise';
  return !isOneForm && mayShare && chosen === 'sheetwise' && cx.styleOf(id) === null ? 'turn' : chosen;
}
