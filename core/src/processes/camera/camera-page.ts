import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process } from '../process';
import { machineRow, settingRow } from '../rows';

export const cameraPanel = (cx: ConsumeContext): PanelRow[] => [
  machineRow(cx),
  settingRow(cx, 'tolerance', 'toleranceMm', practiceTerm(cx.plant, 'camera.toleranceMm'), { kind: 'length', unit: 'mm' }),
  { label: 'repeatsRead', figure: idOf(cx.id, 'run') },
  { label: 'readsASecond', figure: idOf(cx.id, 'readsASecond') },
];

export const cameraPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'inspection',
    scene: true,
    rows: cameraPanel(cx),
    lists: [
      {
        title: 'rejectList',
        head: ['roll', 'from metre', 'to metre', 'fault', 'sheets'],
        rows: Array.from({ length: 6 }, () => ['', '', '', '', '']),
      },
    ],
    blanks: ['reference cut stored', 'test fault seen at start, at every roll'],
  },
];

export const cameraSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({ text: cx.machine.name });
