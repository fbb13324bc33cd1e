import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { type Scene, type Shape, boxAround } from '../scene/scene';
import { type PracticeKey, practiceTerm, practiceValue } from '../plant/practice';
import { dryBeforeCutting, type DryingLoad } from '../ink/drying';
import { isFromTheDrum } from '../product/ink-names';
import { PILE_SHEETS } from '../stock/pile';
import { SHEET_MASS } from '../stock/sheet-mass';
import { copyPlaces } from '../layout/layout';
import { letterOf } from '../layout/sheet-scene';
import { type Cut, CUTS, CUTTING_TIME, cuttingProgram, LIFTS, type SheetEdge } from '../finishing/cutting-program';
import { STEP_SETUP } from '../counts/loss-terms';
import { SUM } from '../route/time-and-cost';
import {
  type ConsumeContext,
  type DraftContext,
  type Process,
  type ProcessContext,
  lossTable,
  setting,
  settingPath,
  settingRow,
} from './process';
import { meanPiece, ordersOnForm, partedStep } from './parted-step';
import { caliperTerm } from './stock-terms';
import { repeatFactor, timeAndCost } from './time-and-cost';
import { ownSetupTerm, runningLossTerm, stepLosses } from './step-losses';

/** The lift asked: lower for soft or laminated stock. */
const liftMm = (cx: ProcessContext & { stock: { soft?: boolean } | null }): ReturnType<typeof practiceTerm> =>
  setting(cx, 'liftMm', practiceTerm(cx.plant, cx.stock?.soft ? 'guillotine.softLiftMm' : 'guillotine.liftMm'));

const programOf = (cx: ConsumeContext): Cut[] => (cx.layout ? cuttingProgram(cx.layout) : []);

/** What lies on the sheet that is to be cut: the heavier side, coverage typed or the plant's guess; whether a water-based coat covers it. */
function loadOf(cx: DraftContext): DryingLoad {
  const usual = practiceValue(cx.plant, 'ink.coveragePercent');
  const sides = cx.parts.flatMap(({ colours, coveragePercent }) =>
    colours.map((inks) => inks.filter((ink) => !isFromTheDrum(ink)).reduce((sum, ink) => sum + (coveragePercent[ink] ?? usual), 0)),
  );
  const waterCoat = cx.parts.some((p) => p.colours.flat().some((ink) => isFromTheDrum(ink) && !/varnish/i.test(ink)));
  return { surface: cx.stock?.surface, inkPercent: Math.max(0, ...sides), waterCoat };
}

/** How long ink lies before it is cut, as a practice of the plant. */
export const cutWait = (cx: DraftContext): PracticeKey => dryBeforeCutting(loadOf(cx));

