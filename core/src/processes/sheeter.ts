import type { Formula } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { floorTolerant } from '../quantity/round-tolerant';
import { type Scene, type Shape, boxAround } from '../scene/scene';
import { practiceTerm } from '../plant/practice';
import { type ConsumeContext, type PanelRow, type Process, lossTable, setting, settingPath } from './process';
import { singleStep } from './single-step';
import { timeAndCost } from './time-and-cost';
import { webSetup } from './web-press';
import { edgeTrim, ofForm, webTime } from './web-time';
import { runningLossTerm, stepLosses } from './step-losses';

/** Slits in the liner of one sheet, so far apart. Source: arithmetic. */
const BACK_SLITS: Formula<'widthMm' | 'everyMm'> = {
  id: 'finishing.backSlits',
  unit: 'cut',
  source: 'arithmetic',
  of: ({ widthMm, everyMm }) => (everyMm > 0 ? Math.max(floorTolerant(widthMm / everyMm) - (widthMm % everyMm === 0 ? 1 : 0), 0) : 0),
};
/** Lines of perforation on one sheet: between columns and between rows. Source: arithmetic. */
const PERFORATIONS: Formula<'across' | 'along' | 'asked'> = {
  id: 'finishing.perforations',
  unit: 'cut',
  source: 'arithmetic',
  of: ({ across, along, asked }) => (asked > 0 ? across - 1 + along - 1 : 0),
};

/** Sheeter: perforates, slits the liner, cuts the web to sheets, in one run. */
export const sheeter: Process = {
  id: 'sheeter',
  abilities: ['maxWebMm', 'rollChangeS'],
  losses: { running: 'sheeter.runningPpm' },
  asks: () => ({}),
  draft(cx) {
    const losses = stepLosses(cx, cx.id, (cx) => ({
      setup: webSetup(cx, setting(cx, 'setupMetres', practiceTerm(cx.plant, 'sheeter.setupMetres'))),
      runningPpm: runningLossTerm(cx, 'sheeter.runningPpm'),
      table: lossTable(cx),
    }));
    const form = cx.layout?.web;
    const perSheet = (cx.parts[0]?.traits?.web?.across ?? 1) * (cx.parts[0]?.traits?.web?.along ?? 1);
    return singleStep(cx, {
      takesPer: 1,
      givesPer: form ? form.lanes * form.around : 1,
      unit: 'sheet',
      perGood: 1 / perSheet,
      whole: true,
      losses,
      cautions: ['sheeterKnife', 'nips'],
    });
  },
  consume(cx) {
    const web = cx.parts[0]?.traits?.web;
    const asked = (value: number, unit: '1' | 'mm', at: string) => ({ value, unit, from: 'typed', at }) as const;
    cx.ledger.figure(idOf(cx.id, 'backSlits'), BACK_SLITS, {
      widthMm: { value: cx.layout?.web?.sheetMm[0] ?? 0, unit: 'mm', from: 'family', at: 'layout' },
      everyMm: asked(web?.backSlitMm ?? 0, 'mm', 'backSlitMm'),
    });
    cx.ledger.figure(idOf(cx.id, 'perforations'), PERFORATIONS, {
      across: asked(web?.across ?? 1, '1', 'across'),
      along: asked(web?.along ?? 1, '1', 'along'),
      asked: asked(web?.perforated ? 1 : 0, '1', 'perforated'),
    });
    return { costs: timeAndCost(cx, { step: cx.id, runS: webTime(cx, true) }), ...edgeTrim(cx) };
  },
  scene: sheetScene,
  panel: rows,
  paper: (cx) => [
    {
      department: 'sheeting',
      scene: true,
      rows: rows(cx),
      lists: [{ title: 'splices', head: ['roll', 'at metre', 'taken out'], rows: Array.from({ length: 4 }, () => ['', '', '']) }],
      blanks: ['cut length measured', 'perforation torn by hand, even', 'slit goes through the liner only'],
    },
  ],
  summary: (cx) => ({ figure: ofForm(cx, 'cutLength'), text: cx.machine.name }),
};

