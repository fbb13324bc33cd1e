import { idOf } from '../../quantity/id-of';
import { typed } from '../../quantity/ledger';
import { type ConsumeContext, type PanelRow, type PaperPage, machineTerm } from '../process';
import { runningLossRow, settingRow } from '../rows';
import { type Motions, termValue } from './motion';

/** What the bench sees and may set. */
export const handsRows = (cx: ConsumeContext, motions: Motions): PanelRow[] => [
  settingRow(cx, 'people', 'people', machineTerm(cx, 'crew'), { kind: 'count' }),
  settingRow(cx, 'secondsEach', 'secondsEach', typed(cx.ledger.value(idOf(cx.id, 'secondsEach')), 's', 'motions'), {
    kind: 'seconds',
    unit: 's',
  }),
  { label: 'handsTime', figure: idOf(cx.id, 'handsS') },
  { label: 'clockTime', figure: idOf(cx.id, 'clockS') },
  ...motions(cx)
    .filter((m) => m.supply)
    .map((m) => ({ label: 'suppliedPieces', text: m.name, figure: `${cx.id}.${m.key}.demand` })),
  runningLossRow(cx),
];

/** The bench’s page: the motions, piece by piece. */
export const handsPaper = (cx: ConsumeContext, motions: Motions): PaperPage[] => [
  {
    department: 'bench',
    scene: true,
    rows: handsRows(cx, motions),
    lists: [
      {
        title: 'motions',
        head: ['what', 'seconds', 'each'],
        rows: motions(cx).map((m) => [m.name, String(Math.round(termValue(cx, m.seconds) * 10) / 10), m.supply ? String(m.each) : '–']),
      },
    ],
    blanks: ['pieces counted in', 'spoilt, by reason'],
  },
];
