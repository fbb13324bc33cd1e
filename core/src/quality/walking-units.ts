/** First readings of a unit in job after job: what it was off before anything was set. */
export interface FirstReading {
  unit: number;
  /** The job it was read in, newest last. */
  job: string;
  shiftXMm: number;
  shiftYMm: number;
}
export interface WalkingUnit {
  unit: number;
  way: 'lateral' | 'round';
  /** In so many of the last jobs, the same way. */
  jobs: number;
  of: number;
  meanMm: number;
}
/** Looked back so far; walking if so many of them lie the same way, farther than a loupe reads. */
const LOOK_BACK = 7;
const SAME_WAY = 5;
const SEEN_MM = 0.03;

/** Units that stand off the same way in at least five of their last seven jobs: something mechanical, not the plate. Common practice, no source. */
export function walkingUnits(first: readonly FirstReading[]): WalkingUnit[] {
  const units = [...new Set(first.map((f) => f.unit))].sort((a, b) => a - b);
  return units.flatMap((unit) => {
    const last = first.filter((f) => f.unit === unit).slice(-LOOK_BACK);
    return (['lateral', 'round'] as const).flatMap((way): WalkingUnit[] => {
      const values = last.map((f) => (way === 'lateral' ? f.shiftXMm : f.shiftYMm));
      for (const sign of [1, -1]) {
        const same = values.filter((v) => sign * v > SEEN_MM);
        if (same.length >= SAME_WAY)
          return [{ unit, way, jobs: same.length, of: values.length, meanMm: same.reduce((a, b) => a + b, 0) / same.length }];
      }
      return [];
    });
  });
}
