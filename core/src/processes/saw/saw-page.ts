import { idOf } from '../../quantity/id-of';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, machineTerm } from '../process';
import { settingRow } from '../rows';
import { blanksAPlate } from './blanks-a-plate';

export const sawPaper = (cx: ConsumeContext): PaperPage[] => [
  { department: 'engraving', scene: true, rows: sawPanel(cx), lists: [], blanks: ['blanks measured', 'left over, back to the rack'] },
];

export const sawSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({ figure: idOf(cx.id, 'run'), text: cx.machine.name });

export function sawPanel(cx: ConsumeContext): PanelRow[] {
  const [part] = cx.parts;
  return [
    { label: 'stock', text: cx.stock?.name ?? '' },
    { label: 'dieBlank', text: `${part?.widthMm ?? 0} × ${part?.heightMm ?? 0} mm` },
    { label: 'blanksToSaw', figure: idOf(idOf(cx.id, 'out'), 'demand') },
    { label: 'blanksAPlate', text: String(blanksAPlate(cx)) },
    settingRow(cx, 'speed', 'perHour', machineTerm(cx, 'netPerHour'), { kind: 'count', unit: 'an hour' }),
    { label: 'runTime', figure: idOf(cx.id, 'runS') },
  ];
}
