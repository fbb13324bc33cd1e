import { idOf } from '../quantity/id-of';
import { practiceValue } from '../plant/practice';
import { type PressForm, sharesSheet } from '../signature/press-forms';
import type { SectionPlan } from '../signature/section-plans';
import { flatsACopy, isSheetProved, type LaidSection, sheetPages } from '../signature/sheet-pages';
import { inOrder, type SectionsAsk, sectionsSay, sizeOf } from './book-sections';
import { type Form, formOf } from './form';
import type { Layout } from './layout';
import { flatsOf, placesASide, type SectionBlock } from './section-block';
import { BOOKS_UP } from './usable-sheet';
import { wholeSheet } from './whole-sheet';
import { WORK_STYLES, type WorkStyleId } from './work-style';

/* Forms of sections, each proved by folding it before it counts. */

/** The forms that sections take, in the order of the book. */
export function formsOfSections(
  sheets: readonly PressForm[],
  sections: readonly LaidSection[],
  blocks: ReadonlyMap<number, SectionBlock>,
  plans: readonly SectionPlan[],
  ask: SectionsAsk,
): Form[] {
  const { id } = ask.cx;
  return sheets.map((of, i) => formOfSections(of, sheets.length > 1 ? idOf(id, `f${i + 1}`) : id, sections, blocks, ask, plans));
}

function formOfSections(
  of: PressForm,
  id: string,
  all: readonly LaidSection[],
  blocks: ReadonlyMap<number, SectionBlock>,
  ask: SectionsAsk,
  plans: readonly SectionPlan[],
): Form {
  const { cx, part } = ask;
  const sections = of.sections.flatMap((i) => all[i] ?? []);
  const wished = ask.bed.styleOf(of, id);
  const block = blockFor(sections, blocks);
  const [style, layout] = block ? laidIn(wished, id, of, sections, block, ask) : [wished, null];
  const aFlat = Math.min(...sections.map((s) => 1 / flatsACopy(s)));
  cx.ledger.figure(idOf(id, 'copiesUp'), BOOKS_UP, {
    places: { value: layout ? of.copies * aFlat : 0, unit: 'copy', from: 'family', at: 'layout' },
  });
  return {
    ...formOf({ id, parts: [part], style, stock: cx.stockId }, ask.bed.kind, layout),
    name: id === cx.id ? '' : sectionsSay(sections),
    slot: cx.id,
    sectionPlans: plans.map((p) => ({ ...p, sections: inOrder(p.sections, ask.bound) })),
  };
}

/** So much may stay at an edge of a sheet that is folded as it comes. */
const mostLeftMm = ({ cx }: SectionsAsk): number => practiceValue(cx.plant, 'sections.mostLeftMm');

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
  cut: LaidSection[],
  block: SectionBlock,
  ask: SectionsAsk,
): [WorkStyleId, Layout | null] {
  const { part, bed } = ask;
  for (const style of WORK_STYLES[wished].halves === null ? [wished] : [wished, 'sheetwise' as const]) {
    const sheet = bed.usable(id, style);
    const key = JSON.stringify([
      bed.kind,
      part.id,
      part.item,
      style,
      sheet,
      block,
      ask.margins,
      part.widthMm,
      part.heightMm,
      of.copies,
      of.empty,
      cut.map((s) => [s.key, s.name, s.pages, s.program, s.columnsMm, s.rowsMm, s.double]),
    ]);
    const before = known.get(key);
    if (before) return [style, before];
    const mirror = bed.mirrorOf(style);
    const oneForm = WORK_STYLES[style].halves === null ? null : mirror;
    const laid = flatsOf(
      block,
      sheet,
      cut.map((s) => ({ key: s.key, pages: s.pages.length })),
      of.copies,
      oneForm,
    );
    if (!laid) continue;
    const whole = wholeSheet(cut, laid, block.heads, sheet.sheetMm, mostLeftMm(ask));
    const [flats, sections] = whole ?? [laid, cut];
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
      imposed: {
        ...pages,
        heads: block.heads,
        mirror,
        sections,
        flats,
        trimMm: [part.widthMm, part.heightMm],
        margins: ask.margins,
        isRight: ask.bound.spine === 'right',
        empty: of.empty,
        ...(whole && { foldedWhole: true }),
      },
    };
    if (known.size >= MOST_SHEETS) known.clear();
    known.set(key, layout);
    return [style, layout];
  }
  return [wished, null];
}
