import { idOf } from '../../quantity/id-of';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, machineTerm } from '../process';
import { machineRow, runningLossRow, settingRow } from '../rows';

export const digitalPanel = (cx: ConsumeContext): PanelRow[] => [
  machineRow(cx),
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles') },
  runningLossRow(cx),
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
