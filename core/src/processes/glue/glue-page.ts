import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import type { GlueWork } from '../../product/die-line/gluing';
import { BEAD_ENDS_MM } from '../../finishing/folder-gluer';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath, wordSetting } from '../process';
import { choiceRow, machineRow, runningLossRow, setupKindRow } from '../rows';

/** What holds: cold glue; hot-melt on wax, film and coat. */
export const GLUES = ['coldGlue', 'hotMelt'] as const;
export const glueUsed = (cx: ConsumeContext): string => wordSetting(cx, 'glue', GLUES[0]);

/** Which way round a blank goes in, by its work. */
const RUNS_HOW: Readonly<Record<GlueWork, string>> = {
  seam: 'runsTopFirst',
  autoBottom: 'runsTopFirst',
  fourCorner: 'runsAlong',
  lining: 'runsOnStrip',
};

const tenths = (mm: number): string => `${Math.round(mm * 10) / 10} mm`;

export const gluePanel = (cx: ConsumeContext): PanelRow[] => [
  machineRow(cx),
  choiceRow(cx, 'glueKind', 'glue', glueUsed(cx), GLUES),
  { label: 'runMm', figure: idOf(cx.id, 'runMm') },
  { label: 'grossRate', figure: idOf(cx.id, 'gross') },
  { label: 'rate', figure: idOf(cx.id, 'rate'), edit: { at: settingPath(cx, 'perHour'), kind: 'count' } },
  { label: 'bead', figure: idOf(cx.id, 'beadMm') },
  { label: 'glueMass', figure: idOf(cx.id, 'glueKg') },
  { label: 'pressure', text: `${practiceValue(cx.plant, 'glue.pressureS')} s` },
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
  runningLossRow(cx),
  setupKindRow(cx),
];

export const glueSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({ figure: idOf(cx.id, 'rate'), text: cx.machine.name });

export function gluePaper(cx: ConsumeContext): PaperPage[] {
  const gluing = cx.parts[0]?.traits?.glued;
  return [
    {
      department: 'gluing',
      scene: true,
      rows: [
        ...cx.parts.flatMap((p) => (p.traits?.readerCode ? [{ label: 'readerCode', text: p.traits.readerCode }] : [])),
        { label: 'runsHow', text: RUNS_HOW[gluing?.work ?? 'seam'] },
        { label: 'blanksIn', figure: idOf(cx.id, 'run') },
        { label: 'stopAt', figure: idOf(cx.id, 'need') },
        ...gluePanel(cx),
      ],
      lists: [
        {
          title: 'gluerCreases',
          head: ['crease', 'from the guide', 'belts'],
          rows: (gluing?.creases ?? []).map((c, i) => [
            String(i + 1),
            tenths(c.fromGuideMm),
            c.does === 'breaks' ? 'break and lay back' : 'fold for good',
          ]),
        },
        {
          title: 'beads',
          head: ['bead', 'from the guide', 'starts, from the leading edge', 'stops', 'glue a blank'],
          rows: (gluing?.beads ?? []).map((b) => [
            b.name,
            tenths(b.fromGuideMm),
            tenths(b.startMm + BEAD_ENDS_MM),
            tenths(b.startMm + b.jointMm - BEAD_ENDS_MM),
            `${Math.round(Math.max(b.jointMm - 2 * BEAD_ENDS_MM, 0) * practiceValue(cx.plant, 'glue.gPerM')) / 1000} g`,
          ]),
        },
      ],
      blanks: [
        'blanks counted in',
        'first off: square within 1 mm',
        'seam gap 0.5 ± 0.5 mm',
        'fibre tear when pulled open',
        'code reader tried, where one is asked',
        'glue batch',
      ],
    },
  ];
}
