import type { Plant } from '../../plant/plant';
import { practiceValue } from '../../plant/practice';
import { chromeLife } from '../../form/chrome-life';
import { formatNumber } from '../../words/format';
import type { Planned } from '../plan';

/** A cylinder or embossing roller that a job makes, as its card in the tool store has it. */
export interface RollerMade {
  /** Its part; of a second set and on with the number of the set. */
  part: string;
  ink: string;
  version: string;
  spec: string;
  side: string;
  /** Face, and what one turn prints. */
  sizeMm: [faceMm: number, turnMm: number];
  owner: string;
  place: string;
  /** Turns on its chrome. */
  life: number;
}

/** What lies in the store, of every set that was wanted, once a job of the cylinder shop is done. */
export const rollersMade = ({ plan, ledger, plant }: Pick<Planned, 'plan' | 'ledger'> & { plant: Plant }): RollerMade[] =>
  Object.values(plan.parts).flatMap((part): RollerMade[] => {
    const { roller, engraved, rollerSet } = part.traits ?? {};
    if (!roller) return [];
    const turnMm = Math.round(ledger.value(roller.figures.turnMm) * 1_000) / 1_000;
    const words = [
      roller.name,
      engraved ? `station ${roller.station}, ${engraved.linesPerCm}/cm ${engraved.angleDeg}°` : 'embossing roller',
      `turn ${formatNumber(turnMm, 3, true)} mm, face ${roller.faceMm} mm`,
      roller.base === '' ? '' : `base ${roller.base}`,
    ];
    const sets = Math.round(ledger.value(plan.items[part.item]?.wanted ?? ''));
    return Array.from({ length: sets }, (_, i) => ({
      part: i === 0 ? part.id : `${part.id}.${i + 1}`,
      ink: roller.name,
      version: engraved?.version ?? '',
      spec: [...words, sets > 1 ? `${i + 1} of ${sets}` : ''].filter(Boolean).join(', ').slice(0, 120),
      side: 'one',
      sizeMm: [roller.faceMm, turnMm] as RollerMade['sizeMm'],
      owner: rollerSet === undefined || rollerSet.owner === '' ? 'works' : rollerSet.owner,
      place: rollerSet?.place ?? '',
      life: Math.round(chromeLife(practiceValue(plant, 'cylinders.lifeTurns'), roller.name)),
    }));
  });
