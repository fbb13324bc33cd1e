import type { Artwork } from '../../product/artwork';
import { requiredToleranceMm } from '../../register/tolerance';
import type { Finding, Remedy } from '../../processes/finding';
import type { Rule } from './rule';

/** Type below this, reversed out of several inks, fills in; finer lines break. Common practice, no source. */
const SMALL_TYPE_PT = 6;
const FINE_LINE_MM = 0.1;
const prepress = (says: string): Remedy[] => [{ do: 'ask', says, desk: 'prepress' }];

/** Small type reversed out of several inks, or a line too fine for the plate. */
export const typeSmall: Rule = {
  code: 'type.small',
  nr: 27,
  find: ({ plan }) =>
    Object.values(plan.parts).flatMap(({ id, artwork = {} }): Omit<Finding, 'code'>[] => {
      const { smallestTypePt: pt, typeInks = 1, finestLineMm: line } = artwork;
      if (pt !== undefined && pt < SMALL_TYPE_PT && typeInks >= 2)
        return [{ level: 'decide', at: id, args: { what: 'type', pt, inks: typeInks }, remedies: prepress('remedy.oneInkOrTrap') }];
      if (line !== undefined && line < FINE_LINE_MM)
        return [{ level: 'decide', at: id, args: { what: 'line', line, least: FINE_LINE_MM }, remedies: prepress('remedy.thickerLine') }];
      return [];
    }),
};

/** A coat lies where glue is to hold. */
export const coatOnGlue: Rule = {
  code: 'coat.onGlue',
  nr: 33,
  find: ({ plan }) =>
    Object.values(plan.parts).flatMap(({ id, artwork }) =>
      artwork?.coatOnGlue === true ? [{ level: 'release', at: id, args: {}, remedies: prepress('remedy.knockOut') }] : [],
    ),
};

/** What the press holds by its card; the trade's middle where the card is silent. Common practice, no source. */
const USUAL_HOLDS_MM = 0.125;
const asks = (artwork: Artwork | undefined): number | null => (artwork ? requiredToleranceMm(artwork) : null);

/** The finest overprint of the artwork asks for more register than the press's card says it holds. */
export const overprintFine: Rule = {
  code: 'register.finest',
  nr: 38,
  find: ({ contexts }) =>
    contexts.flatMap(({ cx }) => {
      const all = cx.parts.flatMap((p) => asks(p.artwork) ?? []);
      const asked = Math.min(...all);
      if (all.length === 0 || !('units' in cx.machine.limits)) return [];
      const holds = cx.machine.limits.registerMm ?? USUAL_HOLDS_MM;
      return asked >= holds ? [] : [{ level: 'decide', at: cx.id, args: { asked, holds }, remedies: prepress('remedy.trapOrRedraw') }];
    }),
};
