import { idOf } from '../../quantity/id-of';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, machineTerm, settingPath, settingRow } from '../process';

export const digitalPanel = (cx: ConsumeContext): PanelRow[] => [
  { label: 'machine', text: cx.machine.name },
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles') },
  {
    label: 'runningLoss',
    figure: idOf(cx.id, 'runningPpm'),
    edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' },
  },
  settingRow(cx, 'speed', 'perHour', machineTerm(cx, 'netPerHour'), { kind: 'count', unit: 'an hour' }),
  { label: 'clicks', figure: idOf(cx.id, 'clicks') },
];

export const digitalPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'press',
    scene: true,
    rows: digitalPanel(cx),
    lists: [],
    blanks: ['matched to the OK sheet of the first run', 'first sheet signed by'],
  },
];

export const digitalSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({ text: `${cx.machine.name} · without plates` });
