import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import type { Step } from '../../flow/net';
import { copiesUp } from '../../layout/layout';
import type { GangKeep, Item, JobSpec } from '../../product/job-spec';
import { orderedQuantity } from '../../product/job-spec';
import type { Plan } from '../plan-types';

/** One form of a gang: good sheets it runs, its places, and what it costs up to where orders part. */
export interface GangFormRow {
  id: Id<'form'>;
  name: string;
  sheets: number;
  /** Set by hand; null: as few as its orders take. */
  set: number | null;
  taken: number;
  cost: number;
}
/** One order of a gang: its places on each form, what is wanted of it, what its own steps take, and what comes out of the sheets run. */
export interface GangMember {
  part: Id<'part'>;
  product: Id<'product'>;
  copies: number[];
  wanted: number;
  needed: number;
  /** Blanks over at most, by what was agreed of extra pieces; null: as many as come. */
  mostOver: number | null;
  /** Blanks the runs leave over of it, before what follows loses some; below 0 so many are missing. */
  over: number;
  /** What of the forms it pays. */
  share: number;
  /** When the first of it is due, as the works reads it; null: no date. */
  due: string | null;
}
export interface GangRow {
  id: Id<'form'>;
  refused: boolean;
  /** Somebody set its forms; else one was found by the quantities. */
  set: boolean;
  /** Places on a form, where all its forms have as many; null: they differ by what lies on them. */
  places: number | null;
  /** Of those, the ones on which something may be laid. */
  open: number | null;
  keep: GangKeep;
  forms: GangFormRow[];
  members: GangMember[];
}

/** The gangs of a job: their forms, and each order with its places and its overs. */
export const gangRowsOf = (plan: Plan, spec: JobSpec): GangRow[] =>
  Object.entries(spec.choices.gangs ?? {}).map(([id, gang]): GangRow => {
    const value = (figure: string): number => plan.figures[figure]?.value ?? 0;
    const forms = Object.values(plan.forms).filter((f) => f.slot === id);
    const parting = partingSteps(plan, id, gang.parts);
    const stands = Object.hasOwn(plan.gangs, id);
    const set = stands && gang.forms?.length === forms.length;
    const places = plan.figures[idOf(id, 'places')]?.value ?? null;
    const keep = gang.keep ?? {};
    return {
      id,
      refused: !stands,
      set,
      places,
      open: places === null ? null : places - (keep.closed ?? []).filter((nr) => nr <= places).length,
      keep,
      forms: stands
        ? forms.map((form, i) => ({
            id: form.id,
            name: form.name,
            sheets: value(idOf(parting[i]?.[0] ?? '', 'need')),
            set: set ? (gang.forms?.[i]?.run ?? null) : null,
            taken: form.layout ? copiesUp(form.layout) : 0,
            cost: value(idOf(form.id, 'formCost')),
          }))
        : [],
      members: gang.parts.map((part): GangMember => {
        const product: string = plan.parts[part]?.product ?? part;
        const flow = parting.flatMap(([, s]) => s.gives).find((g) => plan.flows[g.flow]?.part === part)?.flow ?? '';
        const made = parting.reduce((sum, [step, s]) => {
          const per = s.gives.find((g) => g.flow === flow)?.per ?? 0;
          return sum + per * value(idOf(step, 'good'));
        }, 0);
        const needed = value(idOf(flow, 'demand'));
        const items = Object.values(spec.items).filter((i) => i.product === product);
        return {
          part,
          product,
          copies: forms.map((f) => (f.layout ? copiesUp(f.layout, part) : 0)),
          wanted: items.reduce((sum, i) => sum + orderedQuantity(i), 0),
          needed,
          mostOver: mostOverOf(items),
          over: stands ? made - needed : 0,
          share: value(idOf(part, 'gangShare')),
          due: firstDue(items),
        };
      }),
    };
  });

/** When the first of some items is due; null: no date was given. */
export const firstDue = (items: readonly Item[]): string | null =>
  items
    .flatMap((i) => i.deliveries.map((d) => d.by))
    .sort()
    .at(0) ?? null;

/** The steps that part the sheets of a gang into its orders, form by form. */
const partingSteps = (plan: Plan, gang: Id<'form'>, parts: readonly Id<'part'>[]): [Id<'step'>, Step][] =>
  Object.entries(plan.steps).filter(
    ([, s]) => s.stone.startsWith(`${gang}.`) && s.gives.some((g) => parts.some((p) => g.flow === idOf(s.stone, p))),
  );

/** Blanks an order may have over: where extra pieces go to the customer or to stock, as many as were agreed; else as many as come. */
export function mostOverOf(items: readonly Item[]): number | null {
  if (items.some((i) => i.overs.extra === 'recycle' || i.overs.extra === 'destroy')) return null;
  return items.reduce((sum, i) => sum + Math.floor((orderedQuantity(i) * i.overs.overPpm) / 1e6 + 1e-9), 0);
}
