import type { Id } from '../../quantity/figure';
import { ceilTolerant } from '../../quantity/round-tolerant';
import { copyPlaces, type Layout } from '../../layout/layout';
import { type Edit, editAt } from '../../product/edit';
import { type JobSpec, orderedQuantity } from '../../product/job-spec';
import type { Part } from '../../product/part';
import type { Finding } from '../../processes/finding';
import { notKept } from '../readings/gang-kept';
import { type GangMember, gangRowsOf } from '../readings/gang-rows';
import type { FindingContext, Rule } from './rule';

const gangs = ({ plan, spec }: FindingContext): ReturnType<typeof gangRowsOf> => gangRowsOf(plan, spec).filter((g) => !g.refused);

/** A form that somebody set too short: an order that lies on it would lack blanks, so it runs on. */
export const gangRunsOn: Rule = {
  code: 'gang.runsOn',
  find: (cx) =>
    gangs(cx).flatMap((gang) =>
      gang.forms.flatMap((form, i): Omit<Finding, 'code'>[] => {
        if (form.set === null || form.sheets <= form.set) return [];
        const scarce = gang.members.filter((m) => (m.copies[i] ?? 0) > 0).reduce((a, b) => (b.over < a.over ? b : a));
        const more = (run?: number): object[] =>
          (cx.spec.choices.gangs?.[gang.id]?.forms ?? []).map((f, k) => (k === i ? { copies: f.copies, ...(run && { run }) } : f));
        return [
          {
            level: 'decide',
            at: form.id,
            args: {
              form: form.name || gang.id,
              order: scarce.product,
              set: form.set,
              sheets: form.sheets,
              missing: (form.sheets - form.set) * (scarce.copies[i] ?? 1),
            },
            remedies: [
              {
                do: 'edit',
                says: 'remedy.runForm',
                args: { sheets: form.sheets },
                edits: [editAt(cx.spec, ['choices', 'gangs', gang.id, 'forms'], more(form.sheets))],
              },
            ],
          },
        ];
      }),
    ),
};

/** More over of an order than its customer takes, or the works keeps: all such orders are named. */
export const gangOver: Rule = {
  code: 'gang.over',
  find: (cx) =>
    gangs(cx).flatMap((gang): Omit<Finding, 'code'>[] => {
      const over = gang.members.filter((m) => m.mostOver !== null && m.over > m.mostOver);
      if (over.length === 0) return [];
      const edits = taken(over, cx.spec);
      return [
        {
          level: 'release',
          at: gang.id,
          args: { orders: over.map((m) => m.product).join(', '), blanks: over.reduce((sum, m) => sum + m.over - (m.mostOver ?? 0), 0) },
          remedies: [
            { do: 'ask', says: 'remedy.solveGang', desk: 'planning' },
            ...(edits.length > 0 ? [{ do: 'edit' as const, says: 'remedy.takeOver', args: {}, edits }] : []),
          ],
        },
      ];
    }),
};

/** No order is agreed to take more than twice what it asked. */
const MOST_OVER_PPM = 1_000_000;
/** The orders take as many over as lie on the forms; nothing where that is more than may be agreed. */
function taken(over: readonly GangMember[], spec: JobSpec): Edit[] {
  const edits = over.flatMap((m) =>
    Object.entries(spec.items).flatMap(([id, item]) =>
      item.product === m.product ? [{ id, ppm: ceilTolerant((1e6 * m.over) / Math.max(orderedQuantity(item), 1)) + 1 }] : [],
    ),
  );
  return edits.some((e) => e.ppm > MOST_OVER_PPM) ? [] : edits.map(({ id, ppm }) => editAt(spec, ['items', id, 'overs', 'overPpm'], ppm));
}

/** More than so much of a form left empty is worth a second look. Common practice, no source. */
const EMPTY = 1 / 4;
export const gangEmpty: Rule = {
  code: 'gang.empty',
  find: (cx) =>
    gangs(cx).flatMap(({ forms, places, open }) =>
      forms.flatMap((form): Omit<Finding, 'code'>[] =>
        places !== null && open !== null && open - form.taken > EMPTY * places + 1e-9
          ? [
              {
                level: 'decide',
                at: form.id,
                args: { form: form.name, empty: open - form.taken, places },
                remedies: [{ do: 'ask', says: 'remedy.solveGang', desk: 'planning' }],
              },
            ]
          : [],
      ),
    ),
};

