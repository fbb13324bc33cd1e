import type { Id } from '../../quantity/figure';
import type { Item, JobSpec } from '../../product/job-spec';
import type { Form } from '../../layout/form';
import { copiesUp } from '../../layout/layout';
import type { Plan } from '../plan-types';

/**
 * A job with one item alone. Where its part shared forms with others, it has a form of its own, and what was chosen for the gang (machines, stock, settings) is
 * chosen for it.
 */
export function itemAlone(spec: JobSpec, item: Id<'item'>, one: Item): JobSpec {
  const { gangs = {}, ...choices } = spec.choices;
  const mine = Object.entries(gangs).flatMap(([gang, { parts }]) =>
    parts.filter((p) => p.startsWith(`${one.product}.`)).map((part) => ({ gang, part })),
  );
  const renamed = (id: string): string => {
    const own = mine.find(({ gang }) => id === gang || id.startsWith(`${gang}.`));
    return own ? `${own.part}${id.slice(own.gang.length)}` : id;
  };
  const rekeyed = <T>(of: Record<string, T>): Record<string, T> =>
    Object.fromEntries(Object.entries(of).map(([id, value]) => [renamed(id), value]));
  const alone: JobSpec = {
    ...spec,
    items: { [item]: one },
    choices: {
      ...choices,
      machine: rekeyed(choices.machine),
      stock: rekeyed(choices.stock),
      workStyle: rekeyed(choices.workStyle),
      settings: rekeyed(choices.settings),
      ...(choices.process && { process: rekeyed(choices.process) }),
      route: { drop: choices.route.drop.map(renamed) },
      aim: {},
    },
  };
  delete alone.gates;
  return alone;
}

/** The form of a gang with most copies of a part: which kept plates give most of it. Undefined: it is on no gang. */
export const bestFormOf = (plan: Plan, part: Id<'part'>): Form | undefined =>
  Object.values(plan.forms)
    .filter((f) => Object.hasOwn(plan.gangs, f.slot) && f.layout && copiesUp(f.layout, part) > 0)
    .sort((a, b) => (b.layout ? copiesUp(b.layout, part) : 0) - (a.layout ? copiesUp(a.layout, part) : 0))[0];

/** A job whose part lies where it lies on a form of a gang, and nowhere else: what kept plates print beside it is waste. */
export function onKeptForm(spec: JobSpec, { forms }: Pick<Plan, 'forms'>, part: Id<'part'>, kept: Form): JobSpec {
  const cells = (kept.layout?.cells ?? []).flatMap(({ part: of, x, y, nx, ny, dx, dy, turn }) =>
    of === part ? [{ x, y, nx, ny, dx, dy, turn }] : [],
  );
  const question = Object.values(forms).find((f) => f.id === part)?.question ?? '';
  if (question === '' || cells.length === 0) return spec;
  return {
    ...spec,
    choices: { ...spec.choices, layout: { ...spec.choices.layout, [part]: { value: { cells }, by: 'planner', question } } },
  };
}
