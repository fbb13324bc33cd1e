import type { Ledger } from '../../quantity/ledger';
import type { Plant, Shelf } from '../../plant/plant';
import type { JobSpec } from '../../product/job-spec';
import type { ConsumeContext, Consumed } from '../../processes/process';
import type { Finding } from '../../processes/finding';
import type { Plan } from '../plan-types';
import type { RoutedStone } from '../passes/resolve';

export interface FindingContext {
  plan: Plan;
  spec: JobSpec;
  plant: Plant;
  shelf: Shelf;
  ledger: Ledger;
  contexts: { stone: RoutedStone; cx: ConsumeContext; costs: Consumed['costs'] }[];
  routed: readonly RoutedStone[];
}

/** One thing a foreman would say. `nr` is its number in the house's list of findings, where it has one. */
export interface Rule {
  code: string;
  nr?: number;
  find(cx: FindingContext): Omit<Finding, 'code'>[];
}

/** The path of a wish of the product a part belongs to. */
export const wishPath = (product: string, key: string): string[] => ['products', product, 'wish', key];