function rows(cx: ConsumeContext): PanelRow[] {
  return [
    { label: 'machine', text: cx.machine.name },
    { label: 'cutLength', figure: ofForm(cx, 'cutLength') },
    { label: 'sheetsARepeat', figure: ofForm(cx, 'sheetsARepeat') },
    { label: 'piecesASheet', figure: ofForm(cx, 'piecesASheet') },
    { label: 'perforations', figure: idOf(cx.id, 'perforations') },
    { label: 'backSlits', figure: idOf(cx.id, 'backSlits') },
    { label: 'metres', figure: idOf(cx.id, 'metres') },
    { label: 'setupRepeats', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupMetres'), kind: 'count' } },
    { label: 'runningLoss', figure: idOf(cx.id, 'runningPpm'), edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' } },
    { label: 'metresAMinute', figure: idOf(cx.id, 'metresAMinute') },
    { label: 'trimWaste', figure: idOf(cx.id, 'trimKg') },
  ];
}

const MOST_LINES = 80;

/** One sheet to scale: its pieces, perforations, slits in the liner. */
function sheetScene(cx: ConsumeContext): Scene {
  const part = cx.parts[0];
  const form = cx.layout?.web;
  if (!part?.traits?.web || !form)
    return { title: 'sheet', says: 'No sheet yet.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
  const [w, h] = form.sheetMm;
  const { across, along, gapMm, edgeMm, perforated, backSlitMm } = part.traits.web;
  const text = Math.max(w, h) / 24;
  const shapes: Shape[] = [{ kind: 'rect', role: 'sheet', x: 0, y: 0, w, h, ref: 'sheet' }];
  const rowMm = (h - 2 * edgeMm + gapMm) / along;
  if (across * along <= 400)
    for (let j = 0; j < along; j++)
      for (let i = 0; i < across; i++)
        shapes.push({
          kind: 'rect',
          role: 'copy',
          x: edgeMm + i * (part.widthMm + gapMm),
          y: edgeMm + j * rowMm,
          w: part.widthMm,
          h: part.heightMm,
          ref: `piece ${j * across + i + 1}`,
        });
  if (perforated) {
    for (let i = 1; i < Math.min(across, MOST_LINES); i++) {
      const x = edgeMm + i * (part.widthMm + gapMm) - gapMm / 2;
      shapes.push({ kind: 'line', role: 'perforation', x1: x, y1: 0, x2: x, y2: h, ref: 'perforation' });
    }
    for (let j = 1; j < Math.min(along, MOST_LINES); j++) {
      const y = edgeMm + j * rowMm - gapMm / 2;
      shapes.push({ kind: 'line', role: 'perforation', x1: 0, y1: y, x2: w, y2: y, ref: 'perforation' });
    }
  }
  if (backSlitMm !== null)
    for (let x = backSlitMm; x < w && x / backSlitMm < MOST_LINES; x += backSlitMm)
      shapes.push({ kind: 'line', role: 'cut', x1: x, y1: -text * 0.6, x2: x, y2: h + text * 0.6, ref: 'slit in the liner' });
  shapes.push(
    { kind: 'text', role: 'label', x: w / 2, y: h + text * 1.9, text: `${round(w)} × ${round(h)} mm`, sizeMm: text, anchor: 'middle' },
    { kind: 'text', role: 'label', x: 0, y: -text * 0.9, text: `${across} × ${along} pieces`, sizeMm: text },
  );
  return {
    title: 'sheet',
    says: `Sheet ${round(w)} by ${round(h)} millimetres with ${across} by ${along} pieces${perforated ? ', perforated between them' : ''}${backSlitMm === null ? '' : `, liner slit every ${backSlitMm} millimetres`}.`,
    box: boxAround(shapes, text * 1.6),
    toScale: true,
    shapes,
  };
}
const round = (x: number): number => Math.round(x * 10) / 10;
