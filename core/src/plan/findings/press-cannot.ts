import { type Abilities } from '../../plant/abilities';
import { machinesFor } from '../../plant/plant';
import { idOf } from '../../quantity/id-of';
import { unitInks } from '../../processes/press-inks';
import { editAt } from '../../product/edit';
import type { Finding } from '../../processes/finding';
import type { FindingContext, Rule } from './rule';

type Found = Omit<Finding, 'code'>;

/** Machines of the plant that do the same work and pass a test, as remedies that send the stone there. */
function otherPresses(
  { spec, plant }: FindingContext,
  stone: string,
  process: string,
  suits: (limits: Abilities) => boolean,
): Finding['remedies'] {
  return machinesFor(plant, process)
    .filter(([, m]) => suits(m.limits))
    .slice(0, 1)
    .map(([id, m]) => ({
      do: 'edit',
      says: 'remedy.otherMachine',
      args: { machine: m.name },
      edits: [editAt(spec, ['choices', 'machine', stone], id)],
    }));
}

/** Ink that dries under a lamp, on a press that has none: it would never dry. */
export const noLamps: Rule = {
  code: 'press.noLamps',
  find: (all) =>
    all.contexts.flatMap(({ cx }): Found[] => {
      if (!('units' in cx.machine.limits) || (cx.machine.limits.lamps ?? 0) > 0) return [];
      return [cx.inkSeries, cx.coatSeries].flatMap((series, i): Found[] =>
        series?.lampDried
          ? [
              {
                level: 'release',
                at: cx.id,
                args: { series: series.name, machine: cx.machine.name },
                remedies: [
                  {
                    do: 'edit',
                    says: 'remedy.usualSeries',
                    args: {},
                    edits: [editAt(all.spec, ['choices', 'settings', cx.id, i === 0 ? 'series' : 'coatSeries'], undefined)],
                  },
                  ...otherPresses(all, cx.stone, cx.process, (l) => (l.lamps ?? 0) > 0),
                ],
              },
            ]
          : [],
      );
    }),
};

/** More inks in one pass than the press has units. */
export const unitsShort: Rule = {
  code: 'press.unitsShort',
  find: (all) =>
    all.contexts.flatMap(({ cx }): Found[] => {
      const units = cx.machine.limits.units;
      const most = Math.max(0, ...cx.stepIds.map((id) => unitInks(all.plan.steps[id]?.inks ?? [], cx.machine).length));
      if (units === undefined || most <= units) return [];
      return [
        {
          level: 'release',
          at: cx.id,
          args: { inks: most, units, machine: cx.machine.name },
          remedies: otherPresses(all, cx.stone, cx.process, (l) => (l.units ?? 0) >= most),
        },
      ];
    }),
};

/** A repeat the press has no cylinder for. */
export const repeatCannot: Rule = {
  code: 'press.repeatCannot',
  find: (all) =>
    all.contexts.flatMap(({ cx }): Found[] => {
      const { minRepeatMm = 0, maxRepeatMm } = cx.machine.limits;
      const repeat = idOf(cx.form?.id ?? '', 'repeatMm');
      if (maxRepeatMm === undefined || !all.ledger.has(repeat)) return [];
      const mm = all.ledger.value(repeat);
      if (mm >= minRepeatMm - 1e-6 && mm <= maxRepeatMm + 1e-6) return [];
      const byHand = cx.settings['repeatMm'] !== undefined;
      return [
        {
          level: 'release',
          at: cx.id,
          figure: repeat,
          args: { repeatMm: Math.round(mm * 10) / 10, leastMm: minRepeatMm, mostMm: maxRepeatMm },
          remedies: byHand
            ? [
                {
                  do: 'edit',
                  says: 'remedy.repeatFound',
                  args: {},
                  edits: [editAt(all.spec, ['choices', 'settings', cx.id, 'repeatMm'], undefined)],
                },
              ]
            : otherPresses(all, cx.stone, cx.process, (l) => (l['minRepeatMm'] ?? 0) <= mm && (l['maxRepeatMm'] ?? 0) >= mm),
        },
      ];
    }),
};
