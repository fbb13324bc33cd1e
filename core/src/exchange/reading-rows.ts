import type { Shelf } from '../plant/plant';
import { allowedSays, isWithin, measureName, unitSays } from '../quality/measure';
import type { Planned } from '../plan/plan';
import { stoneName } from '../plan/readings/stone-name';

/** All that is measured of a job, a line a reading: at which step, what is allowed, the newest reading, whether it lies within, and whose it is. */
export const readingRows = (
  { contexts }: Pick<Planned, 'contexts'>,
  { measured = {} }: Pick<Shelf, 'measured'>,
): Record<string, string | number>[] =>
  contexts.flatMap(({ stone, cx, shown }) =>
    (stone.process.measures?.(cx) ?? []).map((m) => {
      const reading = measured[cx.id]?.[m.key];
      return {
        step: stoneName(shown),
        reading: measureName(m),
        unit: m.asked ? 'yes 1, no 0' : unitSays(m),
        allowed: allowedSays(m),
        measured: reading?.value ?? '',
        within: reading === undefined ? '' : isWithin(m, reading.value) ? 'yes' : 'no',
        by: reading?.by ?? '',
      };
    }),
  );
