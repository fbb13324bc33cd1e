import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { copiesUp } from '../../layout/layout';
import { foilPlace, foilPlacesScene, isPlaced, SIDES } from '../../product/foil-area';
import { foilPull } from '../../ink/foil-pull';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { machineRow, runningLossRow, setupKindRow } from '../rows';
import { type AreaOnForm, areasOnForm, foilLanes, gapOf, inTenths } from './foil-areas';

export const foilPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'foil',
    scene: true,
    more: cx.parts.flatMap((part) => {
      const areas = part.traits?.foil?.areas ?? [];
      return SIDES.filter((side) => areas.some((a) => a.side === side)).map((side) => foilPlacesScene(part, areas, side));
    }),
    rows: foilPanel(cx),
    lists: [
      {
        title: 'dies',
        head: [
          'area',
          'foil',
          'side',
          'from left',
          'from top',
          'size',
          'dies',
          'lanes',
          'foil width',
          'strokes before a jump',
          'short advance',
          'jump',
        ],
        rows: areasOnForm(cx).map((a) => {
          const lanes = foilLanes(cx, a);
          const pull = foilPull({
            imageMm: lanes.imageMm,
            gapMm: gapOf(cx),
            pitchMm: lanes.pitchMm,
            dies: lanes.dies,
          });
          const { xMm, yMm } = foilPlace(a, a.part);
          return [
            a.name,
            a.colour ?? '–',
            a.side,
            ...(isPlaced(a) ? [`${inTenths(xMm)} mm`, `${inTenths(yMm)} mm`] : ['not placed', '–']),
            `${a.widthMm} × ${a.heightMm} mm`,
            String(cx.ledger.value(`${cx.id}.die.${a.key}.dies`)),
            String(lanes.lanes),
            `${inTenths(cx.ledger.value(`${cx.id}.foil.${a.key}.widthMm`))} mm`,
            lanes.dies === 1 ? 'no jump' : String(pull.strikes),
            `${inTenths(pull.shortMm)} mm`,
            lanes.dies === 1 ? '–' : `${inTenths(pull.jumpMm)} mm`,
          ];
        }),
      },
    ],
    blanks: ['heat and dwell (foil maker’s sheet)', 'gap to print measured', 'counter at start and end'],
  },
];

export const foilSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  text: `${cx.machine.name} · ${cx.layout ? copiesUp(cx.layout) : 0} dies`,
});

export function foilPanel(cx: ConsumeContext): PanelRow[] {
  const areas = areasOnForm(cx);
  const id = (area: AreaOnForm, what: string): Id<'figure'> => idOf(cx.id, what).replace('*', area.key);
  return [
    machineRow(cx),
    ...areas.flatMap((a) => [
      { label: 'dies', text: a.name, figure: id(a, 'die.*.dies') },
      { label: 'foilPerStroke', text: a.name, figure: id(a, 'foil.*.perStroke') },
      { label: 'foilMetres', text: a.name, figure: id(a, 'foil.*.metres') },
      { label: 'foilWidth', text: a.name, figure: id(a, 'foil.*.widthMm') },
    ]),
    { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles') },
    runningLossRow(cx),
    setupKindRow(cx),
    { label: 'waitBefore', figure: idOf(cx.id, 'waitS'), edit: { at: settingPath(cx, 'waitS'), kind: 'hours' } },
    { label: 'dwell', text: 'makersSheet' },
  ];
}
