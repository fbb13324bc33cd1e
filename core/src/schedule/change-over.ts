import { inkLightness } from '../ink/ink-order';
import type { Changed, KeyChange } from './problem';

/**
 * What is changed on a machine between what stands in it and what the next work wants: key by key, where the work says what it wants; what it leaves open stays as it is.
 *
 * Formula: Σ seconds of every key that differs; longer where a lighter ink follows a darker one. Nothing stands in it: nothing is taken out, but what has to be
 * set is set (`from` is then ''). A key that is wanted as '' is known to be unlike any other, and is in the make-ready. Source: common practice, no source.
 * @example changesBetween([{ key: 'stock', s: 600 }], { stock: 'a' }, { stock: 'b' }) // [{ key: 'stock', from: 'a', to: 'b', s: 600 }]
 */
export function changesBetween(
  change: readonly KeyChange[],
  stands: Readonly<Record<string, string>>,
  wants: Readonly<Record<string, string>>,
): Changed[] {
  return change.flatMap(({ key, s, lighterS, isSet }): Changed[] => {
    const [from, to] = [stands[key] ?? (isSet ? '' : undefined), wants[key]];
    if (from === undefined || to === undefined || to === '' || from === to) return [];
    const isLighter = lighterS !== undefined && inkLightness(from) < inkLightness(to);
    return [{ key, from, to, s: isLighter ? lighterS : s }];
  });
}
