import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { type Scene, type Shape, boxAround } from '../scene/scene';
import { practiceTerm } from '../plant/practice';
import { PILE_SHEETS } from '../stock/pile';
import { SHEET_MASS } from '../stock/sheet-mass';
import { copiesUp, copyPlaces } from '../layout/layout';
import { type Cut, CUTS, CUTTING_TIME, LIFTS, cuttingProgram } from '../finishing/cutting-program';
import { STEP_SETUP } from '../counts/loss-terms';
import { SUM } from '../route/time-and-cost';
import { type ConsumeContext, type Process, type ProcessContext, says, lossTable, setting, settingPath } from './process';
import { singleStep } from './single-step';
import { repeatFactor, timeAndCost } from './time-and-cost';
import { ownSetupTerm, runningLossTerm, stepLosses } from './step-losses';

/** The lift asked: lower for soft or laminated stock. */
const liftMm = (cx: ProcessContext & { stock: { soft?: boolean } | null }): ReturnType<typeof practiceTerm> =>
  setting(cx, 'liftMm', practiceTerm(cx.plant, cx.stock?.soft ? 'guillotine.softLiftMm' : 'guillotine.liftMm'));

const programOf = (cx: ConsumeContext): Cut[] => (cx.layout && cx.parts[0] ? cuttingProgram(cx.layout, cx.parts[0]) : []);

/** Guillotine: sheets to copies in lifts, by a program of cuts. */
export const guillotine: Process = {
  id: 'guillotine',
  losses: { setup: 'guillotine.setupSheets', running: 'guillotine.runningPpm' },
  straightCuts: true,
  asks: (cx) => ({ ...(cx.machine.maxSheetMm && { maxSheetMm: cx.machine.maxSheetMm }) }),
  draft(cx) {
    const losses = stepLosses(cx, cx.id, (cx) => ({
      setup: {
        formula: STEP_SETUP,
        terms: { fresh: setting(cx, 'setupSheets', practiceTerm(cx.plant, 'guillotine.setupSheets')), factor: repeatFactor(cx) },
        own: ownSetupTerm(cx),
      },
      runningPpm: runningLossTerm(cx, 'guillotine.runningPpm'),
      table: lossTable(cx),
    }));
    const waits = cx.wet.slice(-1).map((after) => {
      cx.to.figure(idOf(cx.id, 'waitS'), SUM, { wait: setting(cx, 'waitS', practiceTerm(cx.plant, 'wait.cutS')) });
      return { after, figure: idOf(cx.id, 'waitS'), why: 'cut' as const };
    });
    return singleStep(cx, {
      takesPer: 1,
      givesPer: cx.layout ? copiesUp(cx.layout) : 1,
      unit: 'copy',
      perGood: 1,
      whole: true,
      losses,
      waits,
      cautions: ['knife'],
    });
  },
  consume(cx) {
    const { to, id } = cx;
    to.figure(idOf(id, 'perLift'), PILE_SHEETS, {
      heightMm: liftMm(cx),
      caliperUm: { value: cx.stock?.caliperUm ?? 0, unit: 'µm', from: 'plant', at: `stock:${cx.stockId ?? ''}` },
    });
    to.figure(idOf(id, 'lifts'), LIFTS, { sheets: fig(idOf(id, 'run')), perLift: fig(idOf(id, 'perLift')) });
    to.figure(idOf(id, 'cuts'), CUTS, { cuts: { value: programOf(cx).length, unit: 'cut', from: 'family', at: 'program' } });
    to.figure(idOf(id, 'cuttingS'), CUTTING_TIME, {
      lifts: fig(idOf(id, 'lifts')),
      cuts: fig(idOf(id, 'cuts')),
      perCut: setting(cx, 'cutS', practiceTerm(cx.plant, 'guillotine.cutS')),
      loading: setting(cx, 'loadS', practiceTerm(cx.plant, 'guillotine.loadS')),
    });
    const mm = (value: number): ReturnType<typeof typed> => ({ value, unit: 'mm', from: 'family', at: 'layout' });
    const [w, h] = cx.layout?.sheetMm ?? [1, 1];
    const part = cx.parts[0];
    const gsm = { value: cx.stock?.gsm ?? 0, unit: 'g/m²', from: 'plant', at: `stock:${cx.stockId ?? ''}` } as const;
    to.figure(idOf(id, 'sheetKg'), SHEET_MASS, { sheets: fig(idOf(id, 'run')), widthMm: mm(w), heightMm: mm(h), gsm });
    to.figure(idOf(id, 'cut'), COPIES_CUT, { sheets: fig(idOf(id, 'run')), copiesUp: fig(idOf(part?.id ?? '', 'copiesUp')) });
    to.figure(idOf(id, 'copiesKg'), SHEET_MASS, {
      sheets: fig(idOf(id, 'cut')),
      widthMm: mm(part?.widthMm ?? 0),
      heightMm: mm(part?.heightMm ?? 0),
      gsm,
    });
    to.figure(idOf(id, 'trimKg'), TRIM_WASTE, { sheets: fig(idOf(id, 'sheetKg')), copies: fig(idOf(id, 'copiesKg')) });
    return {
      costs: timeAndCost(cx, { step: id, runS: fig(idOf(id, 'cuttingS')) }),
      wasteKg: [{ kind: 'trim', figure: idOf(id, 'trimKg') }],
    };
  },
  paper: (cx) => [
    {
      department: 'guillotine',
      scene: true,
      rows: guillotine.panel(cx),
      lists: [
        {
          title: 'program',
          head: ['cut', 'kind', 'direction', 'at'],
          rows: programOf(cx)
            .slice(0, 60)
            .map((c) => [
              String(c.nr),
              c.says === 'trimEdge' ? 'trim' : c.says === 'separate' ? 'part' : 'cut out',
              c.across === 'x' ? 'from the side lay' : 'from the gripper edge',
              `${Math.round(c.atMm * 10) / 10} mm`,
            ]),
        },
      ],
      blanks: ['lay edge marked', 'strips sorted', 'knife changed'],
    },
  ],
  scene: cutScene,
  panel: (cx) => [
    { label: 'cuts', figure: idOf(cx.id, 'cuts') },
    { label: 'sheetsPerLift', figure: idOf(cx.id, 'perLift') },
    { label: 'liftHeight', text: says(liftMm(cx), 'mm'), edit: { at: settingPath(cx, 'liftMm'), kind: 'length' } },
    { label: 'lifts', figure: idOf(cx.id, 'lifts') },
    { label: 'cuttingTime', figure: idOf(cx.id, 'cuttingS') },
    {
      label: 'secondsPerCut',
      text: says(practiceTerm(cx.plant, 'guillotine.cutS'), 's'),
      edit: { at: settingPath(cx, 'cutS'), kind: 'seconds' },
    },
    { label: 'runningLoss', figure: idOf(cx.id, 'runningPpm'), edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' } },
    { label: 'waitBefore', figure: idOf(cx.id, 'waitS'), edit: { at: settingPath(cx, 'waitS'), kind: 'hours' } },
    { label: 'trimWaste', figure: idOf(cx.id, 'trimKg') },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'cuts'), text: cx.machine.name }),
};

