import { idOf } from '../quantity/id-of';
import { typed } from '../quantity/ledger';
import { practiceValue } from '../plant/practice';
import { type BoundPages, PAGES_OF_A_FOLD } from '../product/bound';
import type { Part } from '../product/part';
import { type FoldProgram, mirrored } from '../signature/fold-model';
import { type FoldLimits, SECTION_SCHEMES } from '../signature/fold-limits';
import { bookPage, signatureOf } from '../signature/imposition';
import type { PressForm } from '../signature/press-forms';
import { SCHEMES } from '../signature/schemes';
import type { SectionPlan } from '../signature/section-plans';
import { type SectionMargins, sectionSize, USUAL_MARGINS } from '../signature/section-size';
import type { LaidSection, SheetMirror } from '../signature/sheet-pages';
import type { Form } from './form';
import type { LayoutContext } from './layouter';
import type { UsableSheet } from './sheet-layout';
import { FLAT_SIDE } from './usable-sheet';
import type { WorkStyleId } from './work-style';

/* The sections of a part: which there are, their pages, their flat sizes; the same on press sheets and on a web. */

/** What sections are laid on: press sheets, or the repeats of a web. */
export interface Bed {
  kind: Form['kind'];
  styleOf(of: PressForm, id: string): WorkStyleId;
  usable(id: string, style: WorkStyleId): UsableSheet;
  mirrorOf(style: WorkStyleId): SheetMirror;
}
/** What a layouter of sections goes by. */
export interface SectionsAsk {
  cx: LayoutContext;
  part: Part;
  bound: BoundPages;
  margins: SectionMargins;
  bed: Bed;
}

/** What its part is called whose sections have numbers. */
const TEXT = 'text';

/** What the binder asks; where none does, the usual trims. */
export const marginsOf = ({ stones }: LayoutContext): SectionMargins => stones.find((s) => s.ask.section)?.ask.section ?? USUAL_MARGINS;

/** Heaviest paper by folds, as the works has it. */
export const foldLimitsOf = ({ plant }: LayoutContext): FoldLimits => [
  practiceValue(plant, 'sections.oneFoldGsm'),
  practiceValue(plant, 'sections.twoFoldsGsm'),
  practiceValue(plant, 'sections.threeFoldsGsm'),
  practiceValue(plant, 'sections.fourFoldsGsm'),
];

const programOf = (pages: number, { spine }: BoundPages): FoldProgram => {
  const program: FoldProgram = SCHEMES[SECTION_SCHEMES[pages] ?? 'p4'];
  return spine === 'right' ? mirrored(program) : program;
};

/** A section's flat sheet by its pages. */
export const sizeOf = (
  pages: number,
  { part, bound, margins }: Pick<SectionsAsk, 'part' | 'bound' | 'margins'>,
): ReturnType<typeof sectionSize> => sectionSize(programOf(pages, bound), { widthMm: part.widthMm, heightMm: part.heightMm }, margins);

/**
 * Sections as they are bound. Nested: the smaller the further in, but four pages outside of all others, as alone in the middle they pull out of the wire.
 * Source: common practice, no source.
 */
export const inOrder = (sections: readonly number[], { nested }: BoundPages): number[] =>
  nested ? [...sections].sort((a, b) => Number(b === PAGES_OF_A_FOLD) - Number(a === PAGES_OF_A_FOLD) || b - a) : [...sections];

/** The sections that were set at the binder, where the bed and the paper take them and they hold the pages; else the first plan that the feeders take. */
export function chosenSections(plans: readonly SectionPlan[], sizes: readonly number[], { cx, bound }: SectionsAsk): number[] {
  const set = cx.stones.flatMap((s) => s.ask.sections ?? []);
  if (set.length > 0 && set.every((size) => sizes.includes(size)) && set.reduce((a, b) => a + b, 0) === bound.pages) return set;
  const feeders = cx.stones.find((s) => s.ask.feeders !== undefined)?.ask.feeders ?? Infinity;
  const most = Math.max(feeders - bound.outside / 2, 1);
  return inOrder((plans.find((p) => p.sections.length <= most) ?? plans[0])?.sections ?? [], bound);
}

/** Writes how large the smallest section is, flat: what says by how much nothing fits. */
export function pieceFigures({ cx, part, margins }: SectionsAsk, least: number): void {
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
export function laidSections(sizes: readonly number[], ask: SectionsAsk): LaidSection[] {
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

/** "section 3", "sections 1, 2", "cover". */
export const sectionsSay = (sections: readonly LaidSection[]): string =>
  sections.length === 1 ? (sections[0]?.name ?? '') : `sections ${sections.map((s) => s.nr).join(', ')}`;
