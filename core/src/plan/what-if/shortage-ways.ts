/** Ways out when good pieces will be short. */
export const SHORTAGE_WAYS = ['runOn', 'short', 'rerun', 'digital'] as const;
export type ShortageWay = (typeof SHORTAGE_WAYS)[number];
