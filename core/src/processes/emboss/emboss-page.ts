import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import { copiesUp } from '../../layout/layout';
import { foilPlace, foilPlacesScene, isPlaced, type FoilArea } from '../../product/foil-area';
import type { Part } from '../../product/part';
import { type ConsumeContext, type DraftContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { machineRow, runningLossRow, setupKindRow } from '../rows';

/** A relief of one of the parts on the form. */
export type Relief = Omit<FoilArea, 'colour'> & { part: Part };
export const reliefsOf = (cx: Pick<DraftContext, 'parts'>): Relief[] =>
  cx.parts.flatMap((part) => (part.traits?.embossed?.areas ?? []).map((a) => ({ ...a, side: 'front' as const, part })));

const tenths = (mm: number): string => String(Math.round(mm * 10) / 10);

export const embossPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'foil',
    scene: true,
    sheet: true,
    more: cx.parts.flatMap((part) => {
      const areas = reliefsOf(cx).filter((r) => r.part === part);
      return areas.length > 0 ? [foilPlacesScene(part, areas, 'front')] : [];
    }),
    rows: embossPanel(cx),
    lists: [
      {
        title: 'reliefs',
        head: ['relief', 'from left', 'from top', 'size', 'pairs'],
        rows: reliefsOf(cx).map((a) => {
          const { xMm, yMm } = foilPlace(a, a.part);
          const copies = cx.layout ? copiesUp(cx.layout, a.part.id) : 0;
          return [
            a.name,
            ...(isPlaced(a) ? [`${tenths(xMm)} mm`, `${tenths(yMm)} mm`] : ['not placed', '–']),
            `${a.widthMm} × ${a.heightMm} mm`,
            String(copies),
          ];
        }),
      },
    ],
    blanks: ['depth measured', 'heat, if warm', 'relief to print measured', 'first good sheet signed by'],
  },
];

export const embossPanel = (cx: ConsumeContext): PanelRow[] => [
  machineRow(cx),
  { label: 'pairs', figure: idOf(cx.id, 'pairs') },
  { label: 'reliefDepth', text: `${practiceValue(cx.plant, 'emboss.depthMm')} mm` },
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
  runningLossRow(cx),
  setupKindRow(cx),
  { label: 'waitBefore', figure: idOf(cx.id, 'waitS'), edit: { at: settingPath(cx, 'waitS'), kind: 'hours' } },
];

export const embossSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'pairs'),
  text: cx.machine.name,
});
