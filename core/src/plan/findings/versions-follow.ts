import { idOf } from '../../quantity/id-of';
import { changesInOrder, fewestChanges } from '../../form/version-order';
import { editAt } from '../../product/edit';
import type { Remedy } from '../../processes/finding';
import type { Rule } from './rule';

/** Versions that change plates run one after another: how many plates that takes, and whether another order changes fewer. */
export const versionsFollow: Rule = {
  code: 'versions.follow',
  find: ({ spec, ledger, contexts }) =>
    contexts.flatMap(({ cx, stone }) => {
      if (!stone.process.forms || cx.versions.length < 2) return [];
      const changes = changesInOrder(cx.prints, cx.versions);
      if (changes === 0 || !ledger.has(idOf(cx.id, 'plates'))) return [];
      const better = fewestChanges(cx.prints, cx.versions);
      const fewest = changesInOrder(cx.prints, better);
      const [product] = stone.products;
      const remedies: Remedy[] =
        fewest < changes && product !== undefined && stone.products.length === 1
          ? [
              {
                do: 'edit',
                says: 'remedy.versionOrder',
                args: { changes: fewest, order: better.map((b) => cx.versions.find((v) => v.id === b.id)?.name ?? b.id).join(', ') },
                edits: [
                  editAt(
                    spec,
                    ['choices', 'versions', product],
                    better.map((v) => v.id),
                  ),
                ],
              },
            ]
          : [];
      return [
        {
          level: remedies.length > 0 ? 'decide' : 'know',
          at: cx.stone,
          figure: idOf(cx.id, 'plates'),
          args: { versions: cx.versions.length, plates: ledger.value(idOf(cx.id, 'plates')), changes },
          remedies,
        },
      ];
    }),
};
