import type { Formula } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import type { Scene, Shape } from '../scene/scene';
import { practiceTerm } from '../plant/practice';
import { type Process, says, setting, settingRow } from './process';
import { singleStep } from './single-step';
import { speedTerm, timeAndCost } from './time-and-cost';
import { ofForm } from './web-time';

/** Repeats a second that pass under the camera: it reads every one. Source: arithmetic. */
const READS_A_SECOND: Formula<'metresPerHour' | 'repeatMm'> = {
  id: 'route.readsASecond',
  unit: '1',
  source: 'arithmetic',
  of: ({ metresPerHour, repeatMm }) => (repeatMm > 0 ? (metresPerHour * 1000) / (3600 * repeatMm) : 0),
};

/** Inspection camera on the running web: it reads every repeat and marks the faulty ones; they are taken out further on. It takes no time of its own. */
export const camera: Process = {
  id: 'camera',
  asks: () => ({}),
  draft: (cx) =>
    singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'repeat',
      perGood: cx.incoming[0]?.of.perGood ?? 1,
      whole: true,
      losses: {},
      cautions: ['nips'],
    }),
  consume(cx) {
    cx.ledger.figure(idOf(cx.id, 'readsASecond'), READS_A_SECOND, { metresPerHour: speedTerm(cx), repeatMm: fig(ofForm(cx, 'repeatMm')) });
    return { costs: timeAndCost(cx, { step: cx.id, runS: typed(0, 's', 'runs with the press') }) };
  },
  scene(cx): Scene {
    const shapes: Shape[] = [
      { kind: 'line', role: 'web', x1: 0, y1: 90, x2: 220, y2: 90, ref: 'web' },
      { kind: 'rect', role: 'unit', x: 86, y: 8, w: 48, h: 26, ref: 'camera' },
      { kind: 'line', role: 'dimension', x1: 92, y1: 34, x2: 60, y2: 88 },
      { kind: 'line', role: 'dimension', x1: 128, y1: 34, x2: 160, y2: 88 },
      { kind: 'rect', role: 'lamp', x: 36, y: 60, w: 18, h: 10, ref: 'light' },
      { kind: 'line', role: 'splice', x1: 176, y1: 78, x2: 176, y2: 102, ref: 'mark' },
      { kind: 'text', role: 'label', x: 176, y: 116, text: 'faulty repeat is marked', sizeMm: 8, anchor: 'middle' },
    ];
    return {
      title: 'camera',
      says: `The camera reads ${cx.ledger.value(idOf(cx.id, 'run'))} repeats and marks what is beyond ${says(setting(cx, 'toleranceMm', practiceTerm(cx.plant, 'camera.toleranceMm')), 'millimetres')}.`,
      box: { x: -8, y: 0, w: 250, h: 126 },
      toScale: false,
      shapes,
    };
  },
  panel: (cx) => [
    { label: 'machine', text: cx.machine.name },
    settingRow(cx, 'tolerance', 'toleranceMm', practiceTerm(cx.plant, 'camera.toleranceMm'), { kind: 'length', unit: 'mm' }),
    { label: 'repeatsRead', figure: idOf(cx.id, 'run') },
    { label: 'readsASecond', figure: idOf(cx.id, 'readsASecond') },
  ],
  paper: (cx) => [
    {
      department: 'inspection',
      scene: true,
      rows: camera.panel(cx),
      lists: [
        {
          title: 'rejectList',
          head: ['roll', 'from metre', 'to metre', 'fault', 'sheets'],
          rows: Array.from({ length: 6 }, () => ['', '', '', '', '']),
        },
      ],
      blanks: ['reference cut stored', 'test fault seen at start, at every roll'],
    },
  ],
  summary: (cx) => ({ text: cx.machine.name }),
};
