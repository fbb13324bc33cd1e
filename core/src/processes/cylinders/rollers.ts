import type { Part } from '../../product/part';
import type { Roller } from '../../product/roller';
import type { DraftContext } from '../process';

/** A body with the part that it is. */
export interface OneRoller {
  part: Part;
  roller: Roller;
}
/** The rollers of a run, each with its part. */
export const rollersOf = ({ parts }: Pick<DraftContext, 'parts'>): OneRoller[] =>
  parts.flatMap((part) => (part.traits?.roller ? [{ part, roller: part.traits.roller }] : []));
