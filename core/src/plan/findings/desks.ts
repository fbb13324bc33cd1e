import type { FindingContext, Rule } from './rule';
import { isFromTheDrum, isMixedInk } from '../../product/ink-names';

/** Inks that a stone prints and somebody mixes. */
const mixedInks = (cx: FindingContext['contexts'][number]['cx']): string[] =>
  'units' in cx.machine.limits ? [...new Set(cx.parts.flatMap((p) => p.colours.flat()))].filter(isMixedInk) : [];

/** A mixed ink without an accepted draw-down: the press does not begin. */
export const noDrawDown: Rule = {
  code: 'ink.noDrawDown',
  nr: 29,
  find: ({ contexts, shelf }) =>
    contexts.flatMap(({ cx }) =>
      mixedInks(cx)
        .filter((ink) => shelf.desks?.inks[ink]?.accepted !== true)
        .map((ink) => ({
          level: 'start' as const,
          at: cx.id,
          args: { ink },
          remedies: [{ do: 'ask' as const, says: 'remedy.drawDown', desk: 'ink kitchen' }],
        })),
    ),
};

/** What the print must stand, and no card says that its inks do: of a mixed ink its recipe, of the others and of varnish and coating their series. */
export const notFast: Rule = {
  code: 'ink.notFast',
  nr: 35,
  find: ({ contexts, shelf }) =>
    contexts.flatMap(({ cx }) => {
      const asked = cx.parts[0]?.artwork?.stands ?? [];
      if (asked.length === 0 || !('units' in cx.machine.limits)) return [];
      const mixed = mixedInks(cx);
      const printed = cx.parts.flatMap((p) => p.colours.flat());
      const coat = printed.find(isFromTheDrum);
      const series = printed.some((ink) => !mixed.includes(ink) && !isFromTheDrum(ink));
      const weak = asked.flatMap((use) => [
        ...(series && cx.inkSeries?.fast?.includes(use) !== true ? [{ use, what: cx.inkSeries?.name ?? '' }] : []),
        ...(coat !== undefined && cx.coatSeries?.fast?.includes(use) !== true ? [{ use, what: cx.coatSeries?.name ?? coat }] : []),
        ...mixed.filter((ink) => shelf.desks?.inks[ink]?.fast?.includes(use) !== true).map((ink) => ({ use, what: ink })),
      ]);
      return weak.slice(0, 1).map((args) => ({
        level: 'decide' as const,
        at: cx.id,
        args: { ...args, more: weak.length - 1 },
        remedies: [{ do: 'ask' as const, says: 'remedy.otherPigment', desk: 'ink kitchen' }],
      }));
    }),
};

/** Forms made from another version of the artwork than the one somebody said yes to. */
export const platesOld: Rule = {
  code: 'plates.version',
  nr: 23,
  find: ({ plan, shelf }) => {
    const approved = shelf.desks?.approved ?? null;
    return approved === null
      ? []
      : Object.entries(shelf.desks?.forms ?? {}).flatMap(([stone, { versions }]) => {
          const old = versions.filter((v) => v !== approved);
          return old.length === 0 || !plan.stones.some((s) => s.id === stone)
            ? []
            : [
                {
                  level: 'release' as const,
                  at: stone,
                  args: { made: old[0] ?? '', approved, forms: old.length },
                  remedies: [{ do: 'ask' as const, says: 'remedy.remakePlates', desk: 'tool store' }],
                },
              ];
        });
  },
};

/** After the fit a colour stays out of register: what no setting removes. */
export const registerLeft: Rule = {
  code: 'register.left',
  nr: 39,
  find: ({ plan, shelf }) =>
    (shelf.desks?.register ?? [])
      .filter((r) => r.leftMm > r.toleranceMm)
      .flatMap(({ step, ink, leftMm, toleranceMm, remedy }) => {
        const stone = plan.stones.find((s) => s.steps.includes(step));
        return stone
          ? [
              {
                level: 'decide' as const,
                at: stone.id,
                args: { ink, leftMm: Math.round(leftMm * 1000) / 1000, toleranceMm, remedy },
                remedies: [{ do: 'ask' as const, says: 'remedy.register', desk: 'register desk' }],
              },
            ]
          : [];
      }),
};
