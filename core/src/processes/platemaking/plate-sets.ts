import { pressPasses, WORK_STYLES } from '../../layout/work-style';
import { inkOrder } from '../../ink/ink-order';
import type { DraftContext } from '../process';

/** The plates of a part as forms: front and back apart where there are two forms, one set where the form carries both sides. */
export function plateSets(cx: Pick<DraftContext, 'workStyle' | 'prints'>): { side: string; inks: string[] }[] {
  return pressPasses(cx.workStyle, cx.prints, { units: 1e3, perfects: true })
    .filter((p) => !p.samePlates)
    .flatMap((p) => p.prints)
    .map(({ side, inks }) => ({
      side: WORK_STYLES[cx.workStyle].forms === 1 && WORK_STYLES[cx.workStyle].sides === 2 ? 'both' : side,
      inks,
    }))
    .map(({ side, inks }) => ({ side, inks: inkOrder(inks, 'blackFirst') }));
}
