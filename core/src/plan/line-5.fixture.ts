import '../families/disc-sleeve-wish';
import { type GangForm, type JobSpec, NO_CHOICES } from '../product/job-spec';
import type { DiscSleeveWish } from '../families/disc-sleeve-wish';

/** Six radio plays, smallest first, as they were ordered. */
export const RADIO_PLAYS = { fog: 600, harbour: 1_000, kiln: 1_500, lantern: 2_000, mill: 3_000, orchard: 6_000 } as const;
export type RadioPlay = keyof typeof RADIO_PLAYS;

/** Copies of the two forms they are worked on by hand. */
export const TWO_FORMS: GangForm[] = [
  { copies: { 'kiln.blank': 1, 'lantern.blank': 1, 'mill.blank': 2, 'orchard.blank': 4 } },
  { copies: { 'fog.blank': 2, 'harbour.blank': 3, 'lantern.blank': 2 } },
];

/** Line 5 as the trade describes it: six radio plays in two panels, lined, one tray and one disc each, on sleeve board of 0.40 mm, ganged. */
export const sleeveSpec = (
  forms: GangForm[] = TWO_FORMS,
  plays: Partial<Record<RadioPlay, number>> = RADIO_PLAYS,
  wish: Partial<DiscSleeveWish> = {},
): JobSpec => ({
  schema: 1,
  name: 'Radio plays, autumn',
  items: Object.fromEntries(
    Object.entries(plays).map(([id, quantity]) => [
      id,
      {
        orderLine: null,
        product: id,
        versions: { only: { name: 'only', quantity, changes: [] } },
        deliveries: [],
        overs: { underPpm: 0, overPpm: 100_000, extra: 'customer' as const },
        pieces: 'alike' as const,
        balanced: false,
      },
    ]),
  ),
  products: Object.fromEntries(
    Object.keys(plays).map((id) => [
      id,
      {
        kind: 'made' as const,
        family: 'disc-sleeve' as const,
        wish: {
          style: 'twoPanels' as const,
          lining: 'bonded' as const,
          widthMm: 136,
          heightMm: 122,
          depthMm: 5.2,
          tray2: true,
          discs: 1,
          discsFrom: 'customer' as const,
          coat: 'gloss' as const,
          shrink: true,
          front: ['K', 'C', 'M', 'Y'],
          grade: 'Sleeve board 300',
          ...wish,
        },
      },
    ]),
  ),
  choices: {
    ...NO_CHOICES,
    machine: { 'plays.print': 'press8' },
    gangs: { plays: { parts: Object.keys(plays).map((id) => `${id}.blank`), forms } },
  },
  overrides: {},
  decisions: {},
});
