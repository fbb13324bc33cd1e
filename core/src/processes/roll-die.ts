import type { Formula, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { type Scene, type Shape, boxAround } from '../scene/scene';
import { practiceTerm } from '../plant/practice';
import { PRICE_OF } from '../form/plates';
import { copyPlaces } from '../layout/layout';
import { type ConsumeContext, lossTable, type PanelRow, type Process, setting, settingPath, settingRow } from './process';
import { singleStep } from './single-step';
import { runningLossTerm, stepLosses } from './step-losses';
import { isRepeat, timeAndCost } from './time-and-cost';
import { webSetup } from './web-press';
import { METRES_RUN, ofForm } from './web-time';

/**
 * Share of the web's face that is no label: it is drawn off as the matrix, edges and all. Labels of one repeat against the web it takes.
 * Unit 1, 0 to 1. Source: arithmetic.
 * @example 48 labels of 60 × 40 mm on 330 × 520.7 mm: 1 − 115,200 ÷ 171,831 = 0.3296
 */
const MATRIX_SHARE: Formula<'labels' | 'widthMm' | 'heightMm' | 'webMm' | 'repeatMm'> = {
  id: 'finishing.matrixShare',
  unit: '1',
  source: 'arithmetic',
  of: ({ labels, widthMm, heightMm, webMm, repeatMm }) =>
    webMm * repeatMm > 0 ? Math.max(1 - (labels * widthMm * heightMm) / (webMm * repeatMm), 0) : 0,
};
/** Mass of the matrix: face and adhesive only, the liner stays on the roll. Source: definition of grammage (ISO 536). */
const MATRIX_KG: Formula<'metres' | 'webMm' | 'gsm' | 'face' | 'share'> = {
  id: 'finishing.matrixKg',
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
  panel: rows,
  paper: (cx) => [
    {
      department: 'sheeting',
      scene: true,
      rows: rows(cx),
      lists: [],
      blanks: ['die number', 'cuts the face only, liner not marked', 'matrix draws off whole', 'print to die measured'],
    },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'matrixKg'), text: cx.machine.name }),
};

/** Dies to make: none on repeat work, whose die is kept, or where one of this size lies in the store. */
const dies = (cx: ConsumeContext): Term => setting(cx, 'dies', typed(isRepeat(cx) ? 0 : 1, '1', 'one die'));

function rows(cx: ConsumeContext): PanelRow[] {
  const gapMm = cx.parts[0]?.traits?.web?.gapMm ?? 0;
  return [
    { label: 'machine', text: cx.machine.name },
    {
      label: 'dieSize',
      text: `${cx.parts[0]?.widthMm ?? 0} × ${cx.parts[0]?.heightMm ?? 0} mm, ${cx.ledger.value(ofForm(cx, 'copiesUp'))} a turn`,
    },
    { label: 'teeth', figure: ofForm(cx, 'teeth') },
    { label: 'dieTurn', figure: ofForm(cx, 'repeatMm') },
    { label: 'bridge', text: `${gapMm} mm` },
    settingRow(cx, 'diesToMake', 'dies', dies(cx), { kind: 'count' }),
    { label: 'setupRepeats', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupMetres'), kind: 'count' } },
    { label: 'runningLoss', figure: idOf(cx.id, 'runningPpm'), edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' } },
    { label: 'metres', figure: idOf(cx.id, 'metres') },
    { label: 'matrixShare', figure: idOf(cx.id, 'matrixShare') },
    { label: 'matrixMass', figure: idOf(cx.id, 'matrixKg') },
  ];
}

const MOST_DRAWN = 400;

/** One repeat of the web to scale: the labels that stay, the matrix about them that goes. */
function dieScene(cx: ConsumeContext): Scene {
  const [w, h] = [cx.stock?.widthMm ?? 1, cx.ledger.value(ofForm(cx, 'repeatMm'))];
  const text = Math.max(w, h) / 24;
  const shapes: Shape[] = [{ kind: 'rect', role: 'web', x: 0, y: 0, w, h, ref: 'matrix' }];
  if (cx.layout && cx.ledger.value(ofForm(cx, 'copiesUp')) <= MOST_DRAWN)
    for (const p of copyPlaces(cx.layout)) shapes.push({ kind: 'rect', role: 'copy', x: p.x, y: p.y, w: p.w, h: p.h, ref: 'label' });
  shapes.push({ kind: 'text', role: 'label', x: 0, y: h + text * 1.9, text: `web ${round(w)} mm, one turn ${round(h)} mm`, sizeMm: text });
  return {
    title: 'die',
    says: `One turn of the die on the web, ${round(w)} by ${round(h)} millimetres: labels stay, the matrix about them is drawn off.`,
    box: boxAround(shapes, text * 1.6),
    toScale: true,
    shapes,
  };
}
const round = (x: number): number => Math.round(x * 10) / 10;
