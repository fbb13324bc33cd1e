import type { Plan } from '../plan/plan-types';
import { placesOf } from '../layout/layout';
import type { JobSpec } from '../product/job-spec';
import { gangRowsOf } from '../plan/readings/gang-rows';
import { stoneName } from '../plan/readings/stone-name';

type Row = Record<string, string | number>;

/** A plan as rows for a spreadsheet: a line a stone, numbers as numbers, moments as ISO 8601 in UTC. */
export function planRows(plan: Plan): Row[] {
  const value = (id: string | null): number | '' => (id === null ? '' : (plan.figures[id]?.value ?? ''));
  const unit = (id: string | null): string => (id === null ? '' : (plan.figures[id]?.unit ?? ''));
  return plan.stones.map((s) => ({
    stone: stoneName(s),
    machine: s.machineName,
    in: value(s.in),
    'unit in': unit(s.in),
    lost: s.lost.reduce((sum, l) => sum + (plan.figures[l.figure]?.value ?? 0), 0),
    out: value(s.out),
    'unit out': unit(s.out),
    'setup s': value(s.setupS),
    'run s': value(s.runS),
    start: isoMoment(value(s.startAt)),
    end: isoMoment(value(s.endAt)),
  }));
}

/** Orders that share sheets, a line an order and form it lies on: where, how often, what the form runs, and what of the order is over from all forms. */
export function gangCopyRows(plan: Plan, spec: JobSpec): Row[] {
  return gangRowsOf(plan, spec).flatMap(({ id, forms, members }) =>
    members.flatMap(({ part, product, copies, over }) =>
      forms.flatMap((form, i): Row[] => {
        const layout = plan.forms[form.id]?.layout;
        const places = layout ? placesOf(layout, part) : [];
        return (copies[i] ?? 0) > 0
          ? [
              {
                gang: id,
                order: product,
                form: form.name,
                places: places.join(' '),
                copies: copies[i] ?? 0,
                'good sheets': form.sheets,
                over,
              },
            ]
          : [];
      }),
    ),
  );
}

/** Every figure of a plan with its formula and what is set by hand, a line each. */
export function figureRows(plan: Plan): Row[] {
  return Object.entries(plan.figures).map(([figure, f]) => ({
    figure,
    value: f.value,
    unit: f.unit,
    'plus or minus': f.pm ?? 0,
    formula: f.formula,
    'set by hand because': f.instead?.reason ?? '',
  }));
}

const isoMoment = (epochS: number | ''): string => (epochS === '' || epochS > 8.64e12 ? '' : new Date(epochS * 1000).toISOString());
