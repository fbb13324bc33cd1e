import { idOf } from '../quantity/id-of';
import { typed } from '../quantity/ledger';
import type { Plant } from '../plant/plant';
import { practiceValue } from '../plant/practice';
import { type BoundPages, PAGES_OF_A_FOLD, type TwoUp } from '../product/bound';
import type { Part } from '../product/part';
import { type FoldProgram, mirrored } from '../signature/fold-model';
import { type FoldLimits, schemesFor } from '../signature/fold-limits';
import { bookPage, signatureOf } from '../signature/imposition';
import type { PressForm } from '../signature/press-forms';
import { SCHEMES } from '../signature/schemes';
import type { SectionPlan } from '../signature/section-plans';
import { type SectionMargins, sectionSize, USUAL_MARGINS } from '../signature/section-size';
import type { LaidSection, SheetMirror } from '../signature/sheet-pages';
import { partnerOf, type SawJoint, twoUpSignature } from '../signature/two-up';
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
  /** Laid as two copies in one length. */
  isDouble: boolean;
}

/** What its part is called whose sections have numbers. */
const TEXT = 'text';

/** What the binder asks; where none does, the usual trims. Gathered sections are opened by nobody: they have no lap. */
export const marginsOf = ({ stones }: LayoutContext, { nested }: BoundPages): SectionMargins =>
  stones.find((s) => s.ask.section)?.ask.section ?? { ...USUAL_MARGINS, ...(!nested && { lapMm: 0 }) };

/** Heaviest paper by folds, as the works has it. */
export const foldLimitsOf = ({ plant }: { plant: Pick<Plant, 'practice'> }): FoldLimits => [
  practiceValue(plant, 'sections.oneFoldGsm'),
  practiceValue(plant, 'sections.twoFoldsGsm'),
  practiceValue(plant, 'sections.threeFoldsGsm'),
  practiceValue(plant, 'sections.fourFoldsGsm'),
];

/** How a flat with so many pages on it is folded. */
const programOf = (pages: number, { bound: { spine }, isDouble }: Pick<SectionsAsk, 'bound' | 'isDouble'>): FoldProgram => {
  const program = schemesFor(isDouble)[pages] ?? SCHEMES.p4;
  return spine === 'right' ? mirrored(program) : program;
};

/** A section's flat sheet by the pages on it. */
export const sizeOf = (
  pages: number,
  ask: Pick<SectionsAsk, 'part' | 'bound' | 'margins' | 'isDouble'>,
): ReturnType<typeof sectionSize> => {
  const { part, margins, isDouble } = ask;
  const sawMm = isDouble ? margins.sawMm : 0;
  return sectionSize(programOf(pages, ask), { widthMm: part.widthMm, heightMm: part.heightMm }, { ...margins, sawMm });
};

/**
 * Sections as they are bound. Nested: the smaller the further in, but four pages outside of all others, as alone in the middle they pull out of the wire.
 * Source: common practice, no source.
 */
export const inOrder = (sections: readonly number[], { nested }: BoundPages): number[] =>
  nested ? [...sections].sort((a, b) => Number(b === PAGES_OF_A_FOLD) - Number(a === PAGES_OF_A_FOLD) || b - a) : [...sections];

/** Plans that the binder has feeders for; all of them where it has for none. */
export function plansHeld(plans: readonly SectionPlan[], { cx, bound }: SectionsAsk): SectionPlan[] {
  const feeders = cx.stones.find((s) => s.ask.feeders !== undefined)?.ask.feeders ?? Infinity;
  // Outside of nested sections lies their cover, which takes a feeder too.
  const most = Math.max(feeders - (bound.nested ? bound.outside / 2 : 0), 1);
  const held = plans.filter((p) => p.sections.length <= most);
  return held.length > 0 ? held : [...plans];
}

/** The sections that were set at the binder, where the bed and the paper take them and they hold the pages; else those of the first plan. */
export function chosenSections(plans: readonly SectionPlan[], sizes: readonly number[], { cx, bound }: SectionsAsk): number[] {
  const set = cx.stones.flatMap((s) => s.ask.sections ?? []);
  if (set.length > 0 && set.every((size) => sizes.includes(size)) && set.reduce((a, b) => a + b, 0) === bound.pages) return set;
  // Come-and-go wants as many pages from either end of the book.
  const isSame = ({ sections }: SectionPlan): boolean => sections.every((pages, i) => pages === sections.at(-1 - i));
  const alike = bound.twoUp === 'comeAndGo' ? plans.find(isSame) : undefined;
  return inOrder((alike ?? plans[0])?.sections ?? [], bound);
}

