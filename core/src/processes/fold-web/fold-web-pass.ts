import { inInkOrder, type Pass } from '../press-inks';
import type { DraftContext } from '../process';

/** The web's one run: both sides, unit by unit. */
export function foldWebPass(cx: DraftContext): Pass {
  const prints = (['front', 'back'] as const)
    .map((side, i) => ({ side, inks: inInkOrder(cx, cx.prints[i] ?? []) }))
    .filter((p) => p.inks.length > 0);
  const inks = prints.flatMap((p) => p.inks);
  return { id: cx.id, of: cx.id, side: 'both', prints, samePlates: false, inks, version: cx.version, hung: inks, again: false };
}
