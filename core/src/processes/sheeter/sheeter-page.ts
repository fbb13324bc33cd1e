import { idOf } from '../../quantity/id-of';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { machineRow, runningLossRow } from '../rows';
import { ofForm } from '../web-time';

export const sheeterPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'sheeting',
    scene: true,
    rows: sheeterPanel(cx),
    lists: [{ title: 'splices', head: ['roll', 'at metre', 'taken out'], rows: Array.from({ length: 4 }, () => ['', '', '']) }],
    blanks: ['cut length measured', 'perforation torn by hand, even', 'slit goes through the liner only'],
  },
];

export const sheeterSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: ofForm(cx, 'cutLength'),
  text: cx.machine.name,
});

export function sheeterPanel(cx: ConsumeContext): PanelRow[] {
  return [
    machineRow(cx),
    { label: 'cutLength', figure: ofForm(cx, 'cutLength') },
    { label: 'sheetsARepeat', figure: ofForm(cx, 'sheetsARepeat') },
    { label: 'piecesASheet', figure: ofForm(cx, 'piecesASheet') },
    { label: 'perforations', figure: idOf(cx.id, 'perforations') },
    { label: 'backSlits', figure: idOf(cx.id, 'backSlits') },
    { label: 'metres', figure: idOf(cx.id, 'metres') },
    { label: 'setupRepeats', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupMetres'), kind: 'count' } },
    runningLossRow(cx),
    { label: 'metresAMinute', figure: idOf(cx.id, 'metresAMinute') },
    { label: 'trimWaste', figure: idOf(cx.id, 'trimKg') },
  ];
}
