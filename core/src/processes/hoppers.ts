import type { Part } from '../product/part';
import { backMarks } from '../finishing/back-marks';
import type { Form } from '../layout/form';
import type { LaidSection } from '../signature/sheet-pages';
import { partnerOf } from '../signature/two-up';
import type { DraftContext } from './process';
import { type GatheredSection, sectionsGathered } from './sections-chosen';

/** A hopper of the gatherer: what of which fold it drops. */
export interface Hopper {
  position: number;
  part: Part;
  form: Form;
  section: LaidSection;
  /** The fold lies as it was folded, or turned end for end: then its other copy is the one that lies. */
  isTurned: boolean;
  /** Pages of the copy that lies. */
  pages: (number | null)[];
  /** Its mark on the spine, from the trimmed head, and in which column. */
  markMm: number;
  markColumn: number;
}

/** Which way a fold lies in its hopper. */
export const liesSay = ({ isTurned }: Pick<Hopper, 'isTurned'>): string => (isTurned ? 'turned end for end' : 'as folded');

/** The parts of a book and their forms. */
export type Taken = Readonly<Pick<DraftContext, 'forms'>> & { readonly parts: readonly Part[] };
const isText = ({ part }: Pick<GatheredSection, 'part'>): boolean => (part.traits?.adhesive ?? part.traits?.sewn) !== undefined;

/** Whether the book is bound as two copies in one length: every section lies so. */
export function isTwoUp(cx: Taken): boolean {
  const sections = sectionsGathered(cx);
  return sections.length > 0 && sections.every((s) => s.section.double !== undefined);
}
/** Books a cycle of the binder makes. */
export const booksACycle = (cx: Taken): 1 | 2 => (isTwoUp(cx) ? 2 : 1);

type Place = Omit<Hopper, 'position' | 'markMm' | 'markColumn'>;

/** Places of a part's sections in the order of the book: a fold of two copies may feed a second hopper, turned end for end. */
function inBookOrder(mine: readonly GatheredSection[]): Place[] {
  const count = mine.reduce((sum, { section }) => sum + (section.double?.hoppers ?? 1), 0);
  const places = mine.flatMap((gathered): { at: number; place: Place }[] => {
    const { section } = gathered;
    const half = section.double ? section.pages.length / 2 : section.pages.length;
    const lying = { at: section.nr, place: { ...gathered, isTurned: false, pages: section.pages.slice(0, half) } };
    if (section.double?.hoppers !== 2) return [lying];
    return [lying, { at: partnerOf(section.nr, count), place: { ...gathered, isTurned: true, pages: section.pages.slice(half) } }];
  });
  return places.sort((a, b) => a.at - b.at).map(({ place }) => place);
}

/** After how many of the text's sections the insert comes: behind the one that holds the page it follows. */
export function insertComesAfter(
  text: readonly { pages: readonly (number | null)[] }[],
  after: number,
): { sections: number; isBetween: boolean } {
  const before = text.filter(({ pages }) => pages.some((p) => p !== null && p <= after)).length;
  const last = text[before - 1]?.pages.filter((p) => p !== null).at(-1);
  return { sections: before, isBetween: before === 0 || (last ?? after) <= after };
}

/** The hoppers in the order of the book, the first page first. */
export function hopperOrder(cx: Taken): Hopper[] {
  const all = sectionsGathered(cx);
  const text = inBookOrder(all.filter(isText));
  const insert = inBookOrder(all.filter((g) => !isText(g)));
  const after = cx.parts.find((p) => p.traits?.adhesive)?.traits?.adhesive?.insert?.after;
  const at = after == null ? Math.ceil(text.length / 2) : insertComesAfter(text, after).sections;
  const order = [...text.slice(0, at), ...insert, ...text.slice(at)];
  const marks = order.length > 0 ? backMarks(order[0]?.part.heightMm ?? 1, order.length) : [];
  return order.map((place, i) => ({
    ...place,
    position: i + 1,
    markMm: marks[i]?.fromMm ?? 0,
    markColumn: marks[i]?.column ?? 1,
  }));
}

/** Pages of the text's sections in the order of the book. */
export const textSections = (cx: Taken): number[] => inBookOrder(sectionsGathered(cx).filter(isText)).map((p) => p.pages.length);

/** Marks on the spine folds of a section, copy by copy: of two as one length each from its own head. None where nothing is gathered. */
export const marksOf = (
  { product }: Pick<DraftContext, 'product'>,
  section: LaidSection,
): Pick<Hopper, 'position' | 'pages' | 'markMm' | 'markColumn'>[] => {
  if (!product.parts.some((part) => isText({ part }))) return [];
  return hopperOrder(product).filter((h) => h.section === section);
};
