import { idOf } from '../../quantity/id-of';
import { formatNumber } from '../../words/format';
import { practiceTerm } from '../../plant/practice';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { settingRow } from '../rows';
import { isDestroyed } from './destroyed';

export const rejectPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'inspection',
    scene: true,
    rows: rejectPanel(cx),
    lists: [
      {
        title: 'books',
        head: ['in', 'good', 'destroyed', 'left over'],
        rows: [[...['run', 'good', 'destroyed', 'balance'].map((f) => formatNumber(cx.ledger.value(idOf(cx.id, f))))], ['', '', '', '']],
      },
    ],
    blanks: isDestroyed(cx)
      ? ['destroyed on, at', 'first signature', 'second signature (witness)', 'samples pulled and kept by']
      : ['recycled on, weight', 'signed'],
  },
];

export const rejectSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'destroyed'),
  text: isDestroyed(cx) ? 'destroyed, two sign' : 'recycled',
});

export function rejectPanel(cx: ConsumeContext): PanelRow[] {
  return [
    { label: 'rejects', text: isDestroyed(cx) ? 'destroyUnderWitness' : 'recycle' },
    { label: 'rejectShare', figure: idOf(cx.id, 'runningPpm'), edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' } },
    { label: 'samplesPulled', figure: idOf(cx.id, 'samples'), edit: { at: settingPath(cx, 'samples'), kind: 'count' } },
    { label: 'destroyed', figure: idOf(cx.id, 'destroyed') },
    { label: 'balance', figure: idOf(cx.id, 'balance') },
    settingRow(cx, 'secondsEach', 'secondsEach', practiceTerm(cx.plant, 'reject.secondsEach'), { kind: 'seconds', unit: 's' }),
    { label: 'clockTime', figure: idOf(cx.id, 'clockS') },
  ];
}
