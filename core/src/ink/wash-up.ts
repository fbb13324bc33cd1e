import { inkLightness } from './ink-order';

/** What is done to a unit between two jobs: nothing, a wash, or one with care where a lighter ink follows a darker. */
export type Wash = 'none' | 'wash' | 'deep';
/** Minutes a unit. Common practice, no source: the works' own log takes their place once there is one. */
export const WASH_MINUTES: Readonly<Record<Wash, number>> = { none: 0, wash: 8, deep: 20 };

export interface WashUp {
  units: { unit: number; from: string; to: string; wash: Wash }[];
  minutes: number;
}

/**
 * What washing a press takes between two ink sequences, unit by unit; a unit that is left empty keeps its ink until somebody needs it.
 * `foreign`: what stands in the units must not get into the next job, whatever its colour (ink of another series before a job that touches food).
 *
 * Formula: Σ minutes of each unit: none where the ink stays, deep where a lighter one follows or the old one is foreign, a wash otherwise. One person washes one unit after the other.
 * Source: common practice, no source.
 * @example washUpBetween(['Y'], ['Y']).minutes // 0
 */
export function washUpBetween(before: readonly string[], after: readonly string[], foreign = false): WashUp {
  const units = after.map((to, i) => {
    const from = before[i] ?? '';
    const wash: Wash =
      from === '' ? 'none' : foreign ? 'deep' : from === to ? 'none' : inkLightness(from) < inkLightness(to) ? 'deep' : 'wash';
    return { unit: i + 1, from, to, wash };
  });
  return { units, minutes: units.reduce((n, u) => n + WASH_MINUTES[u.wash], 0) };
}
