import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { copyPlaces } from '../../layout/layout';
import { ordersOnForm } from '../parted-step';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process } from '../process';
import { machineRow, runningLossRow, settingRow } from '../rows';

export const breakOutPanel = (cx: ConsumeContext): PanelRow[] => [
  machineRow(cx),
  { label: 'sheetsPerLift', figure: idOf(cx.id, 'perLift') },
  settingRow(cx, 'liftHeight', 'liftMm', practiceTerm(cx.plant, 'breakOut.liftMm'), { kind: 'length', unit: 'mm' }),
  { label: 'lifts', figure: idOf(cx.id, 'lifts') },
  { label: 'breakingTime', figure: idOf(cx.id, 'breakingS') },
  runningLossRow(cx),
];

export const breakOutSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'lifts'),
  text: cx.machine.name,
});

export const breakOutPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'breaking',
    scene: true,
    rows: breakOutPanel(cx),
    lists: [
      ...ordersOnForm(cx),
      {
        title: 'stacks',
        head: ['place', 'from the lay side', 'from the gripper edge', 'stack of'],
        rows: cx.layout
          ? copyPlaces(cx.layout).map((p, i) => [
              String(i + 1),
              `${Math.round(p.x)} mm`,
              `${Math.round(p.y)} mm`,
              cx.parts.find((part) => part.id === p.part)?.product ?? '',
            ])
          : [],
      },
    ],
    blanks: ['spoilt, by place', 'blanks a stack counted', 'flags laid', 'hammer taken by turns'],
  },
];
