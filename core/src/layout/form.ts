import type { Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import type { SectionPlan } from '../signature/section-plans';
import type { Layout } from './layout';
import type { WorkStyleId } from './work-style';

/** Inks by side: of a part, of a form, of a pass. */
export type Prints = readonly [front: readonly string[], back: readonly string[]];

/**
 * What a layouter makes of one part or of several together: one press sheet, one repeat of a web, one board cut, and all that lies on it. The only form of a
 * part is called like the part, that of a gang like the gang: their figures and choices stand under that name.
 */
export interface Form {
  id: Id<'form'>;
  kind: 'sheet' | 'web' | 'board';
  parts: readonly Id<'part'>[];
  /** What tells it from the other forms of its parts, in words; '' for the only one. */
  name: string;
  /** Null: not one copy fits. */
  layout: Layout | null;
  style: WorkStyleId;
  stock: Id<'stock'> | null;
  /** Inks on it: those of all that lies on it, each once a side. */
  prints: Prints;
  /** So many equal forms that are planned once and counted each: twelve sections of one book. */
  alike: number;
  /** The part or gang it was laid for: what is chosen of stock and work style stands under it. */
  slot: Id<'form'>;
  /** One of several that carry copies of the same orders, each in numbers of its own: a copy comes from any of them. Absent: a copy takes one of each form of its part. */
  oneOf?: true;
  /** Ways to part the pages into sections, from which its own were taken. */
  sectionPlans?: readonly SectionPlan[];
  /** Names the question a search for its layout would answer; '' where none is asked. */
  question: string;
}

/** The figure of how many copies of a part lie on a form. */
export const copiesOnForm = ({ id, parts, oneOf }: Pick<Form, 'id' | 'parts' | 'oneOf'>, part: Id<'part'>): Id<'figure'> =>
  idOf(oneOf ? idOf(id, part) : parts.length > 1 ? part : id, 'copiesUp');

/**
 * Inks of several parts on one form: each once a side, in the order in which the parts bring them.
 * @example printsOf([[['K'], []], [['K', 'moss'], ['K']]]) → [['K', 'moss'], ['K']]
 */
export const printsOf = (all: readonly Prints[]): [front: string[], back: string[]] => [
  [...new Set(all.flatMap(([front]) => front))],
  [...new Set(all.flatMap(([, back]) => back))],
];

/** A form as most are: the only one of its parts, nothing to search for. */
export const formOf = (
  {
    id,
    parts,
    style,
    stock,
  }: { id: Id<'form'>; parts: readonly { id: Id<'part'>; colours: Prints }[]; style: WorkStyleId; stock: Id<'stock'> | null },
  kind: Form['kind'],
  layout: Layout | null,
): Form => ({
  id,
  kind,
  parts: parts.map((p) => p.id),
  name: '',
  layout,
  style,
  stock,
  prints: printsOf(parts.map((p) => p.colours)),
  alike: 1,
  slot: id,
  question: '',
});