const COPIES_CUT = {
  id: 'counts.copiesCut',
  unit: 'copy',
  source: 'arithmetic',
  of: ({ sheets, copiesUp: up }: { sheets: number; copiesUp: number }) => sheets * up,
} as const;
const TRIM_WASTE = {
  id: 'counts.trimWaste',
  unit: 'kg',
  source: 'mass of the sheets less mass of the copies',
  of: ({ sheets, copies }: { sheets: number; copies: number }) => Math.max(sheets - copies, 0),
} as const;

function cutScene(cx: ConsumeContext): Scene {
  const cuts = programOf(cx);
  if (!cx.layout || !cx.parts[0])
    return { title: 'cutting program', says: 'No program yet.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
  const [w, h] = cx.layout.sheetMm;
  const text = Math.max(w, h) / 42;
  const up = (y: number): number => h - y;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'sheet', x: 0, y: 0, w, h, ref: 'sheet' },
    { kind: 'rect', role: 'gripper', x: 0, y: h - cx.layout.gripperMm, w, h: cx.layout.gripperMm },
  ];
  for (const p of copyPlaces(cx.layout, cx.parts[0]).slice(0, 400))
    shapes.push({ kind: 'rect', role: 'copy', x: p.x, y: up(p.y + p.h), w: p.w, h: p.h });
  for (const cut of cuts.slice(0, 200)) {
    const over = text * 0.9;
    const line: Shape =
      cut.across === 'x'
        ? {
            kind: 'line',
            role: 'cut',
            x1: cut.atMm,
            y1: up(cut.toMm) - over,
            x2: cut.atMm,
            y2: up(cut.fromMm) + over,
            ref: `cut ${cut.nr}`,
          }
        : {
            kind: 'line',
            role: 'cut',
            x1: cut.fromMm - over,
            y1: up(cut.atMm),
            x2: cut.toMm + over,
            y2: up(cut.atMm),
            ref: `cut ${cut.nr}`,
          };
    shapes.push(
      line,
      cut.across === 'x'
        ? {
            kind: 'text',
            role: 'strong',
            x: cut.atMm,
            y: up(cut.toMm) - over * 1.3 - (cut.nr % 2) * text,
            text: String(cut.nr),
            sizeMm: text,
            anchor: 'middle',
          }
        : {
            kind: 'text',
            role: 'strong',
            x: cut.toMm + over * 1.6 + (cut.nr % 2) * text * 1.3,
            y: up(cut.atMm) + text / 3,
            text: String(cut.nr),
            sizeMm: text,
            anchor: 'middle',
          },
    );
  }
  shapes.push({
    kind: 'text',
    role: 'label',
    x: 0,
    y: h + text * 1.6,
    text: `${cuts.length} cuts a lift; strips of a block lie side by side for the second direction`,
    sizeMm: text,
  });
  return {
    title: 'cutting program',
    says: `${cuts.length} cuts: ${cuts
      .slice(0, 60)
      .map((c) => `${c.nr} ${c.across === 'x' ? 'across' : 'along'} at ${Math.round(c.atMm * 10) / 10} mm`)
      .join('; ')}`,
    box: boxAround(shapes, text * 1.6),
    toScale: true,
    shapes,
  };
}
