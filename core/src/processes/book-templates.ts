import type { Plant } from '../plant/plant';
import type { Part } from '../product/part';
import type { Scene } from '../scene/scene';
import { coverScene } from './adhesive-bind/cover-spread';
import { openCaseOf, openCaseScene, coveringOf } from './case/case-scene';
import { jacketScene } from './case/jacket';

/** What a customer draws the outside of a book on, at true size: the cover of a softcover; case and jacket of a hardcover. None for what has no such outside. */
export function bookTemplates(parts: readonly Part[], plant: Plant): Scene[] {
  const open = openCaseOf(parts);
  return [
    ...(parts.some((p) => p.traits?.spread) ? [coverScene({ parts: [...parts], plant })] : []),
    ...(open ? [openCaseScene(open, coveringOf(parts)?.traits?.cased?.titles)] : []),
    ...(parts.some((p) => p.traits?.jacket) ? [jacketScene(parts)] : []),
  ];
}
