import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { type Scene, type Shape, boxAround } from '../scene/scene';
import { practiceTerm } from '../plant/practice';
import { BELT_RATE, FOLDED_THICKNESS, FOLDED_WIDTH, PANELS, SLOWEST } from '../finishing/folding';
import { STEP_SETUP } from '../counts/loss-terms';
import { type ConsumeContext, type Process, type ProcessContext, lossTable, setting, settingPath, wordSetting } from './process';
import { singleStep } from './single-step';
import { caliperTerm } from './stock-terms';
import { repeatFactor, speedTerm, timeAndCost } from './time-and-cost';
import { ownSetupTerm, runningLossTerm, stepLosses } from './step-losses';
import { foldedWidthOf, foldsOf } from '../product/folds';

export const isScored = (cx: Pick<ProcessContext, 'settings' | 'id'>): boolean =>
  (Object.hasOwn(cx.settings, 'score') ? cx.settings['score'] : 'score') !== 'none';

/** Score and fold in one pass: thick board is scored on the way in; the belt sets the rate. */
export const fold: Process = {
  id: 'fold',
  abilities: ['beltMmPerS'],
  losses: { setup: 'fold.setupSheets', running: 'fold.runningPpm' },
  asks: () => ({}),
  draft(cx) {
    const losses = stepLosses(cx, cx.id, (cx) => ({
      setup: {
        formula: STEP_SETUP,
        terms: { fresh: setting(cx, 'setupSheets', practiceTerm(cx.plant, 'fold.setupSheets')), factor: repeatFactor(cx) },
        own: ownSetupTerm(cx),
      },
      runningPpm: runningLossTerm(cx, 'fold.runningPpm'),
      table: lossTable(cx),
    }));
    return singleStep(cx, { takesPer: 1, givesPer: 1, unit: 'copy', perGood: 1, whole: true, losses, cautions: ['rollers'] });
  },
  consume(cx) {
    const { ledger, id } = cx;
    const part = cx.parts[0];
    ledger.figure(idOf(id, 'panels'), PANELS, { folds: typed(foldsOf(part), '1', 'folds') });
    ledger.figure(idOf(id, 'foldedMm'), FOLDED_WIDTH, {
      openMm: typed(part?.widthMm ?? 0, 'mm', 'openWidthMm'),
      panels: fig(idOf(id, 'panels')),
    });
    ledger.figure(idOf(id, 'thickness'), FOLDED_THICKNESS, {
      panels: fig(idOf(id, 'panels')),
      caliperUm: caliperTerm(cx),
      extraUm: typed(0, 'µm', 'none'),
    });
    ledger.figure(idOf(id, 'beltRate'), BELT_RATE, {
      beltMmPerS: {
        value: cx.machine.limits.beltMmPerS ?? 1_000,
        unit: 'mm/s',
        from: 'plant',
        at: `machine:${cx.machineId}.beltMmPerS`,
      },
      lengthMm: typed(part?.widthMm ?? 0, 'mm', 'openWidthMm'),
      gapMm: practiceTerm(cx.plant, 'fold.gapMm'),
    });
    ledger.figure(idOf(id, 'rate'), SLOWEST, { belt: fig(idOf(id, 'beltRate')), machine: speedTerm(cx) }, '1/h');
    return { costs: timeAndCost(cx, { step: id, perHour: fig(idOf(id, 'rate')) }) };
  },
  paper: (cx) => [
    { department: 'fold', scene: true, rows: fold.panel(cx), lists: [], blanks: ['score position checked', 'first good piece signed by'] },
  ],
  scene: foldScene,
  panel: (cx) => [
    { label: 'machine', text: cx.machine.name },
    {
      label: 'score',
      text: isScored(cx) ? 'score' : 'none',
      edit: {
        at: settingPath(cx, 'score'),
        kind: 'choice',
        options: [
          { value: 'score', says: 'score' },
          { value: 'none', says: 'none' },
        ],
      },
    },
    { label: 'foldKind', text: foldKind(foldsOf(cx.parts[0])) },
    { label: 'panels', figure: idOf(cx.id, 'panels') },
    { label: 'foldedWidth', figure: idOf(cx.id, 'foldedMm') },
    { label: 'thickness', figure: idOf(cx.id, 'thickness') },
    { label: 'rate', figure: idOf(cx.id, 'rate'), edit: { at: settingPath(cx, 'perHour'), kind: 'count' } },
    { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles') },
    { label: 'runningLoss', figure: idOf(cx.id, 'runningPpm'), edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' } },
    {
      label: 'setupKind',
      text: wordSetting(cx, 'repeat', 'new'),
      edit: {
        at: settingPath(cx, 'repeat'),
        kind: 'choice',
        options: [
          { value: 'new', says: 'new' },
          { value: 'repeat', says: 'repeat' },
        ],
      },
    },
  ],
  summary: (cx) => ({
    text: `${cx.machine.name} · ${foldsOf(cx.parts[0])} ${foldsOf(cx.parts[0]) === 1 ? 'fold' : 'folds'}${isScored(cx) ? ', scored' : ''}`,
  }),
};

/** How panels of one width fold: more than one fold can only go to and fro, as a panel that is to lie inside would have to be narrower. */
const foldKind = (folds: number): string => (folds > 1 ? 'foldZigzag' : 'foldOnce');

/** The open piece with its folds, and the folded piece seen on edge. */
function foldScene(cx: ConsumeContext): Scene {
  const part = cx.parts[0];
  if (!part) return { title: 'fold', says: 'Nothing to fold.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
  const { widthMm: w, heightMm: h } = part;
  const [folds, folded] = [foldsOf(part), foldedWidthOf(part)];
  const text = Math.max(w, h) / 26;
  const shapes: Shape[] = [{ kind: 'rect', role: 'copy', x: 0, y: 0, w, h, ref: 'open' }];
  for (let f = 1; f <= folds; f++) {
    const at = (w * f) / (folds + 1);
    shapes.push({
      kind: 'line',
      role: isScored(cx) ? 'score' : 'fold',
      x1: at,
      y1: -text * 0.5,
      x2: at,
      y2: h + text * 0.5,
      ref: `fold ${f}`,
    });
    shapes.push({
      kind: 'text',
      role: 'label',
      x: at,
      y: -text * 0.9,
      text: `${isScored(cx) ? 'score, ' : ''}fold ${f} at ${Math.round(at * 10) / 10}`,
      sizeMm: text,
      anchor: 'middle',
    });
  }
  const x0 = w + text * 4;
  shapes.push(
    { kind: 'rect', role: 'copy', x: x0, y: 0, w: folded, h, ref: 'folded' },
    {
      kind: 'text',
      role: 'label',
      x: x0 + folded / 2,
      y: h + text * 1.6,
      text: `folded ${Math.round(folded * 10) / 10} × ${h} mm`,
      sizeMm: text,
      anchor: 'middle',
    },
  );
  shapes.push(
    { kind: 'line', role: 'arrow', x1: w + text * 0.8, y1: h / 2, x2: x0 - text * 0.8, y2: h / 2 },
    { kind: 'text', role: 'label', x: w / 2, y: h + text * 1.6, text: `open ${w} × ${h} mm`, sizeMm: text, anchor: 'middle' },
  );
  // Zigzag on edge: panels one on the other.
  const edge: [number, number][] = Array.from({ length: folds + 2 }, (_, i) => [
    x0 + (i % 2 === 0 ? 0 : folded),
    h + text * 3 + i * text * 0.8,
  ]);
  shapes.push({ kind: 'path', role: 'arrow', points: edge, closed: false, ref: 'edge' });
  return {
    title: 'folds',
    says: `Open ${w} by ${h} millimetres, ${folds} parallel folds${isScored(cx) ? ', scored first' : ''}, folded ${folded} by ${h}.`,
    box: boxAround(shapes, text * 1.8),
    toScale: true,
    shapes,
  };
}
