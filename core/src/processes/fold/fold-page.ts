import { idOf } from '../../quantity/id-of';
import { foldsOf } from '../../product/folds';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { choiceRow, machineRow, runningLossRow, setupKindRow } from '../rows';
import { isScored } from './is-scored';

export const foldPaper = (cx: ConsumeContext): PaperPage[] => [
  { department: 'fold', scene: true, rows: foldPanel(cx), lists: [], blanks: ['score position checked', 'first good piece signed by'] },
];

export const foldPanel = (cx: ConsumeContext): PanelRow[] => [
  machineRow(cx),
  choiceRow(cx, 'score', 'score', isScored(cx) ? 'score' : 'none', ['score', 'none']),
  { label: 'foldKind', text: foldKind(foldsOf(cx.parts[0])) },
  { label: 'panels', figure: idOf(cx.id, 'panels') },
  { label: 'foldedWidth', figure: idOf(cx.id, 'foldedMm') },
  { label: 'thickness', figure: idOf(cx.id, 'thickness') },
  { label: 'rate', figure: idOf(cx.id, 'rate'), edit: { at: settingPath(cx, 'perHour'), kind: 'count' } },
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles') },
  runningLossRow(cx),
  setupKindRow(cx),
];

export const foldSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  text: `${cx.machine.name} · ${foldsOf(cx.parts[0])} ${foldsOf(cx.parts[0]) === 1 ? 'fold' : 'folds'}${isScored(cx) ? ', scored' : ''}`,
});

/** How panels of one width fold: more than one fold can only go to and fro, as a panel that is to lie inside would have to be narrower. */
const foldKind = (folds: number): string => (folds > 1 ? 'foldZigzag' : 'foldOnce');
