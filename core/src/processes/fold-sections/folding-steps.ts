import type { FoldProgram } from '../../signature/fold-model';
import { foldStopsMm } from '../../signature/section-size';
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
export function foldStations({ program, columnsMm, rowsMm }: LaidSection): FoldStation[] {
  const stops = foldStopsMm(program, { columnsMm, rowsMm, widthMm: sum(columnsMm), heightMm: sum(rowsMm) });
  let [columns, rows] = [columnsMm, rowsMm];
  return program.steps.flatMap((step, i): FoldStation[] => {
    const sizes = step.axis === 'V' ? columns : rows;
    const [runMm, acrossMm] = step.axis === 'V' ? [sum(columns), sum(rows)] : [sum(rows), sum(columns)];
    const before: FoldProgram['steps'][number] | undefined = program.steps[i - 1];
    const isFirst = step.move === 'left' || step.move === 'top';
    const stays = isFirst ? sizes.slice(step.line) : sizes.slice(0, step.line);
    if (step.axis === 'V') columns = stays;
    else rows = stays;
    return step.do === 'fold'
      ? [
          {
            nr: i + 1,
            runMm,
            acrossMm,
            stopMm: stops[i] ?? 0,
            turns: before !== undefined && before.axis !== step.axis,
            moves: step.move,
            dir: step.dir,
          },
        ]
      : [];
  });
}

/** The longest way through any station: it sets the rate. */
export const longestRunMm = (section: LaidSection): number => Math.max(...foldStations(section).map((s) => s.runMm));

/** Pages in words: "3–10, 35–42". */
export function foliosSay(pages: readonly (number | null)[]): string {
  const known = pages.flatMap((p) => p ?? []);
  const runs: [number, number][] = [];
  for (const page of known) {
    const last = runs.at(-1);
    if (last && page === last[1] + 1) last[1] = page;
    else runs.push([page, page]);
  }
  return runs.map(([from, until]) => (from === until ? String(from) : `${from}–${until}`)).join(', ');
}

/** The two pages that lie open in a section's middle. */
export function centreSpread({ pages }: Pick<LaidSection, 'pages'>): string {
  const half = pages.length / 2;
  return `${pages[half - 1] ?? 'blank'} / ${pages[half] ?? 'blank'}`;
}
