import { foldedStates } from '../../signature/folded-states';
import { partsOf } from '../../signature/section-size';
import type { LaidSection } from '../../signature/sheet-pages';

/** One station of the folder: how the sheet comes to it, how far it runs in, what is folded. */
export interface FoldStation {
  nr: number;
  /** The sheet as it enters: along its run, and across. */
  runMm: number;
  acrossMm: number;
  stopMm: number;
  /** Turned by a right angle since the station before. */
  turns: boolean;
  /** Which part of what is drawn runs in first, and whether it comes to lie over or under the rest. */
  moves: string;
  dir: 'over' | 'under';
}

const sum = (mm: readonly number[]): number => mm.reduce((a, b) => a + b, 0);

/** A section's way through the folder, station by station. Source: geometry. */
export function foldStations(section: LaidSection): FoldStation[] {
  const states = foldedStates(section);
  return states.flatMap(({ columnsMm, rowsMm, next }, i): FoldStation[] => {
    if (next?.do !== 'fold') return [];
    const [along, across] = next.axis === 'V' ? [columnsMm, rowsMm] : [rowsMm, columnsMm];
    const before = states[i - 1]?.next;
    return [
      {
        nr: i + 1,
        runMm: sum(along),
        acrossMm: sum(across),
        stopMm: sum(partsOf(along, next).moved),
        turns: before !== undefined && before.axis !== next.axis,
        moves: next.move,
        dir: next.dir,
      },
    ];
  });
}

/** The longest way through any station: it sets the rate. */
export const longestRunMm = (section: LaidSection): number => Math.max(...foldStations(section).map((s) => s.runMm));
