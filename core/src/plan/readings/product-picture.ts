import type { Scene } from '../../scene/scene';
import { familyOf } from '../../families/registry';
import type { JobSpec } from '../../product/job-spec';

/** The finished product as a drawing with its dimension lines; a field's place on it is the shape with its ref. Null where nothing is made here. */
export function productPicture(spec: JobSpec): Scene | null {
  const made = Object.values(spec.products).find((p) => p.kind === 'made');
  return made?.kind === 'made' ? familyOf(made.family).picture(made.wish) : null;
}
