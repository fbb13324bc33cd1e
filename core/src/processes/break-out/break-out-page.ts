import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { copyPlaces, cutByDie } from '../../layout/layout';
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
        rows: stacksOf(cx),
      },
    ],
    blanks: ['spoilt, by place', 'blanks a stack counted', 'flags laid', 'hammer taken by turns'],
  },
];

/** The stacks as they come apart, by the places of the die; what nothing lies on goes to waste. */
function stacksOf({ layout, parts }: ConsumeContext): string[][] {
  if (!layout) return [];
  const copies = copyPlaces(layout);
  return copyPlaces(cutByDie(layout)).map((place, i) => {
    const copy = copies.find((c) => c.x === place.x && c.y === place.y);
    return [
      String(i + 1),
      `${Math.round(place.x)} mm`,
      `${Math.round(place.y)} mm`,
      copy ? (parts.find((part) => part.id === copy.part)?.product ?? '') : 'nothing printed: waste',
    ];
  });
}
