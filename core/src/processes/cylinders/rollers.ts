import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import type { Part } from '../../product/part';
import type { Roller } from '../../product/roller';
import type { ConsumeContext, DraftContext } from '../process';

/** A body with the part that it is. */
export interface OneRoller {
  part: Part;
  roller: Roller;
}
/** The copper that a body wants: by its base as it was measured, where it was; else by the order. */
export const copperFigure = ({ id, ledger }: Pick<ConsumeContext, 'id' | 'ledger'>, { figures }: Roller): Id<'figure'> =>
  ledger.has(idOf(id, 'copperUm')) ? idOf(id, 'copperUm') : figures.copperUm;
/** The rollers of a run, each with its part. */
export const rollersOf = ({ parts }: Pick<DraftContext, 'parts'>): OneRoller[] =>
  parts.flatMap((part) => (part.traits?.roller ? [{ part, roller: part.traits.roller }] : []));
/** The station of a cylinder on a page; rollers of a pair have none. */
export const stationCell = ({ part, roller }: OneRoller): string => (part.traits?.engraved ? String(roller.station) : '–');