/** Guillotine: sheets to copies in lifts, by a program of cuts. */
export const guillotine: Process = {
  id: 'guillotine',
  reach: 'sheet',
  losses: { setup: 'guillotine.setupSheets', running: 'guillotine.runningPpm' },
  parts: true,
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
      cx.ledger.figure(idOf(cx.id, 'waitS'), SUM, { wait: setting(cx, 'waitS', practiceTerm(cx.plant, cutWait(cx))) });
      return { after, figure: idOf(cx.id, 'waitS'), why: 'cut' as const };
    });
    return partedStep(cx, { unit: 'copy', losses, waits, cautions: ['knife'] });
  },
  consume(cx) {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'perLift'), PILE_SHEETS, {
      heightMm: liftMm(cx),
      caliperUm: caliperTerm(cx),
    });
    ledger.figure(idOf(id, 'lifts'), LIFTS, { sheets: fig(idOf(id, 'run')), perLift: fig(idOf(id, 'perLift')) });
    ledger.figure(idOf(id, 'cuts'), CUTS, { cuts: { value: programOf(cx).length, unit: 'cut', from: 'family', at: 'program' } });
    ledger.figure(idOf(id, 'cuttingS'), CUTTING_TIME, {
      lifts: fig(idOf(id, 'lifts')),
      cuts: fig(idOf(id, 'cuts')),
      perCut: setting(cx, 'cutS', practiceTerm(cx.plant, 'guillotine.cutS')),
      loading: setting(cx, 'loadS', practiceTerm(cx.plant, 'guillotine.loadS')),
    });
    const mm = (value: number): ReturnType<typeof typed> => ({ value, unit: 'mm', from: 'family', at: 'layout' });
    const [w, h] = cx.layout?.sheetMm ?? [1, 1];
    const [pieceWidth, pieceHeight] = meanPiece(cx);
    const gsm = { value: cx.stock?.gsm ?? 0, unit: 'g/m²', from: 'plant', at: `stock:${cx.stockId ?? ''}` } as const;
    ledger.figure(idOf(id, 'sheetKg'), SHEET_MASS, { sheets: fig(idOf(id, 'run')), widthMm: mm(w), heightMm: mm(h), gsm });
    ledger.figure(idOf(id, 'cut'), COPIES_CUT, { sheets: fig(idOf(id, 'run')), copiesUp: fig(idOf(cx.form?.id ?? '', 'copiesUp')) });
    ledger.figure(idOf(id, 'copiesKg'), SHEET_MASS, {
      sheets: fig(idOf(id, 'cut')),
      widthMm: mm(pieceWidth),
      heightMm: mm(pieceHeight),
      gsm,
    });
    ledger.figure(idOf(id, 'trimKg'), TRIM_WASTE, { sheets: fig(idOf(id, 'sheetKg')), copies: fig(idOf(id, 'copiesKg')) });
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
  ],
  scene: cutScene,
  panel: (cx) => [
    { label: 'cuts', figure: idOf(cx.id, 'cuts') },
    { label: 'sheetsPerLift', figure: idOf(cx.id, 'perLift') },
    settingRow(cx, 'liftHeight', 'liftMm', liftMm(cx), { kind: 'length', unit: 'mm' }),
    { label: 'lifts', figure: idOf(cx.id, 'lifts') },
    { label: 'cuttingTime', figure: idOf(cx.id, 'cuttingS') },
    settingRow(cx, 'secondsPerCut', 'cutS', practiceTerm(cx.plant, 'guillotine.cutS'), { kind: 'seconds', unit: 's' }),
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

const EDGES: Readonly<Record<SheetEdge, string>> = { gripper: 'gripper edge', tail: 'tail edge', lay: 'side lay edge', far: 'far edge' };
const TURNS = ['', 'quarter turn', 'end for end'] as const;
const FALLS: Readonly<Record<Cut['falls'], string>> = { trim: 'trim', strip: 'strip', waste: 'waste' };
const mmSays = (mm: number): string => (Math.round(mm * 10) / 10).toFixed(1);

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
  for (const p of copyPlaces(cx.layout).slice(0, 400)) {
    shapes.push({ kind: 'rect', role: 'copy', x: p.x, y: up(p.y + p.h), w: p.w, h: p.h });
    if (cx.parts.length > 1)
      shapes.push({
        kind: 'text',
        role: 'label',
        x: p.x + p.w / 2,
        y: up(p.y + p.h / 2) + text / 3,
        text: letterOf(p.part, cx.parts),
        sizeMm: text,
        anchor: 'middle',
      });
  }
  const over = text * 0.9;
  for (const { nr, lines } of cuts) {
    for (const l of lines)
      shapes.push(
        l.across === 'x'
          ? { kind: 'line', role: 'cut', x1: l.atMm, y1: up(l.toMm) - over, x2: l.atMm, y2: up(l.fromMm) + over, ref: `cut ${nr}` }
          : { kind: 'line', role: 'cut', x1: l.fromMm - over, y1: up(l.atMm), x2: l.toMm + over, y2: up(l.atMm), ref: `cut ${nr}` },
      );
    // Strips cut together bear the number once.
    const l = lines.at(-1);
    if (l)
      shapes.push({
        kind: 'text',
        role: 'strong',
        x: l.across === 'x' ? l.atMm : l.toMm + over * 1.6 + (nr % 2) * text * 1.3,
        y: l.across === 'x' ? up(l.toMm) - over * 1.3 - (nr % 2) * text : up(l.atMm) + text / 3,
        text: String(nr),
        sizeMm: text,
        anchor: 'middle',
      });
  }
  shapes.push({
    kind: 'text',
    role: 'label',
    x: 0,
    y: h + text * 1.6,
    text: `${cuts.length} cuts a lift, in the order of the numbers; gripper edge below, side lay at the left`,
    sizeMm: text,
  });
  return {
    title: 'cutting program',
    says: `${cuts.length} cuts: ${cuts.map((c) => `${c.nr} ${EDGES[c.edge]} at the gauge, ${mmSays(c.gaugeMm)} mm`).join('; ')}`,
    box: boxAround(shapes, text * 1.6),
    toScale: true,
    shapes,
  };
}
