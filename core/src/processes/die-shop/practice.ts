import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const DIE_SHOP_PRACTICE = {
  'dieShop.marginMm': fixed(20, 'mm', 'practice', 'board left around the sheet to hold the die by; common practice, no source'),
  'dieShop.ruleS': range(180, 300, 's', 'practice', 'slotting, bending and setting a metre of rule; common practice, no source'),
  'dieShop.rubberS': fixed(40, 's', 'practice', PRACTICE),
  'dieShop.platesS': range(
    10_800,
    18_000,
    's',
    'practice',
    'counter plate, stripping frame, blanking grid, proof; common practice, no source',
  ),
} as const satisfies Record<string, Practice>;
