import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import { copiesOf, type LaidSection } from '../../signature/sheet-pages';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { machineRow, runningLossRow, setupKindRow } from '../rows';
import { centreSpread, foliosSay } from '../../signature/folios';
import { marksOf } from '../hoppers';
import { foldStations } from './folding-steps';

const mm = (value: number): string => `${Math.round(value * 100) / 100} mm`;
const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
const flatSays = ({ columnsMm, rowsMm }: LaidSection): string => `${Math.round(sum(columnsMm) * 100) / 100} × ${mm(sum(rowsMm))}`;

/** Which half stands out, and by how much: the wider columns are those with its pages. */
function lapSays({ columnsMm, signature, program }: LaidSection): string {
  const wide = Math.max(...columnsMm);
  const lap = wide - Math.min(...columnsMm);
  if (lap === 0) return 'lapNone';
  const page = signature.front[0]?.[columnsMm.indexOf(wide)]?.page ?? 0;
  return `${mm(lap)}, ${page > program.rows * program.cols ? 'last pages' : 'first pages'}`;
}

/** Sections that are gathered behind one another are opened by nobody: they have no lap, and their code stands on the spine. */
const isGathered = ({ parts }: Pick<ConsumeContext, 'parts'>): boolean => parts.some((p) => p.traits?.bound?.nested === false);

export function foldSectionsPanel(cx: ConsumeContext): PanelRow[] {
  const { section } = cx;
  return [
    machineRow(cx),
    ...(section
      ? [
          { label: 'sectionPages', text: `${section.pages.length}: ${foliosSay(section.pages)}` },
          { label: 'flatSize', text: flatSays(section) },
          {
            label: 'foldStops',
            text: foldStations(section)
              .map((s) => mm(s.stopMm))
              .join(' · '),
          },
          ...(isGathered(cx) ? [] : [{ label: 'lap', text: lapSays(section) }]),
        ]
      : []),
    { label: 'rate', figure: idOf(cx.id, 'rate'), edit: { at: settingPath(cx, 'perHour'), kind: 'count' } },
    { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
    runningLossRow(cx),
    setupKindRow(cx),
  ];
}

export const foldSectionsSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'rate'),
  text: cx.section ? `${cx.machine.name} · ${foldStations(cx.section).length} folds` : cx.machine.name,
});

const EDGE: Readonly<Record<string, string>> = {
  left: 'the left edge',
  right: 'the right edge',
  top: 'the upper edge',
  bottom: 'the lower edge',
};

export function foldSectionsPaper(cx: ConsumeContext): PaperPage[] {
  const { section } = cx;
  if (!section) return [];
  const known = section.pages.flatMap((p) => p ?? []);
  const marks = marksOf(cx, section);
  return [
    {
      department: 'sections',
      scene: true,
      rows: [
        { label: 'flatsIn', figure: idOf(cx.id, 'run') },
        { label: 'stopAt', figure: idOf(cx.id, 'need') },
        { label: 'laidUp', text: `${foliosSay(frontPages(section))} up, as drawn` },
        ...copiesOf(section).flatMap((pages, i): PanelRow[] => [
          ...(section.double ? [{ label: i === 0 ? 'copyLying' : 'copyOther', text: foliosSay(pages) }] : []),
          { label: 'firstFolio', text: String(pages[0] ?? 'blank') },
          { label: 'lastFolio', text: String(pages.at(-1) ?? 'blank') },
          { label: 'centreSpread', text: centreSpread({ pages }) },
        ]),
        ...marks.map(({ pages, markMm, markColumn }) => ({
          label: 'backMark',
          text: `${mm(markMm)} from the head of ${foliosSay(pages)}${markColumn > 1 ? `, column ${markColumn}` : ''}`,
        })),
        ...(section.double ? [{ label: 'meetsAtSaw', text: `joint.${section.double.joint}` }] : []),
        { label: isGathered(cx) ? 'spineCode' : 'lapCode', text: `${section.name}: pages ${Math.min(...known)} and ${Math.max(...known)}` },
        { label: 'controlEvery', text: String(practiceValue(cx.plant, 'sections.controlEvery')) },
        ...foldSectionsPanel(cx),
      ],
      lists: [
        {
          title: 'stations',
          head: ['station', 'comes', 'runs in first', 'stop', 'folded part lies'],
          rows: foldStations(section).map((s) => [
            String(s.nr),
            `${s.turns ? 'after a right-angle turn, ' : ''}${Math.round(s.runMm * 100) / 100} long, ${mm(s.acrossMm)} wide`,
            EDGE[s.moves] ?? s.moves,
            mm(s.stopMm),
            s.dir,
          ]),
        },
      ],
      blanks: ['first section folded, read page by page, signed by', 'heads level within 1 mm', 'last one laid aside at each thousand'],
    },
  ];
}

const frontPages = ({ signature, pages }: LaidSection): number[] =>
  signature.front
    .flat()
    .flatMap((c) => (c.page === null ? [] : (pages[c.page - 1] ?? [])))
    .sort((a, b) => a - b);
