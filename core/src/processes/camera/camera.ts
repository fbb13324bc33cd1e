import type { Formula } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import type { Process } from '../process';
import { singleStep } from '../single-step';
import { speedTerm, timeAndCost } from '../time-and-cost';
import { ofForm } from '../web-time';
import { cameraPanel, cameraPaper, cameraSummary } from './camera-page';
import { cameraScene } from './camera-scene';

/** Repeats a second that pass under the camera: it reads every one. Source: arithmetic. */
const READS_A_SECOND: Formula<'metresPerHour' | 'repeatMm'> = {
  id: 'camera.readsASecond',
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
  scene: cameraScene,
  panel: cameraPanel,
  paper: cameraPaper,
  summary: cameraSummary,
};
