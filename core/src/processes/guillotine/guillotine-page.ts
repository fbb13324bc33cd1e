import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import { type ConsumeContext, type PanelRow, type PaperPage, type Process, settingPath } from '../process';
import { ordersOnForm } from '../parted-step';
import { runningLossRow, settingRow } from '../rows';
import { EDGES, FALLS, liftMm, mmSays, programOf, TURNS } from './program';

export const guillotinePaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'guillotine',
    scene: true,
    rows: guillotinePanel(cx),
    lists: [
      ...ordersOnForm(cx),
      {
        title: 'program',
        head: ['cut', 'pile', 'turn', 'edge at the gauge', 'gauge', 'falls off in front'],
        rows: programOf(cx).map((c) => [
          String(c.nr),
          c.take,
          TURNS[c.turns],
          EDGES[c.edge],
          `${mmSays(c.gaugeMm)} mm`,
          `${FALLS[c.falls]} ${mmSays(c.fallsMm)} mm${c.falls === 'strip' ? ', put aside' : ''}`,
        ]),
      },
    ],
    blanks: ['lay edge marked', 'strips sorted', 'knife changed'],
  },
];

export const guillotinePanel = (cx: ConsumeContext): PanelRow[] => [
  { label: 'cuts', figure: idOf(cx.id, 'cuts') },
  { label: 'sheetsPerLift', figure: idOf(cx.id, 'perLift') },
  settingRow(cx, 'liftHeight', 'liftMm', liftMm(cx), { kind: 'length', unit: 'mm' }),
  { label: 'lifts', figure: idOf(cx.id, 'lifts') },
  { label: 'cuttingTime', figure: idOf(cx.id, 'cuttingS') },
  settingRow(cx, 'secondsPerCut', 'cutS', practiceTerm(cx.plant, 'guillotine.cutS'), { kind: 'seconds', unit: 's' }),
  runningLossRow(cx),
  { label: 'waitBefore', figure: idOf(cx.id, 'waitS'), edit: { at: settingPath(cx, 'waitS'), kind: 'hours' } },
  { label: 'trimWaste', figure: idOf(cx.id, 'trimKg') },
];

export const guillotineSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'cuts'),
  text: cx.machine.name,
});
