import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, machineTerm } from '../process';
import { settingRow } from '../rows';

export const stackPaper = (cx: ConsumeContext): PaperPage[] => [
  { department: 'packing', scene: true, rows: stackPanel(cx), lists: [], blanks: ['stacks counted', 'label on each stack'] },
];

export const stackSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'run'),
  text: `${cx.parts[0]?.traits?.web?.sheetsAStack ?? 1} sheets each`,
});

export function stackPanel(cx: ConsumeContext): PanelRow[] {
  return [
    { label: 'stacks', figure: idOf(cx.id, 'run') },
    { label: 'sheetsAStack', text: String(cx.parts[0]?.traits?.web?.sheetsAStack ?? 1) },
    settingRow(cx, 'secondsAStack', 'secondsEach', practiceTerm(cx.plant, 'stack.wrapS'), { kind: 'seconds', unit: 's' }),
    settingRow(cx, 'people', 'people', machineTerm(cx, 'crew'), { kind: 'count' }),
    { label: 'clockTime', figure: idOf(cx.id, 'clockS') },
    { label: 'film', figure: idOf(cx.id, 'cost') },
  ];
}
