import { idOf } from '../../quantity/id-of';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { machineRow, runningLossRow, settingRow } from '../rows';
import { ofForm } from '../web-time';
import { dies } from './dies-on-cylinder';

export const rollDiePaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'sheeting',
    scene: true,
    rows: rollDiePanel(cx),
    lists: [],
    blanks: ['die number', 'cuts the face only, liner not marked', 'matrix draws off whole', 'print to die measured'],
  },
];

export const rollDieSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'matrixKg'),
  text: cx.machine.name,
});

export function rollDiePanel(cx: ConsumeContext): PanelRow[] {
  const gapMm = cx.parts[0]?.traits?.web?.gapMm ?? 0;
  return [
    machineRow(cx),
    {
      label: 'dieSize',
      text: `${cx.parts[0]?.widthMm ?? 0} × ${cx.parts[0]?.heightMm ?? 0} mm, ${cx.ledger.value(ofForm(cx, 'copiesUp'))} a turn`,
    },
    { label: 'teeth', figure: ofForm(cx, 'teeth') },
    { label: 'dieTurn', figure: ofForm(cx, 'repeatMm') },
    { label: 'bridge', text: `${gapMm} mm` },
    settingRow(cx, 'diesToMake', 'dies', dies(cx), { kind: 'count' }),
    { label: 'setupRepeats', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupMetres'), kind: 'count' } },
    runningLossRow(cx),
    { label: 'metres', figure: idOf(cx.id, 'metres') },
    { label: 'matrixShare', figure: idOf(cx.id, 'matrixShare') },
    { label: 'matrixMass', figure: idOf(cx.id, 'matrixKg') },
  ];
}
