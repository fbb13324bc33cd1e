import type { Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import type { Part } from '../product/part';
import { copiesOnForm, type Form, formOf } from './form';
import { copiesUp, type Layout } from './layout';
import type { LayoutContext } from './layouter';
import { GANG_COPIES } from './usable-sheet';

/** A form of a gang before it is laid out: which parts lie on it, and how many copies of each; null: as many as the quantities ask. */
export interface FormAsked {
  id: Id<'form'>;
  /** A letter; '' for the only one. */
  name: string;
  parts: readonly Part[];
  copies: Readonly<Record<Id<'part'>, number>> | null;
}

/** Letter of a form by its place among them. @example letterOfForm(1) // 'B' */
export const letterOfForm = (at: number): string => String.fromCharCode('A'.charCodeAt(0) + at);

/** The one form of a gang that nobody set. */
export const formFound = ({ id, parts }: Pick<LayoutContext, 'id' | 'parts'>): FormAsked => ({ id, name: '', parts, copies: null });

/** The forms of a gang as they were set; null: nobody set any, or a part of it lies on none of them. */
export function formsAsSet({ id, parts, gangForms }: Pick<LayoutContext, 'id' | 'parts' | 'gangForms'>): FormAsked[] | null {
  const forms = gangForms.map(({ copies }, at): FormAsked => {
    const name = gangForms.length > 1 ? letterOfForm(at) : '';
    return { id: name === '' ? id : idOf(id, name), name, parts: parts.filter((p) => (copies[p.id] ?? 0) > 0), copies };
  });
  return forms.length > 0 && parts.every((p) => forms.some((f) => f.parts.includes(p))) ? forms : null;
}

/** A form of a gang with its layout; the copies of each part on it are figures. */
export function gangForm(
  { id, name, parts }: FormAsked,
  laid: Layout | null,
  { id: slot, parts: all, style, stockId, ledger }: LayoutContext,
): Form {
  const layout = laid && { ...laid, orders: all.map((p) => p.id) };
  const form: Form = {
    ...formOf({ id, parts, style, stock: stockId }, 'sheet', layout),
    name,
    slot,
    ...(id !== slot && { oneOf: true as const }),
  };
  for (const part of parts)
    ledger.figure(copiesOnForm(form, part.id), GANG_COPIES, {
      places: { value: layout ? copiesUp(layout, part.id) : 0, unit: 'copy', from: 'family', at: 'gang' },
    });
  return form;
}
