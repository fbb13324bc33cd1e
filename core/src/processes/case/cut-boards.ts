import type { Formula } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { sheetScene } from '../../layout/sheet-scene';
import { type ConsumeContext, type PanelRow, type Process, settingPath } from '../process';
import { partedStep } from '../parted-step';
import { partedWaste } from '../guillotine/parted-waste';
import { machineRow, runningLossRow } from '../rows';
import { usualLosses } from '../step-losses';
import { speedTerm, timeAndCost } from '../time-and-cost';

const LOSSES = { setup: 'cutBoards.setupSheets', running: 'cutBoards.runningPpm' } as const;
/** A sheet goes through the round knives twice: along, then its strips across, all side by side. Source: arithmetic. */
const PASSES: Formula<'sheets'> = { id: 'case.passes', unit: 'cycle', source: 'arithmetic', of: ({ sheets }) => 2 * sheets };

const mm = (value: number): string => `${Math.round(value * 100) / 100}`;
/** More are said as so many alike. */
const MOST_STOPS = 10;
/** Where the knives stand for one direction, from the fence: the first trims the edge. */
function knives(cx: ConsumeContext, by: 'x' | 'y'): string {
  const cell = cx.layout?.cells[0];
  if (!cell) return '–';
  const [first, number, pitch] = by === 'x' ? [cell.x, cell.nx, cell.dx] : [cell.y, cell.ny, cell.dy];
  // From the first cut on the fence moves to the fresh edge.
  const stops =
    number > MOST_STOPS ? `${number} times ${mm(pitch)}` : Array.from({ length: number }, (_, i) => mm((i + 1) * pitch)).join(' · ');
  return `trim ${mm(first)}, then ${stops} mm`;
}
const piece = ({ parts }: ConsumeContext): string => `${mm(parts[0]?.widthMm ?? 0)} × ${mm(parts[0]?.heightMm ?? 0)} mm`;

const panel = (cx: ConsumeContext): PanelRow[] => [
  machineRow(cx),
  { label: 'pieceSize', text: piece(cx) },
  { label: 'piecesUp', figure: idOf(cx.form?.id ?? '', 'copiesUp') },
  { label: 'knivesAlong', text: knives(cx, 'y') },
  { label: 'knivesAcross', text: knives(cx, 'x') },
  { label: 'knifePasses', figure: idOf(cx.id, 'passes') },
  { label: 'trimWaste', figure: idOf(cx.id, 'trimKg') },
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
  runningLossRow(cx),
];

/** Boards and strips cut from sheets by round knives: narrower than any gauge of a guillotine, and square in two passes. */
export const cutBoards: Process = {
  id: 'cutBoards',
  reach: 'sheet',
  losses: LOSSES,
  parts: true,
  straightCuts: true,
  asks: (cx) => ({
    squareMm: practiceTerm(cx.plant, 'cutBoards.squareMm'),
    ...(cx.machine.maxSheetMm && { maxSheetMm: cx.machine.maxSheetMm }),
  }),
  draft: (cx) => partedStep(cx, { unit: 'piece', losses: usualLosses(cx, LOSSES), waits: [], cautions: ['roundKnives'] }),
  consume(cx) {
    cx.ledger.figure(idOf(cx.id, 'passes'), PASSES, { sheets: fig(idOf(cx.id, 'run')) });
    return {
      costs: timeAndCost(cx, { step: cx.id, cycles: fig(idOf(cx.id, 'passes')), perHour: speedTerm(cx) }),
      ...partedWaste(cx),
    };
  },
  scene: (cx) => ({
    ...sheetScene(cx.layout, cx.parts, cx.stock, cx.workStyle, practiceTerm(cx.plant, 'layout.colourBarMm')),
    title: 'cut of boards',
  }),
  panel,
  paper: (cx) => [
    {
      department: 'binding',
      scene: true,
      rows: [{ label: 'grainLies', text: 'along the height of every piece, as it will lie along the spine' }, ...panel(cx)],
      lists: [],
      blanks: ['first sheet: four pieces measured, square', 'grain bent by hand on one piece', 'pieces counted, bundled'],
    },
  ],
  summary: (cx) => ({ figure: idOf(cx.form?.id ?? '', 'copiesUp'), text: cx.machine.name }),
};
