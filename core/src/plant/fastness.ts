/** What a pigment must stand where it is used. */
export const FASTNESS = ['light', 'lye', 'fat', 'heat'] as const;
export type Fastness = (typeof FASTNESS)[number];