/** What a planner holds to and the forms as they lie do not: an order beside one it is kept apart from, or off the form it belongs to. */
export const gangKept: Rule = {
  code: 'gang.kept',
  find: (cx) =>
    gangs(cx).flatMap((gang): Omit<Finding, 'code'>[] =>
      notKept(gang).map(({ form, order, other }) => ({
        level: 'decide',
        at: gang.id,
        args: { form, order, other: other ?? '' },
        remedies: [{ do: 'ask', says: 'remedy.solveGang', desk: 'planning' }],
      })),
    ),
};

/** Orders that look alike share a form, and no reader tells them apart at the gluer. */
export const gangLookAlike: Rule = {
  code: 'gang.lookAlike',
  nr: 58,
  find: (cx) =>
    gangs(cx).flatMap(({ id, members }) =>
      members.flatMap((m): Omit<Finding, 'code'>[] => {
        const traits = cx.plan.parts[m.part]?.traits;
        const other = members.find((o) => o !== m && traits?.looksLike === o.product);
        if (!other || (traits?.readerCode && cx.plan.parts[other.part]?.traits?.readerCode)) return [];
        return [
          {
            level: 'decide',
            at: id,
            args: { order: m.product, other: other.product },
            remedies: [{ do: 'ask', says: 'remedy.reader', desk: 'prepress' }],
          },
        ];
      }),
    ),
};

/** How much more an ink may cover of one place in a lane than of another. Common practice, no source. */
const MOST_TIMES = 3;
/** What is typed as less covers as good as nothing: it is taken for so much. */
const LEAST_PERCENT = 5;

/** In one lane of a form an ink is wanted much more by one order than by another: its zone starves the one or floods the other. */
export const gangStarves: Rule = {
  code: 'gang.starves',
  nr: 19,
  find: (cx) =>
    gangs(cx).flatMap(({ forms }) =>
      forms.flatMap((form): Omit<Finding, 'code'>[] => {
        const layout = cx.plan.forms[form.id]?.layout;
        const [worst] = layout ? unevenLanes(layout, cx.plan.parts).sort((a, b) => b.times - a.times) : [];
        if (!worst) return [];
        return [
          {
            level: 'decide',
            at: form.id,
            args: { form: form.name, ink: worst.ink, hungry: worst.hungry, light: worst.light, times: ceilTolerant(worst.times) },
            remedies: [{ do: 'ask', says: 'remedy.otherLane', desk: 'planning' }],
          },
        ];
      }),
    ),
};

interface Uneven {
  ink: string;
  hungry: string;
  light: string;
  times: number;
}
/** Lanes run along the sheet; what lies at the same distance from the side shares ink zones. Only what was typed or measured is compared. */
function unevenLanes(layout: Layout, parts: Readonly<Record<Id<'part'>, Part>>): Uneven[] {
  const lanes = new Map<number, Set<Id<'part'>>>();
  for (const p of copyPlaces(layout)) lanes.set(Math.round(p.x), (lanes.get(Math.round(p.x)) ?? new Set()).add(p.part));
  return [...lanes.values()].flatMap((lane) => {
    const members = [...lane].flatMap((id) => parts[id] ?? []);
    const inks = new Set(members.flatMap((p) => p.colours[0]));
    return [...inks].flatMap((ink): Uneven[] => {
      const cover = members.flatMap((p) => {
        const percent = p.coveragePercent[ink];
        return percent === undefined ? [] : [{ product: p.product, percent: Math.max(percent, LEAST_PERCENT) }];
      });
      if (cover.length < 2) return [];
      const hungry = cover.reduce((a, b) => (b.percent > a.percent ? b : a));
      const light = cover.reduce((a, b) => (b.percent < a.percent ? b : a));
      const times = hungry.percent / light.percent;
      return times > MOST_TIMES + 1e-9 ? [{ ink, hungry: hungry.product, light: light.product, times }] : [];
    });
  });
}
