import { idOf } from '../../quantity/id-of';
import { foldsOf } from '../../product/folds';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath, wordSetting } from '../process';
import { isScored } from './is-scored';

export const foldPaper = (cx: ConsumeContext): PaperPage[] => [
  { department: 'fold', scene: true, rows: foldPanel(cx), lists: [], blanks: ['score position checked', 'first good piece signed by'] },
];

export const foldPanel = (cx: ConsumeContext): PanelRow[] => [
  { label: 'machine', text: cx.machine.name },
  {
    label: 'score',
    text: isScored(cx) ? 'score' : 'none',
    edit: {
      at: settingPath(cx, 'score'),
      kind: 'choice',
      options: [
        { value: 'score', says: 'score' },
        { value: 'none', says: 'none' },
      ],
    },
  },
  { label: 'foldKind', text: foldKind(foldsOf(cx.parts[0])) },
  { label: 'panels', figure: idOf(cx.id, 'panels') },
  { label: 'foldedWidth', figure: idOf(cx.id, 'foldedMm') },
  { label: 'thickness', figure: idOf(cx.id, 'thickness') },
  { label: 'rate', figure: idOf(cx.id, 'rate'), edit: { at: settingPath(cx, 'perHour'), kind: 'count' } },
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles') },
  { label: 'runningLoss', figure: idOf(cx.id, 'runningPpm'), edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' } },
  {
    label: 'setupKind',
    text: wordSetting(cx, 'repeat', 'new'),
    edit: {
      at: settingPath(cx, 'repeat'),
      kind: 'choice',
      options: [
        { value: 'new', says: 'new' },
        { value: 'repeat', says: 'repeat' },
      ],
    },
  },
];

export const foldSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  text: `${cx.machine.name} · ${foldsOf(cx.parts[0])} ${foldsOf(cx.parts[0]) === 1 ? 'fold' : 'folds'}${isScored(cx) ? ', scored' : ''}`,
});

/** How panels of one width fold: more than one fold can only go to and fro, as a panel that is to lie inside would have to be narrower. */
const foldKind = (folds: number): string => (folds > 1 ? 'foldZigzag' : 'foldOnce');