/** Writes how large the smallest section is, flat: what says by how much nothing fits. */
export function pieceFigures({ cx, part, margins }: SectionsAsk, least: number): void {
  const { rows, cols } = schemesFor(false)[least] ?? SCHEMES.p4;
  const off = (mm: number): ReturnType<typeof typed> => ({ value: mm, unit: 'mm', from: 'family', at: 'trims' });
  const none = typed(0, 'mm', 'none');
  cx.ledger.figure(idOf(part.id, 'pieceWidth'), FLAT_SIDE, {
    cells: typed(cols, '1', 'columns'),
    trimMm: typed(part.widthMm, 'mm', 'widthMm'),
    offMm: off(margins.faceMm + margins.grindMm),
    lapMm: off(margins.lapMm),
  });
  cx.ledger.figure(idOf(part.id, 'pieceHeight'), FLAT_SIDE, {
    cells: typed(rows, '1', 'rows'),
    trimMm: typed(part.heightMm, 'mm', 'heightMm'),
    offMm: off(margins.headMm + margins.footMm),
    lapMm: none,
  });
}

/** Pages of each section, as they are read: nested in one another, or behind one another; null: nobody printed it. */
function pagesOfSections(sizes: readonly number[], { bound }: SectionsAsk): { outside: number; pages: (number | null)[] }[] {
  let before = 0;
  return sizes.map((pages) => {
    const outside = bound.outside + (bound.nested ? before / 2 : before);
    before += pages;
    return {
      outside,
      pages: Array.from({ length: pages }, (_, k) => {
        const page = bookPage({ k: k + 1, sectionPages: pages, outside, bookPages: bound.bookPages, nested: bound.nested });
        if (bound.blanks > 0 && page > bound.outside + bound.pages - bound.blanks) return null;
        return bound.counted && page > bound.counted.after ? page + bound.counted.pages : page;
      }),
    };
  });
}

/** The sections as they are folded, a copy at a time. */
export const laidSections = (sizes: readonly number[], ask: SectionsAsk): LaidSection[] =>
  pagesOfSections(sizes, ask).map(({ outside, pages }, i): LaidSection => {
    const program = programOf(pages.length, ask);
    const { columnsMm, rowsMm } = sizeOf(pages.length, ask);
    const name = sizes.length === 1 && ask.part.role !== TEXT ? ask.part.role : `section ${i + 1}`;
    return { key: `s${i + 1}`, nr: i + 1, name, outside, program, signature: signatureOf(program), pages, columnsMm, rowsMm };
  });

/** What meets at the saw. */
const JOINT: Readonly<Record<TwoUp, SawJoint>> = { comeAndGo: 'headToHead', headToFoot: 'headToFoot' };

/**
 * The sections of two copies as one length. Come-and-go: a section lies beside the one as far from the other end of the book, the middle one beside itself; head to
 * foot: each beside itself. Null: two that would lie beside each other have not as many pages.
 * Source: geometry.
 */
export function doubleSections(sizes: readonly number[], twoUp: TwoUp, ask: SectionsAsk): LaidSection[] | null {
  const single = pagesOfSections(sizes, ask);
  const comesAndGoes = twoUp === 'comeAndGo';
  const kinds = single.slice(0, comesAndGoes ? Math.ceil(single.length / 2) : single.length);
  const pairs = kinds.map(({ outside, pages }, i) => {
    const other = comesAndGoes ? partnerOf(i + 1, single.length) - 1 : i;
    return { outside, pages, other, beside: single[other]?.pages ?? [] };
  });
  if (pairs.some(({ pages, beside }) => pages.length !== beside.length)) return null;
  return pairs.map(({ outside, pages, other, beside }, i): LaidSection => {
    const program = programOf(2 * pages.length, ask);
    const { columnsMm, rowsMm } = sizeOf(2 * pages.length, ask);
    const numbers = other === i ? `${i + 1}` : `${i + 1} and ${other + 1}`;
    return {
      key: `s${i + 1}`,
      nr: i + 1,
      name: sizes.length === 1 && ask.part.role !== TEXT ? ask.part.role : `${other === i ? 'section' : 'sections'} ${numbers}`,
      outside,
      program,
      signature: twoUpSignature(program, JOINT[twoUp], (copy, k) => (copy === 'lying' ? k : pages.length + k)),
      pages: [...pages, ...beside],
      columnsMm,
      rowsMm,
      double: { joint: JOINT[twoUp], hoppers: other === i ? 1 : 2 },
    };
  });
}

/** "section 3", "sections 1, 2", "cover". */
export const sectionsSay = (sections: readonly LaidSection[]): string =>
  sections.length === 1 ? (sections[0]?.name ?? '') : `sections ${sections.map((s) => s.nr).join(', ')}`;
