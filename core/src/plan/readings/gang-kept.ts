import { letterOfForm } from '../../layout/forms-of-gang';
import type { Id } from '../../quantity/figure';
import type { GangRow } from './gang-rows';

/** A form that does not keep what a planner holds to: an order beside one it is kept apart from, or (no other) off the form it belongs to. */
export interface NotKept {
  form: string;
  order: string;
  other: string | null;
}

/** Where the forms of a gang do not keep what is held. Source: house rule. */
export function notKept({ forms, members, keep }: GangRow): NotKept[] {
  const formsOf = (part: Id<'part'>): number[] =>
    (members.find((m) => m.part === part)?.copies ?? []).flatMap((copies, form) => (copies > 0 ? [form] : []));
  const productOf = (part: Id<'part'>): string => members.find((m) => m.part === part)?.product ?? part;
  const nameOf = (form: number): string => {
    const name = forms[form]?.name ?? '';
    return name === '' ? letterOfForm(form) : name;
  };
  const together = (keep.apart ?? []).flatMap(([a, b]) =>
    formsOf(a)
      .filter((form) => formsOf(b).includes(form))
      .map((form): NotKept => ({ form: nameOf(form), order: productOf(a), other: productOf(b) })),
  );
  const elsewhere = Object.entries(keep.on ?? {}).flatMap(([part, on]) =>
    formsOf(part)
      .filter((form) => form !== on)
      .map((form): NotKept => ({ form: nameOf(form), order: productOf(part), other: null })),
  );
  return [...together, ...elsewhere];
}
