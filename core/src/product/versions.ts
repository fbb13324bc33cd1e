import type { Id } from '../quantity/figure';
import type { JobSpec } from './job-spec';

/** One of several versions of what is made, with the inks that it changes. */
export interface PartVersion {
  id: Id<'version'>;
  name: string;
  changes: string[];
  /** Of all items that want the product. */
  quantity: number;
}

/** Versions of a product, of all items that want it, each once, in the order chosen, else by their ids. */
export function versionsOf(spec: JobSpec, product: Id<'product'>): PartVersion[] {
  const wanted = new Map<Id<'version'>, PartVersion>();
  for (const item of Object.values(spec.items))
    if (item.product === product)
      for (const [id, { name, changes, quantity }] of Object.entries(item.versions)) {
        const known = wanted.get(id);
        if (known) known.quantity += quantity;
        else wanted.set(id, { id, name, changes, quantity });
      }
  const chosen = Object.hasOwn(spec.choices.versions ?? {}, product) ? (spec.choices.versions?.[product] ?? []) : [];
  const first = chosen.flatMap((id) => wanted.get(id) ?? []);
  return [...new Set([...first, ...wanted.values()])];
}
