import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, machineTerm } from '../process';
import { settingRow } from '../rows';

export const bandPaper = (cx: ConsumeContext): PaperPage[] => [
  { department: 'packing', scene: true, rows: bandPanel(cx), lists: [], blanks: ['bands counted'] },
];

export const bandPanel = (cx: ConsumeContext): PanelRow[] => [
  { label: 'perBand', text: String(cx.parts[0]?.traits?.packed?.perBand ?? 1) },
  { label: 'bands', figure: idOf(cx.id, 'bands') },
  settingRow(cx, 'secondsABand', 'secondsEach', practiceTerm(cx.plant, 'pack.bandS'), { kind: 'seconds', unit: 's' }),
  settingRow(cx, 'people', 'people', machineTerm(cx, 'crew'), { kind: 'count' }),
  { label: 'clockTime', figure: idOf(cx.id, 'clockS') },
];

export const bandSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'bands'),
  text: `${cx.parts[0]?.traits?.packed?.perBand ?? 1} a band`,
});
