import type { Id } from '../quantity/figure';
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
  /** Names the question a search for its layout would answer; '' where none is asked. */
  question: string;
}

/**
 * Inks of several parts on one form: each once a side, in the order in which the parts bring them.
 * @example printsOf([[['K'], []], [['K', 'moss'], ['K']]]) → [['K', 'moss'], ['K']]
 */
export const printsOf = (all: readonly Prints[]): [front: string[], back: string[]] => [
  [...new Set(all.flatMap(([front]) => front))],
  [...new Set(all.flatMap(([, back]) => back))],
];
