import type { Id } from '../../quantity/figure';
import type { Part } from '../../product/part';
import type { RouteStone } from '../../families/family';

/** A stone as a family wishes it, before a process and a machine are found for it. */
export interface StoneWish extends Pick<RouteStone, 'key' | 'process' | 'settings' | 'each' | 'prints'> {
  id: Id<'stone'>;
  parts: Part[];
  family: string;
  products: Id<'product'>[];
  /** The stone whose setting it finds in the machine: of a larger order of the same outline. */
  follows?: Id<'stone'>;
}
