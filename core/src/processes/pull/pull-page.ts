import { idOf } from '../../quantity/id-of';
import type { Shelf } from '../../plant/plant';
import { formatNumber } from '../../words/format';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { stockRows } from '../rows';
import { stockFlow } from './stock-flow';

export function pullPanel(cx: ConsumeContext): PanelRow[] {
  return [
    ...stockRows(cx, 'sheet'),
    { label: 'copiesUp', figure: idOf(cx.form?.id ?? '', 'copiesUp') },
    ...nestRows(cx),
    { label: 'sheetUse', figure: idOf(cx.id, 'sheetUse') },
    { label: 'sheetsToPull', figure: idOf(stockFlow(cx.id), 'demand') },
    { label: 'mass', figure: idOf(cx.id, 'mass') },
    { label: 'reams', figure: idOf(cx.id, 'reams') },
    { label: 'piles', figure: idOf(cx.id, 'piles') },
    ...(cx.parts.some((p) => p.traits?.conditioned)
      ? [{ label: 'inWrapping', figure: idOf(cx.id, 'waitS'), edit: { at: settingPath(cx, 'waitS'), kind: 'hours' as const } }]
      : []),
    // What is only cut is gripped by nothing.
    ...(cx.layout?.gripperMm === 0 ? [] : [{ label: 'gripper', figure: idOf(cx.form?.id ?? '', 'gripper') }]),
    { label: 'cost', figure: idOf(cx.id, 'cost') },
  ];
}

/** Of blanks: how many their boxes alone would give, no more than how many there can be, and how far apart they lie. */
function nestRows({ form, parts }: ConsumeContext): PanelRow[] {
  if (!form || !parts.some((p) => p.traits?.blank)) return [];
  return ['boxesUp', 'bound', 'pitchAcross', 'pitchAlong'].map((label) => ({ label, figure: idOf(form.id, label) }));
}

/** The store's page: what is pulled for one form, or for all forms of a part in one go. */
const storePage = (cx: ConsumeContext, rows: PanelRow[], lists: PaperPage['lists']): PaperPage[] => [
  {
    department: 'store',
    scene: true,
    rows,
    lists: [
      ...lists,
      {
        title: 'lots',
        head: ['lot', 'sheets', 'owner', 'measured'],
        rows: lotRows(cx, (l) => [String(l.quantity), l.owner, l.caliperUm === undefined ? 'not measured' : `${l.caliperUm} µm`]),
      },
      {
        title: 'grain',
        head: ['grain', 'unwrap'],
        rows: [[cx.stock?.grain ?? 'not said', 'not before the pile has the press room’s temperature']],
      },
    ],
    blanks: ['location', 'substitute note', 'sheets returned'],
  },
];

export const pullPaper = (cx: ConsumeContext): PaperPage[] => storePage(cx, pullPanel(cx), []);

/** Many forms of one paper are pulled together: how many sheets each takes, so that the piles go to the press form by form. */
export function pullPaperOfRuns(runs: readonly ConsumeContext[]): PaperPage[] {
  const [cx] = runs;
  if (!cx) return [];
  const whole = (run: ConsumeContext, id: string): string => formatNumber(Math.ceil(run.ledger.value(id) - 1e-9));
  const rows = runs.map((run) => [
    run.form?.name ?? '',
    run.stock?.name ?? '',
    whole(run, idOf(stockFlow(run.id), 'demand')),
    whole(run, idOf(run.id, 'mass')),
    whole(run, idOf(run.id, 'piles')),
  ]);
  return storePage(cx, stockRows(cx, 'sheet'), [{ title: 'sheetsByForm', head: ['for', 'paper', 'sheets', 'kg', 'piles'], rows }]);
}

export const pullSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({ text: cx.stock?.name ?? '' });

/** Lots of the stock as the store lists them; that there is none is said, never left blank. */
export const lotRows = (cx: ConsumeContext, tell: (lot: Shelf['lots'][string]) => string[]): string[][] => {
  const lots = Object.entries(cx.shelf.lots).filter(([, l]) => l.stock === cx.stockId);
  return lots.length > 0 ? lots.map(([id, l]) => [id, ...tell(l)]) : [['none in the store']];
};
