import { idOf } from '../../quantity/id-of';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process } from '../process';
import { lotRows } from '../pull/pull-page';
import { pulledFlow } from '../pull/stock-flow';
import { stockRows } from '../rows';
import { ofForm } from '../web-time';

export function pullRollPanel(cx: ConsumeContext): PanelRow[] {
  return [
    ...stockRows(cx, 'roll'),
    { label: 'rollLength', figure: ofForm(cx, 'rollLength') },
    { label: 'usableRoll', figure: ofForm(cx, 'usableRoll') },
    { label: 'metresToPull', figure: idOf(pulledFlow(cx), 'demand') },
    { label: 'rolls', figure: idOf(cx.id, 'rolls') },
    { label: 'splices', figure: idOf(cx.id, 'splices') },
    { label: 'mass', figure: idOf(cx.id, 'mass') },
    { label: 'metreMass', figure: idOf(cx.id, 'metreKg') },
    { label: 'metresAThousand', figure: ofForm(cx, 'metresAThousand') },
    { label: 'webUse', figure: idOf(cx.id, 'webUse') },
    { label: 'rollByMass', figure: ofForm(cx, 'rollByMass') },
    { label: 'rollByDiameter', figure: ofForm(cx, 'rollByDiameter') },
    ...(cx.stock?.laminate ? [{ label: 'laminate', text: laminateWords(cx) }] : []),
    { label: 'cost', figure: idOf(cx.id, 'cost') },
  ];
}

export const pullRollPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'store',
    scene: true,
    rows: pullRollPanel(cx),
    lists: [
      {
        title: 'rollList',
        head: ['roll', 'metres', 'kg', 'diameter', 'core'],
        rows: lotRows(cx, (l) => [String(l.quantity), String(l.kg ?? '–'), said(l.diameterMm), said(l.coreMm ?? cx.stock?.coreMm)]),
      },
    ],
    blanks: ['location', 'unwrap not before', 'substitute note', 'metres left on each roll'],
  },
];

export const pullRollSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'rolls'),
  text: cx.stock?.name ?? '',
});

const said = (mm: number | undefined): string => (mm === undefined ? '–' : `${mm} mm`);
const laminateWords = (cx: ConsumeContext): string => {
  const l = cx.stock?.laminate;
  return l ? `${l.face} / ${l.adhesive} / ${l.liner}` : '';
};
