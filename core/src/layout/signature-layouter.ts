import { idOf } from '../quantity/id-of';
import { typed } from '../quantity/ledger';
import { practiceValue } from '../plant/practice';
import { type BoundPages, PAGES_OF_A_FOLD } from '../product/bound';
import type { Part } from '../product/part';
import { type FoldProgram, mirrored } from '../signature/fold-model';
import { type FoldLimits, SECTION_SCHEMES, sizesAllowed } from '../signature/fold-limits';
import { bookPage, signatureOf } from '../signature/imposition';
import { type PressForm, pressForms, sharesSheet } from '../signature/press-forms';
import { SCHEMES } from '../signature/schemes';
import { sectionPlans, type SectionPlan } from '../signature/section-plans';
import { type SectionMargins, sectionSize, USUAL_MARGINS } from '../signature/section-size';
import { type Heads, isSheetProved, type LaidSection, sheetPages } from '../signature/sheet-pages';
import { type Form, formOf } from './form';
import type { Layout } from './layout';
import type { Laid, Layouter, LayoutContext } from './layouter';
import { flatsOf, placesASide, sectionBlock, type SectionBlock } from './section-block';
import type { UsableSheet } from './sheet-layout';
import { usableOfForm } from './usable-of-form';
import { BOOKS_UP, FLAT_SIDE } from './usable-sheet';
import { mirrorOf, WORK_STYLES, type WorkStyleId } from './work-style';

/** Sections of a book on press sheets: which sections, by what paper and machines allow; each sheet proved by folding it before it counts. */
export const signatureLayouter: Layouter = {
  id: 'signature',
  stock: 'sheet',
  perfects: true,
  layOut(cx) {
    const [part] = cx.parts;
    const bound = part?.traits?.bound;
    return part && bound ? layBook({ cx, part, bound, margins: marginsOf(cx) }) : { forms: [] };
  },
};

/** What its part is called whose sections have numbers. */
const TEXT = 'text';

interface Ask {
  cx: LayoutContext;
  part: Part;
  bound: BoundPages;
  margins: SectionMargins;
}

/** What the binder asks; where none does, the usual trims. */
const marginsOf = ({ stones }: LayoutContext): SectionMargins => stones.find((s) => s.ask.section)?.ask.section ?? USUAL_MARGINS;

/** Heaviest paper by folds, as the works has it. */
const foldLimitsOf = ({ plant }: LayoutContext): FoldLimits => [
  practiceValue(plant, 'sections.oneFoldGsm'),
  practiceValue(plant, 'sections.twoFoldsGsm'),
  practiceValue(plant, 'sections.threeFoldsGsm'),
  practiceValue(plant, 'sections.fourFoldsGsm'),
];

const programOf = (pages: number, { spine }: BoundPages): FoldProgram => {
  const program: FoldProgram = SCHEMES[SECTION_SCHEMES[pages] ?? 'p4'];
  return spine === 'right' ? mirrored(program) : program;
};

const sizeOf = (pages: number, { part, bound, margins }: Ask): ReturnType<typeof sectionSize> =>
  sectionSize(programOf(pages, bound), { widthMm: part.widthMm, heightMm: part.heightMm }, margins);

/** Blocks that a sheet holds, by the pages of their sections; heads along the grain, so that the spine runs with it, where anything fits so. */
function blocksOf(sizes: readonly number[], sheet: UsableSheet, ask: Ask): Map<number, SectionBlock> {
  const along: Heads = ask.cx.stock.grain === 'short' ? 'along' : 'across';
  for (const heads of [along, along === 'along' ? 'across' : 'along'] as const) {
    const blocks = new Map<number, SectionBlock>();
    for (const pages of sizes) {
      const { widthMm, heightMm } = sizeOf(pages, ask);
      const block = sectionBlock(pages, [widthMm, heightMm], heads, sheet);
      if (block) blocks.set(pages, block);
    }
    if (blocks.size > 0) return blocks;
  }
  return new Map();
}

