/** Ways out when good pieces will be short. */
export const SHORTAGE_WAYS = ['runOn', 'short', 'rerun', 'digital', 'nextGang'] as const;
/** Of those, the ones that enter a job for the missing pieces. */
export const CHILD_WAYS = ['rerun', 'digital', 'nextGang'] as const;
export type ChildWay = (typeof CHILD_WAYS)[number];
export type ShortageWay = (typeof SHORTAGE_WAYS)[number];
