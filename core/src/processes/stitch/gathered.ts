import type { Id } from '../../quantity/figure';
import type { Form } from '../../layout/form';
import type { Part } from '../../product/part';
import type { LaidSection } from '../../signature/sheet-pages';
import type { DraftContext } from '../process';

/** A section on its way into a booklet: whose it is, and the form it was printed on. */
export interface GatheredSection {
  part: Part;
  form: Form;
  section: LaidSection;
}

/** The sections of a booklet in the order of the feeders: the first drops the innermost, the last the outermost. */
export const feederOrder = ({ parts, forms }: Pick<DraftContext, 'parts' | 'forms'>): GatheredSection[] =>
  parts
    .flatMap((part) =>
      forms
        .filter((f) => f.parts.includes(part.id))
        .flatMap((form) => (form.layout?.imposed?.sections ?? []).map((section) => ({ part, form, section }))),
    )
    .sort((a, b) => b.section.outside - a.section.outside || b.section.nr - a.section.nr);

/** The stock that a part lies on. */
export const stockIdOf = ({ forms }: Pick<DraftContext, 'forms'>, part: Part): Id<'stock'> | null =>
  forms.find((f) => f.parts.includes(part.id))?.stock ?? null;