function layBook(ask: Ask): Laid {
  const { cx, bound } = ask;
  const sheet = usableOfForm(cx);
  const { foldStations, feeders } = Object.assign({}, ...cx.stones.map((s) => s.ask)) as Partial<
    Record<'foldStations' | 'feeders', number>
  >;
  const allowed = sizesAllowed(cx.stock.gsm, foldLimitsOf(cx), foldStations).filter((size) => size <= bound.pages);
  pieceFigures(ask, allowed.at(-1) ?? 4);
  const blocks = blocksOf(allowed, sheet, ask);
  if (blocks.size === 0) return { forms: [formOf({ ...cx, stock: cx.stockId }, 'sheet', null)] };
  const places = Math.max(...[...blocks.values()].map(placesASide));
  const perfected = cx.style === 'perfect';
  const alone = (pages: number): number => {
    const block = blocks.get(pages);
    return block ? (2 * placesASide(block)) / pages : 0;
  };
  const plans = sectionPlans({ pages: bound.pages, sizes: [...blocks.keys()], placesASide: places, perfected, alone }).filter(
    (p) => p.blanks === 0,
  );
  const set = cx.stones.flatMap((s) => s.ask.sections ?? []);
  const isSet = set.length > 0 && set.every((size) => blocks.has(size)) && set.reduce((a, b) => a + b, 0) === bound.pages;
  const mostSections = Math.max((feeders ?? Infinity) - bound.outside / 2, 1);
  const usual = plans.find((p) => p.sections.length <= mostSections) ?? plans[0];
  const sizes = isSet ? set : inOrder(usual?.sections ?? [], bound);
  const sections = laidSections(sizes, ask);
  const sheets = pressForms(sizes, { placesASide: places, perfected, alone });
  const forms = sheets.map((of, i) => pressSheetOf(of, sheets.length > 1 ? idOf(cx.id, `f${i + 1}`) : cx.id, sections, blocks, ask, plans));
  return { forms };
}

/**
 * Sections as they are bound. Nested: the smaller the further in, but four pages outside of all others, as alone in the middle they pull out of the wire.
 * Source: common practice, no source.
 */
const inOrder = (sections: readonly number[], { nested }: BoundPages): number[] =>
  nested ? [...sections].sort((a, b) => Number(b === PAGES_OF_A_FOLD) - Number(a === PAGES_OF_A_FOLD) || b - a) : [...sections];

function pieceFigures({ cx, part, margins }: Ask, least: number): void {
  const { rows, cols } = SCHEMES[SECTION_SCHEMES[least] ?? 'p4'];
  const off = (mm: number): ReturnType<typeof typed> => ({ value: mm, unit: 'mm', from: 'family', at: 'trims' });
  const none = typed(0, 'mm', 'none');
  cx.ledger.figure(idOf(part.id, 'pieceWidth'), FLAT_SIDE, {
    cells: typed(cols, '1', 'columns'),
    trimMm: typed(part.widthMm, 'mm', 'widthMm'),
    offMm: off(margins.faceMm),
    lapMm: off(margins.lapMm),
  });
  cx.ledger.figure(idOf(part.id, 'pieceHeight'), FLAT_SIDE, {
    cells: typed(rows, '1', 'rows'),
    trimMm: typed(part.heightMm, 'mm', 'heightMm'),
    offMm: off(margins.headMm + margins.footMm),
    lapMm: none,
  });
}

/** The sections with their pages, as they are folded: nested in one another, or behind one another. */
function laidSections(sizes: readonly number[], ask: Ask): LaidSection[] {
  const { bound } = ask;
  let before = 0;
  return sizes.map((pages, i): LaidSection => {
    const outside = bound.outside + (bound.nested ? before / 2 : before);
    before += pages;
    const program = programOf(pages, bound);
    const { columnsMm, rowsMm } = sizeOf(pages, ask);
    return {
      key: `s${i + 1}`,
      nr: i + 1,
      name: sizes.length === 1 && ask.part.role !== TEXT ? ask.part.role : `section ${i + 1}`,
      outside,
      program,
      signature: signatureOf(program),
      pages: Array.from({ length: pages }, (_, k) => {
        const page = bookPage({ k: k + 1, sectionPages: pages, outside, bookPages: bound.bookPages, nested: bound.nested });
        return bound.blanks > 0 && page > bound.outside + bound.pages - bound.blanks ? null : page;
      }),
      columnsMm,
      rowsMm,
    };
  });
}

/** How a form is worked: a rest may be printed twice from one form; a sheet full of different sections needs one for each side. */
function styleOfForm({ mayShare }: PressForm, id: string, cx: LayoutContext): WorkStyleId {
  const chosen = cx.styleOf(id) ?? cx.style;
  if (WORK_STYLES[chosen].sides === 1) return chosen;
  const isOneForm = WORK_STYLES[chosen].halves !== null;
  if (isOneForm && !mayShare) return 'sheetwise';
  return !isOneForm && mayShare && chosen === 'sheetwise' && cx.styleOf(id) === null ? 'turn' : chosen;
}

