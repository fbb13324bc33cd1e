import { idOf } from '../quantity/id-of';
import type { Plan } from '../plan/plan-types';

type Row = Record<string, string | number>;

/**
 * The order sheet of a set of cylinders or a pair of rollers, a line a body: what a shop, of the house or outside, needs to make it. Nothing where a job makes none.
 */
export function cylinderRows({ parts, figures }: Pick<Plan, 'parts' | 'figures'>): Row[] {
  const value = (id: string, digits: number): number | string => {
    const known = figures[id]?.value;
    return known === undefined ? '' : Number(known.toFixed(digits));
  };
  return Object.values(parts).flatMap((part): Row[] => {
    const { roller, engraved, embossing, rollerSet } = part.traits ?? {};
    if (!roller) return [];
    const own = (key: string, digits: number): number | string => value(idOf(part.id, key), digits);
    return [
      {
        station: roller.station,
        of: roller.name,
        file: engraved?.version ?? '',
        reads: engraved?.reading ?? '',
        'diameter over chrome mm': value(roller.figures.diameterMm, 4),
        'one turn mm': value(roller.figures.turnMm, 3),
        'face mm': roller.faceMm,
        'band mm': roller.bandMm,
        'band begins mm': own('beginMm', 1),
        base: roller.base,
        'base mm': value(roller.figures.baseMm, 3),
        'copper µm': roller.plated ? value(roller.figures.copperUm, 1) : '',
        'chrome µm': roller.chromeUm,
        'engraved by': engraved?.way ?? '',
        'lines a cm': engraved?.linesPerCm ?? '',
        'angle °': engraved?.angleDeg ?? '',
        'cells a turn': own('cellsATurn', 0),
        'stylus °': engraved?.way === 'stylus' ? engraved.stylusDeg : '',
        'full cell µm': engraved?.cellUm ?? '',
        'line width mm': own('widthMm', 3),
        'depth mm': own('depthMm', 3),
        teeth: embossing?.teeth ?? '',
        owner: rollerSet?.owner ?? '',
        place: rollerSet?.place ?? '',
      },
    ];
  });
}
