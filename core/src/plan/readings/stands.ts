import type { Id } from '../../quantity/figure';
import type { Step } from '../../flow/net';
import type { StepUnits } from '../../counts/step-units';
import type { ConsumeContext } from '../../processes/process';
import { sizeOf } from '../passes/waste';
import type { PlannedRun } from '../passes/stones';
import type { Planned } from '../plan';

/** What of a step's setting stands in its machine for whatever wants the same next: two steps with the same words find it set. */
export interface Stands {
  /** Feeder to delivery, for a paper in a size; by its grade, whatever size it was stored in. */
  paper?: string;
  /** Forms of the store that are in it: dies, foil and embossing forms. */
  tool?: string;
}

/**
 * What a step leaves set in its machine. Only forms the store keeps may be wanted by another job; what is made or bought for one job is that job's own.
 * @example a card's offset step // { paper: 'Ivory board 300, 720 × 520 mm' }
 */
export function standsOf(
  step: Step,
  units: StepUnits,
  cx: ConsumeContext,
  process: PlannedRun['stone']['process'],
  plan: Planned['plan'],
): Stands {
  const tools = step.needs.flatMap(({ tool }): Id<'tool'>[] => {
    const supply = plan.tools[tool ?? '']?.supply;
    return supply?.from === 'store' ? [supply.tool] : [];
  });
  const [widthMm, heightMm] = units.unit === null ? [0, 0] : sizeOf(units.unit, cx);
  return {
    ...(process.feeds && cx.stock && { paper: `${cx.stock.grade}, ${Math.round(widthMm)} × ${Math.round(heightMm)} mm` }),
    ...(tools.length > 0 && { tool: tools.sort().join(' ') }),
  };
}
