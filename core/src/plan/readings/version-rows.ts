import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { changesInOrder, fewestChanges } from '../../form/version-order';
import { printsOf } from '../../layout/form';
import type { JobSpec } from '../../product/job-spec';
import { versionsOf } from '../../product/versions';

import type { Plan } from '../plan-types';

/** A version of a product: what is ordered of it, what of its plates is its own, and what its place in the order costs. */
export interface VersionRow {
  id: Id<'version'>;
  name: string;
  /** Of all items that want the product. */
  quantity: number;
  changes: string[];
  /** What its runs take to begin: sheets or repeats, seconds, money. */
  setupCycles: number;
  setupS: number;
  setupCost: number;
}
export interface ProductVersions {
  product: Id<'product'>;
  /** The items that want it. */
  items: Id<'item'>[];
  inks: string[];
  /** In the order they run. */
  versions: VersionRow[];
  /** Plates changed on the way from the first to the last. */
  changes: number;
  /** An order that changes fewer; null: there is none. */
  better: { order: Id<'version'>[]; changes: number } | null;
}

/** The versions of every product that has several, in the order they run, with what that order costs. */
export function productVersions(plan: Plan, spec: JobSpec): ProductVersions[] {
  const value = (id: string): number => plan.figures[id]?.value ?? 0;
  return Object.keys(spec.products).flatMap((product): ProductVersions[] => {
    const versions = versionsOf(spec, product);
    if (versions.length < 2) return [];
    const items = Object.entries(spec.items).filter(([, i]) => i.product === product);
    const forms = Object.values(plan.forms).filter((f) => f.parts.some((p) => plan.parts[p]?.product === product));
    const passes = forms.flatMap((f) => f.prints);
    const steps = (version: Id<'version'>): Id<'step'>[] =>
      Object.entries(plan.steps).flatMap(([id, s]) => {
        const flow = plan.flows[s.gives[0]?.flow ?? ''];
        return flow?.version === version && plan.parts[flow.part]?.product === product ? [id] : [];
      });
    const sum = (version: Id<'version'>, what: string): number => steps(version).reduce((n, id) => n + value(idOf(id, what)), 0);
    const [now, best] = [changesInOrder(passes, versions), fewestChanges(passes, versions)];
    const changes = changesInOrder(passes, best);
    return [
      {
        product,
        items: items.map(([id]) => id),
        inks: [...new Set(printsOf(forms.map((f) => f.prints)).flat())],
        versions: versions.map((v) => ({
          ...v,
          setupCycles: sum(v.id, 'setupCycles'),
          setupS: sum(v.id, 'setupS'),
          setupCost: sum(v.id, 'costSetup'),
        })),
        changes: now,
        better: changes < now ? { order: best.map((v) => v.id), changes } : null,
      },
    ];
  });
}
