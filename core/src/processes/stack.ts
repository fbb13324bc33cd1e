import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import type { Scene, Shape } from '../scene/scene';
import { practiceTerm } from '../plant/practice';
import { CLOCK_TIME, HANDS_TIME } from '../finishing/folding';
import { PRICE_OF } from '../form/plates';
import { type ConsumeContext, machineTerm, type PanelRow, type Process, setting, settingRow } from './process';
import { caliperUmOf } from './stock-terms';
import { singleStep } from './single-step';
import { timeAndCost } from './time-and-cost';

/** Sheets counted into stacks, each shrunk into film where the order asks; the last stack may be short. */
export const stack: Process = {
  id: 'stack',
  asks: () => ({}),
  draft(cx) {
    const web = cx.parts[0]?.traits?.web;
    const [pieces, sheets] = [(web?.across ?? 1) * (web?.along ?? 1), web?.sheetsAStack ?? 1];
    const [width, length] = cx.layout?.web?.sheetMm ?? [1, 1];
    const bundle = {
      footprintMm: [width, length] as [number, number],
      pieces,
      layerMm: caliperUmOf(cx) / 1000,
      paperMm2: width * length,
      together: sheets * pieces,
    };
    return singleStep(cx, {
      takesPer: sheets,
      givesPer: sheets * pieces,
      unit: 'piece',
      perGood: 1,
      whole: false,
      losses: {},
      cautions: web?.wrapped ? ['heat'] : [],
      makes: { bundle },
    });
  },
  consume(cx) {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'handsS'), HANDS_TIME, {
      pieces: fig(idOf(id, 'run')),
      secondsEach: setting(cx, 'secondsEach', practiceTerm(cx.plant, 'stack.wrapS')),
      rest: practiceTerm(cx.plant, 'hands.restShare'),
    });
    ledger.figure(idOf(id, 'clockS'), CLOCK_TIME, {
      handsS: fig(idOf(id, 'handsS')),
      people: setting(cx, 'people', machineTerm(cx, 'crew')),
    });
    const wrapped = cx.parts[0]?.traits?.web?.wrapped ?? false;
    ledger.figure(idOf(id, 'cost'), PRICE_OF, {
      number: fig(idOf(id, 'run')),
      price: wrapped ? practiceTerm(cx.plant, 'stack.filmPrice') : typed(0, 'money', 'wrapped'),
    });
    return {
      costs: [
        ...timeAndCost(cx, { step: id, runS: fig(idOf(id, 'clockS')), people: setting(cx, 'people', machineTerm(cx, 'crew')) }),
        { figure: idOf(id, 'cost'), kind: 'goods', fixed: false },
      ],
    };
  },
  scene(cx): Scene {
    const sheets = cx.parts[0]?.traits?.web?.sheetsAStack ?? 1;
    const heightMm = (sheets * caliperUmOf(cx)) / 1000;
    const [w] = cx.layout?.web?.sheetMm ?? [200];
    const layers = Math.min(sheets, 24);
    const high = Math.max(heightMm, 8);
    const shapes: Shape[] = Array.from({ length: layers }, (_, i): Shape => ({
      kind: 'rect',
      role: 'pile',
      x: 0,
      y: (high * i) / layers,
      w,
      h: high / layers,
    }));
    if (cx.parts[0]?.traits?.web?.wrapped) shapes.push({ kind: 'rect', role: 'band', x: -4, y: -4, w: w + 8, h: high + 8, ref: 'film' });
    const text = w / 22;
    shapes.push({
      kind: 'text',
      role: 'label',
      x: 0,
      y: high + text * 2,
      text: `${sheets} sheets, ${Math.round(heightMm * 10) / 10} mm high`,
      sizeMm: text,
    });
    return {
      title: 'stack',
      says: `${sheets} sheets a stack, ${Math.round(heightMm * 10) / 10} millimetres high.`,
      box: { x: -w * 0.06, y: -w * 0.06, w: w * 1.12, h: high + text * 3 + w * 0.06 },
      toScale: true,
      shapes,
    };
  },
  panel: rows,
  paper: (cx) => [{ department: 'packing', scene: true, rows: rows(cx), lists: [], blanks: ['stacks counted', 'label on each stack'] }],
  summary: (cx) => ({ figure: idOf(cx.id, 'run'), text: `${cx.parts[0]?.traits?.web?.sheetsAStack ?? 1} sheets each` }),
};

function rows(cx: ConsumeContext): PanelRow[] {
  return [
    { label: 'stacks', figure: idOf(cx.id, 'run') },
    { label: 'sheetsAStack', text: String(cx.parts[0]?.traits?.web?.sheetsAStack ?? 1) },
    settingRow(cx, 'secondsAStack', 'secondsEach', practiceTerm(cx.plant, 'stack.wrapS'), { kind: 'seconds', unit: 's' }),
    settingRow(cx, 'people', 'people', machineTerm(cx, 'crew'), { kind: 'count' }),
    { label: 'clockTime', figure: idOf(cx.id, 'clockS') },
    { label: 'film', figure: idOf(cx.id, 'cost') },
  ];
}
