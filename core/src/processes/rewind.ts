import { idOf } from '../quantity/id-of';
import { fig } from '../quantity/ledger';
import { type Scene, type Shape, boxAround } from '../scene/scene';
import { practiceTerm } from '../plant/practice';
import { CLOCK_TIME, HANDS_TIME } from '../finishing/folding';
import { PRICE_OF } from '../form/plates';
import { copiesUp } from '../layout/layout';
import { formatNumber } from '../words/format';
import { rollDiameterMm } from '../stock/roll';
import { type ConsumeContext, machineTerm, type PanelRow, type Process, type DraftContext, setting, settingRow } from './process';
import { caliperUmOf } from './stock-terms';
import { singleStep } from './single-step';
import { timeAndCost } from './time-and-cost';

const CORE_MM = 76;

/** Rewinder: the web is slit into lanes and wound on cores, so many pieces a roll; the last roll may be short. */
export const rewind: Process = {
  id: 'rewind',
  abilities: ['maxWebMm', 'maxRollKg', 'maxRollDiameterMm', 'coreMm'],
  asks: () => ({}),
  draft(cx) {
    const web = cx.parts[0]?.traits?.web;
    const perRoll = web?.piecesARoll ?? 1;
    const { widthMm, diameterMm, lengthM } = finishedRoll(cx);
    const lead = cx.incoming[0]?.of;
    const bundle = {
      footprintMm: [diameterMm, diameterMm] as [number, number],
      pieces: perRoll,
      layerMm: widthMm,
      paperMm2: widthMm * lengthM * 1000,
      together: perRoll,
    };
    return singleStep(cx, {
      takesPer: perRoll / Math.max(cx.layout ? copiesUp(cx.layout) : 1, 1),
      givesPer: perRoll,
      unit: 'piece',
      perGood: 1,
      whole: false,
      losses: {},
      cautions: ['nips', 'sheeterKnife'],
      also: [
        {
          port: { flow: idOf(cx.id, 'cores'), per: 1 },
          flow: {
            unit: 'piece',
            part: lead?.part ?? '',
            item: lead?.item ?? '',
            perGood: 1 / perRoll,
            supply: { from: 'buy', leadDays: 2 },
          },
        },
      ],
      makes: { bundle },
    });
  },
  consume(cx) {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'handsS'), HANDS_TIME, {
      pieces: fig(idOf(id, 'run')),
      secondsEach: setting(cx, 'secondsEach', practiceTerm(cx.plant, 'rewind.secondsEach')),
      rest: practiceTerm(cx.plant, 'hands.restShare'),
    });
    ledger.figure(idOf(id, 'clockS'), CLOCK_TIME, {
      handsS: fig(idOf(id, 'handsS')),
      people: setting(cx, 'people', machineTerm(cx, 'crew')),
    });
    ledger.figure(idOf(id, 'coreCost'), PRICE_OF, {
      number: fig(idOf(id, 'cores.demand')),
      price: practiceTerm(cx.plant, 'rewind.corePrice'),
    });
    return {
      costs: [
        ...timeAndCost(cx, { step: id, runS: fig(idOf(id, 'clockS')) }),
        { figure: idOf(id, 'coreCost'), kind: 'goods', fixed: false },
      ],
    };
  },
  scene(cx): Scene {
    const { widthMm, diameterMm, lengthM } = finishedRoll(cx);
    const [r, text] = [diameterMm / 2, Math.max(diameterMm, 80) / 12];
    const shapes: Shape[] = [
      { kind: 'circle', role: 'roll', cx: r, cy: r, r, ref: 'roll' },
      { kind: 'circle', role: 'core', cx: r, cy: r, r: CORE_MM / 2, ref: 'core' },
      { kind: 'rect', role: 'roll', x: diameterMm + text * 3, y: 0, w: widthMm, h: diameterMm, ref: 'face' },
      {
        kind: 'text',
        role: 'label',
        x: 0,
        y: diameterMm + text * 2,
        text: `diameter ${Math.round(diameterMm)} mm, ${Math.round(lengthM)} m, ${Math.round(widthMm * 10) / 10} mm wide`,
        sizeMm: text,
      },
    ];
    return {
      title: 'finished roll',
      says: `Finished roll of ${cx.parts[0]?.traits?.web?.piecesARoll ?? 1} pieces, ${Math.round(lengthM)} metres, diameter ${Math.round(diameterMm)} millimetres.`,
      box: boxAround(shapes, text),
      toScale: true,
      shapes,
    };
  },
  panel: rows,
  paper: (cx) => [
    {
      department: 'sheeting',
      scene: true,
      rows: rows(cx),
      lists: [{ title: 'splices', head: ['roll', 'at piece', 'taken out'], rows: Array.from({ length: 4 }, () => ['', '', '']) }],
      blanks: ['winding direction', 'core glued or slotted', 'pieces on a roll counted'],
    },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'run'), text: `${cx.parts[0]?.traits?.web?.piecesARoll ?? 1} a roll` }),
};

/** Width, length and diameter of a finished roll: one lane of pieces, wound on a core. */
function finishedRoll(cx: DraftContext): { widthMm: number; lengthM: number; diameterMm: number } {
  const part = cx.parts[0];
  const web = part?.traits?.web;
  const rowMm = cx.layout?.cells[0]?.dy ?? part?.heightMm ?? 1;
  const across = web?.across ?? 1;
  const lengthM = ((web?.piecesARoll ?? 1) / across) * (rowMm / 1000);
  return {
    widthMm: cx.layout?.web?.sheetMm[0] ?? part?.widthMm ?? 1,
    lengthM,
    diameterMm: rollDiameterMm({ lengthM, coreMm: CORE_MM, caliperUm: caliperUmOf(cx) || 100 }),
  };
}

function rows(cx: ConsumeContext): PanelRow[] {
  return [
    { label: 'finishedRolls', figure: idOf(cx.id, 'run') },
    { label: 'piecesARoll', text: formatNumber(cx.parts[0]?.traits?.web?.piecesARoll ?? 1) },
    { label: 'cores', figure: idOf(cx.id, 'cores.demand') },
    settingRow(cx, 'secondsARoll', 'secondsEach', practiceTerm(cx.plant, 'rewind.secondsEach'), { kind: 'seconds', unit: 's' }),
    settingRow(cx, 'people', 'people', machineTerm(cx, 'crew'), { kind: 'count' }),
    { label: 'clockTime', figure: idOf(cx.id, 'clockS') },
  ];
}
