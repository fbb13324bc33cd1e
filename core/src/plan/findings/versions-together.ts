import { idOf } from '../../quantity/id-of';
import { platesOfInk } from '../../form/plates';
import type { Rule } from './rule';

/** Versions that change plates: what is counted for all of them together, said before the release. */
export const versionsTogether: Rule = {
  code: 'versions.together',
  find: ({ ledger, contexts, plan }) =>
    contexts.flatMap(({ cx, stone }) => {
      if (!stone.process.forms || cx.versions.length < 2) return [];
      const inks = [...new Set(cx.parts.flatMap((p) => p.colours.flat()))];
      const changes = Math.max(0, ...inks.map((ink) => platesOfInk(ink, cx.versions).length - 1));
      if (changes === 0 || !plan.figures[idOf(cx.id, 'plates')]) return [];
      return [
        {
          level: 'know',
          at: cx.id,
          figure: idOf(cx.id, 'plates'),
          args: { versions: cx.versions.length, plates: ledger.value(idOf(cx.id, 'plates')), changes },
          remedies: [],
        },
      ];
    }),
};
