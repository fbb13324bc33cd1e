import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { platesOfInk } from '../../form/plates';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process } from '../process';
import { settingRow } from '../rows';
import { plateSets } from './plate-sets';

export const platemakingPanel = (cx: ConsumeContext): PanelRow[] => [
  { label: 'plates', figure: idOf(cx.id, 'plates') },
  ...plateSets(cx).map((s) => ({
    label: s.side === 'both' ? 'formBoth' : s.side === 'front' ? 'formFront' : 'formBack',
    text: s.inks.join(' '),
  })),
  { label: 'imaging', figure: idOf(cx.id, 'runS') },
  settingRow(cx, 'imagingEach', 'imagingS', practiceTerm(cx.plant, 'plate.imagingS'), { kind: 'seconds', unit: 's' }),
  { label: 'cost', figure: idOf(cx.id, 'cost') },
];

export const platemakingPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'prepress',
    scene: true,
    rows: platemakingPanel(cx),
    lists: [
      {
        title: 'forms',
        head: ['form', 'ink', 'artwork', 'for', 'checked'],
        rows: plateSets(cx).flatMap((s) =>
          s.inks.flatMap((ink) =>
            platesOfInk(ink, cx.versions).map((version) => [
              s.side,
              ink,
              cx.shelf.desks?.approved ?? 'not approved yet',
              version || 'all',
              '☐ scratches  ☐ smallest element',
            ]),
          ),
        ),
      },
    ],
    blanks: ['proof number and date', 'wedge measured (aim 50 % = 50 % on the plate)', 'register holes punched', 'remakes: cause, time'],
  },
];

export const platemakingSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'plates'),
  text: cx.machine.name,
});
