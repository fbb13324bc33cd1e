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
