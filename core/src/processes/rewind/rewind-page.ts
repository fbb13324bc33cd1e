import { idOf } from '../../quantity/id-of';
import { formatNumber } from '../../words/format';
import { practiceTerm } from '../../plant/practice';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, machineTerm } from '../process';
import { settingRow } from '../rows';

export const rewindPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'sheeting',
    scene: true,
    rows: rewindPanel(cx),
    lists: [{ title: 'splices', head: ['roll', 'at piece', 'taken out'], rows: Array.from({ length: 4 }, () => ['', '', '']) }],
    blanks: ['winding direction', 'core glued or slotted', 'pieces on a roll counted'],
  },
];

export const rewindSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'run'),
  text: `${cx.parts[0]?.traits?.web?.piecesARoll ?? 1} a roll`,
});

export function rewindPanel(cx: ConsumeContext): PanelRow[] {
  return [
    { label: 'finishedRolls', figure: idOf(cx.id, 'run') },
    { label: 'piecesARoll', text: formatNumber(cx.parts[0]?.traits?.web?.piecesARoll ?? 1) },
    { label: 'cores', figure: idOf(cx.id, 'cores.demand') },
    settingRow(cx, 'secondsARoll', 'secondsEach', practiceTerm(cx.plant, 'rewind.secondsEach'), { kind: 'seconds', unit: 's' }),
    settingRow(cx, 'people', 'people', machineTerm(cx, 'crew'), { kind: 'count' }),
    { label: 'clockTime', figure: idOf(cx.id, 'clockS') },
  ];
}
