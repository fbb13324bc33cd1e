import { idOf } from '../../quantity/id-of';
import { formatNumber } from '../../words/format';
import { practiceTerm } from '../../plant/practice';
import { lanesOff } from '../designs-off';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { cell, machineRow, runningLossRow, settingRow } from '../rows';
import { ofForm } from '../web-time';
import { reelsToWind } from './reels';

export const windSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'run'),
  text: `lengths of ${cell(cx.ledger, ofForm(cx, 'rollLengthM'), 2)} m`,
});

/** What holds the rate: the winder's own, or its web speed and the change from roll to roll. */
const heldBy = (cx: ConsumeContext): string =>
  cx.ledger.value(idOf(cx.id, 'anHour')) >= cx.machine.netPerHour - 1e-6
    ? 'what the winder is rated for'
    : 'web speed and the change from roll to roll';

export function windPanel(cx: ConsumeContext): PanelRow[] {
  const roll = cx.parts[0]?.traits?.wound;
  return [
    machineRow(cx),
    { label: 'lengthsWound', figure: idOf(cx.id, 'run') },
    { label: 'rollLengthCut', figure: ofForm(cx, 'lengthMm') },
    { label: 'cutBy', text: roll?.cut === 'mark' ? 'at the mark' : 'by length' },
    { label: 'lengthsAnHour', figure: idOf(cx.id, 'anHour') },
    { label: 'rateHeldBy', text: heldBy(cx) },
    { label: 'metres', figure: idOf(cx.id, 'metres') },
    { label: 'reels', figure: idOf(cx.id, 'reels') },
    { label: 'lostAReel', figure: idOf(cx.id, 'batchLost'), edit: { at: settingPath(cx, 'reelLengths'), kind: 'count' } },
    { label: 'lostAPaperRoll', figure: idOf(cx.id, 'batchLost2') },
    settingRow(cx, 'setupLengths', 'setupSheets', practiceTerm(cx.plant, 'wind.setupLengths'), { kind: 'count' }),
    runningLossRow(cx),
    { label: 'rollDiameter', figure: ofForm(cx, 'rollDiameterMm') },
    { label: 'driftARoll', figure: ofForm(cx, 'driftMm') },
    { label: 'tube', text: roll && roll.coreMm > 0 ? `${roll.coreMm} mm` : 'none, wound on a mandrel' },
    { label: 'printedSide', text: roll?.printedSide ?? 'out' },
    { label: 'tubes', figure: idOf(cx.id, 'tubes.demand') },
  ];
}

function reelRows(cx: ConsumeContext): string[][] {
  const { reels, more } = reelsToWind(cx);
  const rows = reels.map(({ fromM, toM, spliceM }, i) => [
    String(i + 1),
    `${formatNumber(fromM)} – ${formatNumber(toM)}`,
    `${formatNumber(toM - fromM)} m`,
    spliceM.map((m) => `${formatNumber(m, 0)} m`).join(', ') || 'none planned',
    '',
    '',
    '',
  ]);
  return more > 0 ? [...rows, [`and ${formatNumber(more)} more`, '', '', '', '', '', '']] : rows;
}

/** What the planner weighs is no matter of who winds. */
const FOR_THE_PLANNER = ['runningLoss', 'reels', 'lengthsAnHour', 'rateHeldBy', 'lostAReel', 'lostAPaperRoll', 'setupLengths'];

export const windPaper = (cx: ConsumeContext): PaperPage[] => {
  const run = cx.ledger.value(idOf(cx.id, 'run'));
  return [
    {
      department: 'sheeting',
      scene: true,
      rows: windPanel(cx).filter((r) => !FOR_THE_PLANNER.includes(r.label)),
      lists: [
        {
          title: 'reelsToWind',
          head: [
            'reel',
            'metres of the run',
            'on it',
            'planned splice, from the outside',
            'cut out from – to, from the outside',
            'reason',
            'ticked',
          ],
          rows: reelRows(cx),
        },
        {
          title: 'lanesFromOperator',
          head: ['lane', 'design', 'rolls wanted', 'rolls counted', 'rejects'],
          rows: lanesOff(cx).map((name, i) => [String(i + 1), name || 'alike in all lanes', formatNumber(run), '', '']),
        },
      ],
      blanks: [
        'reel numbers in the order they were wound off',
        'metres left on the last reel',
        'first roll measured: length, diameter',
        'end of the roll fixed by',
      ],
    },
  ];
};
