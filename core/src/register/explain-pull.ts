import { fitRegister, type RegisterFit } from './fit';
import type { Setting } from './corrections';
import type { Pulled } from './practice-press';

/** Where one way of setting stood before a pull and stands after it. Millimetres; of cocking at the right end, over the sheet's width. */
export interface WayExplained {
  ink: string;
  by: Setting['by'];
  set: number;
  before: number;
  after: number;
  /** Nearer than before; past the middle; farther off; left though it was off; not off before, and not set is not told. */
  verdict: 'nearer' | 'past' | 'farther' | 'left';
}

const WAYS: readonly Setting['by'][] = ['lateral', 'round', 'cock'];
/** Less than this share of the tolerance is nothing anybody would set. House rule. */
const WORTH = 0.25;

function standsAt(fit: RegisterFit, by: Setting['by'], widthMm: number): number {
  const term = fit.terms[by === 'lateral' ? 'shiftX' : by === 'round' ? 'shiftY' : 'slantY'];
  const value = term.known ? term.value : 0;
  return by === 'cock' ? (value * widthMm) / 1000 : value;
}

/**
 * What each correction did: where the colour lay by the marks before, what was set, and where it lies now; and what was off and left alone. A pull that
 * went past the middle is told apart from one that went the wrong way: the first wants less, the second the other sign.
 *
 * @example a colour 0.20 mm to the right, set −0.30: `{ by: 'lateral', set: −0.3, before: 0.2, after: −0.1, verdict: 'past' }`
 */
export function explainPull(before: Pulled, after: Pulled, settings: Readonly<Record<string, readonly Setting[]>>): WayExplained[] {
  const { marks, sheetMm, toleranceMm } = before.press;
  const least = WORTH * toleranceMm;
  return before.readings.flatMap(({ ink, readings }) => {
    const now = after.readings.find((r) => r.ink === ink);
    if (!now) return [];
    const [was, is] = [fitRegister(marks, readings, sheetMm), fitRegister(marks, now.readings, sheetMm)];
    return WAYS.flatMap((by): WayExplained[] => {
      const set = (settings[ink] ?? []).filter((s) => s.by === by).reduce((sum, s) => sum + s.mm, 0);
      const [stood, stands] = [standsAt(was, by, sheetMm[0]), standsAt(is, by, sheetMm[0])];
      if (set === 0) return Math.abs(stood) > least ? [{ ink, by, set, before: stood, after: stands, verdict: 'left' }] : [];
      const past = Math.abs(stands) > least && Math.sign(stands) !== Math.sign(stood) && Math.sign(set) !== Math.sign(stood);
      const verdict = past ? 'past' : Math.abs(stands) <= Math.max(Math.abs(stood), least) ? 'nearer' : 'farther';
      return [{ ink, by, set, before: stood, after: stands, verdict }];
    });
  });
}
