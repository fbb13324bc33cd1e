import { isFromTheDrum } from '../product/ink-names';
import type { Part } from '../product/part';
import { printsOf } from './form';

type AlikePart = Pick<Part, 'layouter' | 'traits' | 'grade' | 'colours' | 'food'>;

/** What orders that share a sheet must have alike, and what is said where they have not. Sheet, die, coating and inks are one for all. Source: common practice. */
const ALIKE: readonly (readonly [why: string, of: (part: AlikePart) => string])[] = [
  ['gang.unlikeForm', (p) => p.layouter],
  ['gang.unlikeOutline', (p) => JSON.stringify(p.traits?.blank?.die.outline ?? null)],
  ['gang.unlikeStock', (p) => p.grade ?? ''],
  ['gang.unlikeCoating', (p) => JSON.stringify([p.colours.map((side) => side.filter(isFromTheDrum)), p.traits?.lampCoat ?? null])],
  ['gang.unlikeFood', (p) => String(p.food ?? false)],
  ['gang.unlikeSides', (p) => p.colours.map((side) => side.length > 0).join()],
  [
    'gang.unlikeColours',
    (p) =>
      printsOf([p.colours])
        .map((side) => [...side].sort().join())
        .join('|'),
  ],
];

/**
 * Why two parts cannot lie on one sheet; null: they can.
 * @example whyUnlike({ layouter: 'rectangle', colours: [['K'], []], grade: 'A' }, { layouter: 'rectangle', colours: [['K'], []], grade: 'B' }) // 'gang.unlikeStock'
 */
export const whyUnlike = (a: AlikePart, b: AlikePart): string | null => ALIKE.find(([, of]) => of(a) !== of(b))?.[0] ?? null;
