import { idOf } from '../../quantity/id-of';
import { centreSpread, foliosSay } from '../../signature/folios';
import { foldStations } from '../fold-sections/folding-steps';
import { pagesScene } from '../pages-scene';
import { filmList, inkRows } from '../press-inks';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { pressRow, runningLossRow, setupKindRow } from '../rows';
import { ofForm } from '../web-time';
import { foldWebPass } from './fold-web-pass';

const mm = (value: number): string => `${Math.round(value * 100) / 100} mm`;

/** Where the web is slit, folded and cut: former at the fold along the web, jaw across it, chopper at the last fold along it; sections side by side are slit apart. */
function folderRows({ layout }: ConsumeContext): PanelRow[] {
  const imposed = layout?.imposed;
  const [section] = imposed?.sections ?? [];
  if (!imposed || !section) return [];
  const stations = foldStations(section);
  const along = stations.filter((s) => s.moves === 'left' || s.moves === 'right');
  const across = stations.filter((s) => !along.includes(s));
  const lefts = [...new Set(imposed.flats.map((f) => f.x))].sort((a, b) => a - b);
  const [edge = 0, ...slits] = lefts;
  // The former folds the web as it comes, the chopper what was cut.
  const [former, chopper] = along.length > 1 ? [along[0], along.at(-1)] : [undefined, along[0]];
  const said = (mmSaid: number | undefined): string => (mmSaid === undefined ? 'none' : mm(mmSaid));
  return [
    { label: 'webEdge', text: mm(edge) },
    ...(slits.length > 0 ? [{ label: 'webSlit', text: slits.map(mm).join(' · ') }] : []),
    { label: 'former', text: said(former && edge + former.stopMm) },
    { label: 'jaw', text: said(across[0]?.stopMm) },
    { label: 'chopper', text: said(chopper?.stopMm) },
  ];
}

export function foldWebPanel(cx: ConsumeContext): PanelRow[] {
  return [
    pressRow(cx),
    { label: 'cutOff', figure: ofForm(cx, 'repeatMm') },
    ...folderRows(cx),
    { label: 'chosenRate', figure: idOf(cx.id, 'rate'), edit: { at: settingPath(cx, 'perHour'), kind: 'count' } },
    { label: 'metresAMinute', figure: idOf(cx.id, 'metresAMinute') },
    { label: 'metresRun', figure: idOf(cx.id, 'metres') },
    { label: 'webRolls', figure: idOf(cx.id, 'rolls') },
    { label: 'lostASplice', figure: idOf(cx.id, 'batchLost'), edit: { at: settingPath(cx, 'spliceMetres'), kind: 'count' } },
    { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
    runningLossRow(cx),
    ...inkRows(cx, (s) => !s.lampDried && !s.thinned),
    setupKindRow(cx),
    { label: 'inkKg', figure: idOf(cx.id, 'inkKg') },
    { label: 'remakes', figure: idOf(cx.id, 'remakes') },
  ];
}

export const foldWebSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  text: `${cx.machine.name} · ${foldWebPass(cx)
    .prints.map((p) => p.inks.join(' '))
    .join(' / ')}`,
});

export function foldWebPaper(cx: ConsumeContext): PaperPage[] {
  const pass = foldWebPass(cx);
  return [
    {
      department: 'ink',
      scene: false,
      rows: [{ label: 'inkKg', figure: idOf(cx.id, 'inkKg') }],
      lists: [
        {
          title: 'sequence',
          head: ['side of the web', 'inks in order', 'series'],
          rows: pass.prints.map(({ side, inks }) => [side, inks.join(' – '), cx.inkSeries?.name ?? '']),
        },
        filmList(cx, pass.inks),
      ],
      blanks: ['draw-down measured, ΔE', 'left-over ink used', 'batch numbers'],
    },
    {
      department: 'press',
      scene: true,
      more: [pagesScene(cx, 'front'), pagesScene(cx, 'back')],
      rows: [
        { label: 'stock', text: cx.stock?.name ?? '' },
        { label: 'stopAt', figure: idOf(cx.id, 'need') },
        ...foldWebPanel(cx).filter((r) => !['remakes', 'inkKg'].includes(r.label)),
      ],
      lists: [
        {
          title: 'sectionsFolded',
          head: ['section', 'pages', 'open in the middle', 'a repeat'],
          rows: (cx.layout?.imposed?.sections ?? []).map((s) => [
            s.name,
            foliosSay(s.pages),
            centreSpread(s),
            String(cx.layout?.imposed?.flats.filter((f) => f.section === s.key).length ?? 0),
          ]),
        },
        {
          title: 'breaks',
          head: ['roll', 'at metre', 'back to the last good metre', 'repeats lost', 'signed'],
          rows: Array.from({ length: 4 }, () => ['', '', '', '', '']),
        },
      ],
      blanks: [
        'first section read page by page, signed by',
        'tension before the first unit and at the former',
        'web leaving the dryer, °C, as its maker says',
        'colour OK section signed by',
        'splices flagged and taken out',
      ],
    },
  ];
}
