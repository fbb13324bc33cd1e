import { allowedSays, isWithin, measureName, readingSays } from '../../quality/measure';
import type { Finding } from '../../processes/finding';
import type { Rule } from './rule';

/** A reading that lies outside what is allowed: what comes after it waits. */
export const measureOff: Rule = {
  code: 'measure.off',
  find: ({ contexts, shelf }) =>
    contexts.flatMap(({ stone, cx }) => {
      const readings = shelf.measured?.[cx.id];
      if (!readings || !stone.process.measures) return [];
      return stone.process.measures(cx).flatMap((m): Omit<Finding, 'code'>[] => {
        const reading = readings[m.key];
        if (!reading || isWithin(m, reading.value)) return [];
        return [
          {
            level: 'start',
            at: cx.id,
            args: {
              what: measureName(m),
              of: cx.parts.map((p) => p.name ?? '').join(', '),
              is: readingSays(m, reading.value),
              allowed: allowedSays(m),
              by: reading.by,
            },
            remedies: [{ do: 'ask', says: 'remedy.stageAgain', desk: 'floor' }],
          },
        ];
      });
    }),
};

/** Whoever made an image released it too: nobody sees the own faults. */
export const ownRelease: Rule = {
  code: 'release.own',
  find: ({ contexts, shelf: { signed = {} } }) =>
    contexts.flatMap(({ stone, cx }): Omit<Finding, 'code'>[] => {
      if (!stone.process.approves) return [];
      const parts = new Set(cx.parts.map((p) => p.id));
      const makers = contexts.filter((c) => c.stone.process.images && c.cx.parts.some((p) => parts.has(p.id)));
      const made = new Set(makers.flatMap((c) => signed[c.cx.id] ?? []));
      const both = (signed[cx.id] ?? []).filter((who) => made.has(who));
      return both.length === 0
        ? []
        : [
            {
              level: 'close',
              at: cx.id,
              args: { who: both.join(', ') },
              remedies: [{ do: 'ask', says: 'remedy.secondPerson', desk: 'floor' }],
            },
          ];
    }),
};
