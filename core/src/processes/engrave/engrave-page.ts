import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process } from '../process';
import { settingRow } from '../rows';
import { imageOf } from './die-image';

export const engravePaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'engraving',
    scene: true,
    rows: engravePanel(cx),
    lists: [
      {
        title: 'dieChecks',
        head: ['die', 'depth measured', 'edges whole under the loupe', 'reads the wrong way round', 'first strike, signed'],
        rows: Array.from({ length: Math.min(Math.ceil(cx.ledger.value(idOf(cx.id, 'run'))), MOST_LISTED) }, (_, i) => [
          String(i + 1),
          '',
          '☐',
          '☐',
          '',
        ]),
      },
    ],
    blanks: ['artwork version', 'tool numbers given', 'place in the tool store'],
  },
];

export const engraveSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'run'),
  text: cx.machine.name,
});

/** More dies than this in one job are listed on further sheets of the engraver's own. */
const MOST_LISTED = 40;

export function engravePanel(cx: ConsumeContext): PanelRow[] {
  const { face, widthMm, heightMm } = imageOf(cx);
  return [
    { label: 'stock', text: cx.stock?.name ?? '' },
    { label: 'dieFace', text: face },
    { label: 'dieImage', text: `${widthMm} × ${heightMm} mm` },
    settingRow(cx, 'dieDepth', 'depthMm', practiceTerm(cx.plant, 'foilDie.depthMm'), { kind: 'length', unit: 'mm' }),
    { label: 'diesToMake', figure: idOf(idOf(cx.id, 'out'), 'demand') },
    settingRow(cx, 'engravePerCm2', 'perCm2S', practiceTerm(cx.plant, 'foilDie.engravePerCm2S'), { kind: 'seconds', unit: 's' }),
    settingRow(cx, 'dieLook', 'lookS', practiceTerm(cx.plant, 'foilDie.lookS'), { kind: 'seconds', unit: 's' }),
    { label: 'runTime', figure: idOf(cx.id, 'runS') },
  ];
}
