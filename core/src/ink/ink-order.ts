/** Schools of ink order. Each sorts the process inks; special inks and varnish follow in the order they were asked for. Source: handbook, from memory. */
export const INK_ORDER_SCHOOLS = {
  blackFirst: ['K', 'C', 'M', 'Y'],
  cyanFirst: ['C', 'M', 'Y', 'K'],
  yellowFirst: ['Y', 'M', 'C', 'K'],
} as const satisfies Record<string, readonly string[]>;
export type InkOrderSchool = keyof typeof INK_ORDER_SCHOOLS;

/** The inks of a pass in printing order; nothing is lost or doubled. */
export function inkOrder(inks: readonly string[], school: InkOrderSchool): string[] {
  const process: readonly string[] = INK_ORDER_SCHOOLS[school];
  const place = (ink: string): number => (process.includes(ink) ? process.indexOf(ink) : process.length + inks.indexOf(ink));
  return [...inks].sort((a, b) => place(a) - place(b));
}

const FROM_DARK_TO_LIGHT = ['K', 'C', 'M', 'special', 'Y'] as const;

/** How light an ink is, from 0 (black): a unit that goes to a lighter ink is washed with more care. Special inks stand in the middle. Source: common practice, no source. */
export const inkLightness = (ink: string): number => {
  const at = FROM_DARK_TO_LIGHT.findIndex((known) => known === ink);
  return at < 0 ? FROM_DARK_TO_LIGHT.indexOf('special') : at;
};