function pressSheetOf(
  of: PressForm,
  id: string,
  all: readonly LaidSection[],
  blocks: ReadonlyMap<number, SectionBlock>,
  ask: Ask,
  plans: readonly SectionPlan[],
): Form {
  const { cx, part } = ask;
  const sections = of.sections.flatMap((i) => all[i] ?? []);
  const wished = styleOfForm(of, id, cx);
  const block = blockFor(sections, blocks);
  const [style, layout] = block ? laidIn(wished, id, of, sections, block, ask) : [wished, null];
  cx.ledger.figure(idOf(id, 'copiesUp'), BOOKS_UP, {
    places: { value: layout ? of.copies : 0, unit: 'copy', from: 'family', at: 'layout' },
  });
  return {
    ...formOf({ id, parts: [part], style, stock: cx.stockId }, 'sheet', layout),
    name: id === cx.id ? '' : sectionsSay(sections),
    slot: cx.id,
    sectionPlans: plans.map((p) => ({ ...p, sections: inOrder(p.sections, ask.bound) })),
  };
}

/** "section 3", "sections 1, 2", "cover". */
const sectionsSay = (sections: readonly LaidSection[]): string =>
  sections.length === 1 ? (sections[0]?.name ?? '') : `sections ${sections.map((s) => s.nr).join(', ')}`;

/** The block in which sections share a sheet: that of the size that holds most pages, of which theirs are halves. */
function blockFor(sections: readonly LaidSection[], blocks: ReadonlyMap<number, SectionBlock>): SectionBlock | undefined {
  const most = Math.max(...sections.map((s) => s.pages.length));
  const fitting = [...blocks.values()].filter((b) => sharesSheet(most, b.pages / 2));
  return fitting.reduce<SectionBlock | undefined>((best, b) => (!best || placesASide(b) > placesASide(best) ? b : best), undefined);
}

/** So many sheets are remembered before all are forgotten: most edits of a job leave its sheets as they are. */
const MOST_SHEETS = 200;
const known = new Map<string, Layout>();

/** Lays a sheet in the style that is wished; where its halves do not mirror each other, with a form for each side. */
function laidIn(
  wished: WorkStyleId,
  id: string,
  of: PressForm,
  sections: LaidSection[],
  block: SectionBlock,
  ask: Ask,
): [WorkStyleId, Layout | null] {
  const { cx, part } = ask;
  for (const style of WORK_STYLES[wished].halves === null ? [wished] : [wished, 'sheetwise' as const]) {
    const sheet = usableOfForm({ ...cx, id, style });
    const key = JSON.stringify([
      part.id,
      part.item,
      style,
      sheet,
      block,
      of.copies,
      of.empty,
      sections.map((s) => [s.key, s.name, s.pages, s.program, s.columnsMm, s.rowsMm]),
    ]);
    const before = known.get(key);
    if (before) return [style, before];
    const mirror = mirrorOf(style);
    const oneForm = WORK_STYLES[style].halves === null ? null : mirror;
    const flats = flatsOf(
      block,
      sheet,
      sections.map((s) => ({ key: s.key, pages: s.pages.length })),
      of.copies,
      oneForm,
    );
    if (!flats) continue;
    const pages = sheetPages(flats, sections, block.heads, mirror, sheet.sheetMm);
    // Nothing is shown that does not pass the proof.
    if (!isSheetProved(pages, flats, sections, block.heads, mirror, sheet.sheetMm)) continue;
    const sizes = new Map(sections.map((s) => [s.key, sizeOf(s.pages.length, ask)]));
    const layout: Layout = {
      sheetMm: sheet.sheetMm,
      gripperMm: sheet.gripperMm,
      cells: flats.map((f) => ({
        part: part.id,
        item: part.item,
        trimMm: [sizes.get(f.section)?.widthMm ?? 0, sizes.get(f.section)?.heightMm ?? 0],
        x: f.x,
        y: f.y,
        nx: 1,
        ny: 1,
        dx: f.w,
        dy: f.h,
        turn: block.heads === 'along' ? 0 : 90,
      })),
      imposed: { ...pages, heads: block.heads, mirror, sections, flats, empty: of.empty },
    };
    if (known.size >= MOST_SHEETS) known.clear();
    known.set(key, layout);
    return [style, layout];
  }
  return [wished, null];
}
