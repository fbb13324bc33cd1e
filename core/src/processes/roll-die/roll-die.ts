import type { Formula } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { PRICE_OF } from '../../form/plates';
import { METRES_RUN } from '../../route/web-time';
import { type Process, lossTable, setting } from '../process';
import { singleStep } from '../single-step';
import { runningLossTerm, stepLosses } from '../step-losses';
import { timeAndCost } from '../time-and-cost';
import { webSetup } from '../web-press/web-press';
import { ofForm } from '../web-time';
import { dies } from './dies-on-cylinder';
import { rollDiePanel, rollDiePaper, rollDieSummary } from './roll-die-page';
import { dieScene } from './roll-die-scene';

/**
 * Share of the web's face that is no label: it is drawn off as the matrix, edges and all. Labels of one repeat against the web it takes.
 * Unit 1, 0 to 1. Source: arithmetic.
 * @example 48 labels of 60 × 40 mm on 330 × 520.7 mm: 1 − 115,200 ÷ 171,831 = 0.3296
 */
const MATRIX_SHARE: Formula<'labels' | 'widthMm' | 'heightMm' | 'webMm' | 'repeatMm'> = {
  id: 'rollDie.matrixShare',
  unit: '1',
  source: 'arithmetic',
  of: ({ labels, widthMm, heightMm, webMm, repeatMm }) =>
    webMm * repeatMm > 0 ? Math.max(1 - (labels * widthMm * heightMm) / (webMm * repeatMm), 0) : 0,
};
/** Mass of the matrix: face and adhesive only, the liner stays on the roll. Source: definition of grammage (ISO 536). */
const MATRIX_KG: Formula<'metres' | 'webMm' | 'gsm' | 'face' | 'share'> = {
  id: 'rollDie.matrixKg',
  unit: 'kg',
  source: 'definition of grammage (ISO 536)',
  of: ({ metres, webMm, gsm, face, share }) => (metres * webMm * gsm * face * share) / 1e6,
};

/** Rotary die on the running web: cuts each label through the face down to the liner, and the matrix between them is drawn off. It runs with the press. */
export const rollDie: Process = {
  id: 'rollDie',
  abilities: ['maxWebMm'],
  losses: { running: 'rollDie.runningPpm' },
  asks: () => ({}),
  draft: (cx) =>
    singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'repeat',
      perGood: cx.incoming[0]?.of.perGood ?? 1,
      whole: true,
      losses: stepLosses(cx, cx.id, (cx) => ({
        setup: webSetup(cx, setting(cx, 'setupMetres', practiceTerm(cx.plant, 'rollDie.setupMetres'))),
        runningPpm: runningLossTerm(cx, 'rollDie.runningPpm'),
        table: lossTable(cx),
      })),
      cautions: ['rotaryDie', 'nips'],
    }),
  consume(cx) {
    const { ledger, id } = cx;
    const ofStock = (value: number, unit: 'mm' | 'g/m²') => ({ value, unit, from: 'plant', at: `stock:${cx.stockId ?? ''}` }) as const;
    ledger.figure(idOf(id, 'metres'), METRES_RUN, { cycles: fig(idOf(id, 'run')), repeatMm: fig(ofForm(cx, 'repeatMm')) });
    ledger.figure(idOf(id, 'matrixShare'), MATRIX_SHARE, {
      labels: fig(ofForm(cx, 'copiesUp')),
      widthMm: typed(cx.parts[0]?.widthMm ?? 0, 'mm', 'widthMm'),
      heightMm: typed(cx.parts[0]?.heightMm ?? 0, 'mm', 'heightMm'),
      webMm: ofStock(cx.stock?.widthMm ?? 0, 'mm'),
      repeatMm: fig(ofForm(cx, 'repeatMm')),
    });
    ledger.figure(idOf(id, 'matrixKg'), MATRIX_KG, {
      metres: fig(idOf(id, 'metres')),
      webMm: ofStock(cx.stock?.widthMm ?? 0, 'mm'),
      gsm: ofStock(cx.stock?.gsm ?? 0, 'g/m²'),
      face: practiceTerm(cx.plant, 'rollDie.faceShare'),
      share: fig(idOf(id, 'matrixShare')),
    });
    ledger.figure(idOf(id, 'dieCost'), PRICE_OF, { number: dies(cx), price: practiceTerm(cx.plant, 'rollDie.diePrice') });
    return {
      costs: [
        ...timeAndCost(cx, { step: id, runS: typed(0, 's', 'runs with the press') }),
        { figure: idOf(id, 'dieCost'), kind: 'form', fixed: true },
      ],
      wasteKg: [{ kind: 'trim', figure: idOf(id, 'matrixKg') }],
    };
  },
  scene: dieScene,
  panel: rollDiePanel,
  paper: rollDiePaper,
  summary: rollDieSummary,
};
