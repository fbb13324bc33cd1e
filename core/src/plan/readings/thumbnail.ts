import { sceneSvg } from '../../scene/scene-svg';
import { familyOf } from '../../families/registry';
import type { Plant } from '../../plant/plant';
import type { JobSpec } from '../../product/job-spec';

/** A small picture of the product for lists: the family's own drawing without its dimensions. Empty where nothing is made here. */
export function thumbnailSvg(spec: JobSpec, plant: Plant): string {
  const made = Object.values(spec.products).find((p) => p.kind === 'made');
  if (made?.kind !== 'made') return '';
  const scene = familyOf(made.family).picture(made.wish, plant);
  return sceneSvg({ ...scene, shapes: scene.shapes.filter((s) => s.role !== 'dimension' && s.kind !== 'text') }, scene.box.w / 60);
}
