import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { platesOfInk } from '../../form/plates';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process } from '../process';
import { settingRow } from '../rows';
import { boxOfCopies } from '../../layout/layout';
import { knockOutMm2 } from '../../product/blank';
import { isFromTheDrum } from '../../product/ink-names';
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
    rows: [...platemakingPanel(cx), ...coatForm(cx)],
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

/** The form of a coat that is kept off the joints of blanks: what it covers, and how much of each blank it leaves free. */
function coatForm({ parts, layout, prints }: ConsumeContext): PanelRow[] {
  const off = parts.reduce((sum, p) => sum + knockOutMm2(p), 0);
  if (!layout || off === 0 || !prints.flat().some(isFromTheDrum)) return [];
  const [w, h] = boxOfCopies(layout);
  return [{ label: 'coatForm', text: `${tenths(w)} × ${tenths(h)} mm, ${tenths(off / 100)} cm² a blank left free where it is glued` }];
}
const tenths = (value: number): number => Math.round(value * 10) / 10;

export const platemakingSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'plates'),
  text: cx.machine.name,
});
