import type { Part } from '../product/part';
import { creepLevel, creepMm } from './creep';
import type { LaidSection } from './sheet-pages';

/** Papers of a nested booklet as its part knows them, from the outermost sheet to the innermost; µm. */
const calipersOf = (part: Part, caliperUm: number): number[] => {
  const { pages, outsideUm } = part.traits?.bound ?? { pages: 0, outsideUm: 0 };
  return [...(outsideUm > 0 ? [outsideUm] : []), ...Array.from({ length: Math.ceil(pages / 4) }, () => caliperUm)];
};

/**
 * How far each leaf of a section stands out at the face: pages by the sheets outside them. None where a part is not stitched.
 * Source: geometry; schools common practice, no source.
 */
export function sectionCreep(part: Part, section: LaidSection, caliperUm: number): { level: number; mm: number; pages: number[] }[] {
  const stitched = part.traits?.stitched;
  if (!stitched) return [];
  const calipersUm = calipersOf(part, caliperUm);
  const levels = new Map<number, number[]>();
  section.pages.forEach((page, i) => {
    if (page === null) return;
    const level = creepLevel({ k: i + 1, sectionPages: section.pages.length, sheetsOutside: section.outside / 2 });
    levels.set(level, [...(levels.get(level) ?? []), page]);
  });
  const school = stitched.creep === 'dummy' ? { measuredMm: stitched.dummyMm } : { school: stitched.creep };
  return [...levels]
    .sort(([a], [b]) => a - b)
    .map(([level, pages]) => ({ level, mm: creepMm({ calipersUm, level, ...school }), pages: pages.sort((a, b) => a - b) }));
}
