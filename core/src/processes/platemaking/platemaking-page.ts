import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { platesOfInk } from '../../form/plates';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process } from '../process';
import { settingRow } from '../rows';
import { boxOfCopies } from '../../layout/layout';
import { knockOutMm2 } from '../../product/blank';
import { isFromTheDrum } from '../../product/ink-names';
import { marksOf } from '../hoppers';
import { plateSets } from './plate-sets';
import { foliosSay } from '../../signature/folios';
import { sectionCreep } from '../../signature/page-creep';
import { caliperUmOf } from '../stock-terms';

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
    rows: [...platemakingPanel(cx), ...coatForm(cx), ...pageRows(cx)],
    lists: [
      ...shiftList(cx),
      ...markList(cx),
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

/** Of sections: how pages stand, and what is done against creep. */
function pageRows({ parts: [part], layout }: ConsumeContext): PanelRow[] {
  if (!part || !layout?.imposed) return [];
  const cure = part.traits?.stitched?.cure;
  return [
    { label: 'sectionsOnForm', text: layout.imposed.sections.map((s) => `${s.name}: ${foliosSay(s.pages)}`).join('; ') },
    { label: 'pageSize', text: `${part.widthMm} × ${part.heightMm} mm, bleed ${part.bleedMm} mm` },
    ...(cure ? [{ label: 'creepCure', text: `cure.${cure}` }] : []),
  ];
}

/** Pages of nested sections that stand out at the face, and how far each is shifted to the spine or squeezed against it. */
function shiftList(cx: ConsumeContext): PaperPage['lists'] {
  const [part] = cx.parts;
  const cure = part?.traits?.stitched?.cure ?? 'none';
  if (!part || cure === 'none') return [];
  const rows = (cx.layout?.imposed?.sections ?? []).flatMap((section) =>
    sectionCreep(part, section, caliperUmOf(cx)).map(({ level, mm, pages }) => [
      foliosSay(pages),
      String(level),
      `${mm.toFixed(3)} mm`,
      cure === 'shift'
        ? `${mm.toFixed(3)} mm to the spine`
        : `to ${((100 * (part.widthMm - mm)) / part.widthMm).toFixed(2)} % of the width`,
    ]),
  );
  return [{ title: 'creepList', head: ['pages', 'sheets outside', 'stands out', cure === 'shift' ? 'shift' : 'squeeze'], rows }];
}

/** Of gathered sections: where the mark stands on each spine fold, between its first and its last page; as a missing or doubled section shows by it. */
function markList(cx: ConsumeContext): PaperPage['lists'] {
  const rows = (cx.layout?.imposed?.sections ?? []).flatMap((section) =>
    marksOf(cx, section).map(({ position, pages, markMm, markColumn }) => [
      `${cx.product.parts[0]?.product ?? ''} ${position}`,
      `${pages[0] ?? 'blank'} and ${pages.at(-1) ?? 'blank'}`,
      tenthsMm(markMm),
      String(markColumn),
    ]),
  );
  return rows.length > 0 ? [{ title: 'backMarks', head: ['hopper, code', 'on the fold between', 'from the head', 'column'], rows }] : [];
}
const tenthsMm = (mm: number): string => `${Math.round(mm * 10) / 10} mm`;

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
