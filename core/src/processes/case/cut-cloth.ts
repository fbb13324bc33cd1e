import { idOf } from '../../quantity/id-of';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import { copiesUp } from '../../layout/layout';
import { type ConsumeContext, type PanelRow, type Process, settingPath } from '../process';
import { machineRow, runningLossRow } from '../rows';
import { singleStep } from '../single-step';
import { usualLosses } from '../step-losses';
import { timeAndCost } from '../time-and-cost';
import { edgeTrim, ofForm } from '../web-time';

const LOSSES = { setup: 'cutCloth.setupLengths', running: 'cutCloth.runningPpm' } as const;
const mm = (value: number): string => `${Math.round(value * 100) / 100} mm`;

const panel = (cx: ConsumeContext): PanelRow[] => [
  machineRow(cx),
  { label: 'clothLength', text: mm(cx.parts[0]?.heightMm ?? 0) },
  { label: 'slitWidth', text: mm(cx.parts[0]?.widthMm ?? 0) },
  { label: 'lanes', figure: ofForm(cx, 'lanes') },
  { label: 'clothEdges', text: mm(cx.layout?.cells[0]?.x ?? 0) },
  { label: 'trimWaste', figure: idOf(cx.id, 'trimKg') },
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
  runningLossRow(cx),
];

/** Cloth cut from the roll: slit side by side, cut to length; a cycle is a length across the roll. */
export const cutCloth: Process = {
  id: 'cutCloth',
  losses: LOSSES,
  asks: () => ({}),
  draft: (cx) =>
    singleStep(cx, {
      takesPer: cx.layout ? cx.layout.sheetMm[1] / 1000 : 1,
      givesPer: cx.layout ? Math.max(copiesUp(cx.layout), 1) : 1,
      unit: 'piece',
      perGood: 1,
      whole: true,
      losses: usualLosses(cx, LOSSES),
      cautions: ['roundKnives', 'rolls'],
    }),
  consume: (cx) => ({ costs: timeAndCost(cx, { step: cx.id }), ...edgeTrim(cx) }),
  scene: clothScene,
  panel,
  paper: (cx) => [
    {
      department: 'binding',
      scene: true,
      rows: [{ label: 'grainLies', text: 'along the roll, as it will lie along the spine' }, ...panel(cx)],
      lists: [],
      blanks: ['roll: lot, right side out', 'first length: width and length measured, square', 'faults in the cloth marked and laid aside'],
    },
  ],
  summary: (cx) => ({ figure: ofForm(cx, 'lanes'), text: cx.machine.name }),
};

/** Two lengths of the roll with the pieces on them. */
function clothScene(cx: ConsumeContext): Scene {
  const [w, h] = cx.layout?.sheetMm ?? [cx.stock?.widthMm ?? 100, 100];
  const cell = cx.layout?.cells[0];
  const t = Math.max(w, h) / 30;
  const shapes: Shape[] = [{ kind: 'rect', role: 'web', x: 0, y: 0, w, h: 2 * h, ref: 'roll' }];
  for (const row of [0, 1])
    for (let i = 0; cell && i < cell.nx; i++)
      shapes.push({ kind: 'rect', role: 'copy', x: cell.x + i * cell.dx, y: row * h, w: cell.dx, h, ref: `piece ${i + 1}` });
  shapes.push({ kind: 'line', role: 'cut', x1: 0, y1: h, x2: w, y2: h });
  shapes.push({ kind: 'line', role: 'grain', x1: w / 2, y1: h * 0.3, x2: w / 2, y2: h * 0.7 });
  shapes.push({ kind: 'line', role: 'dimension', x1: 0, y1: 2 * h + t, x2: w, y2: 2 * h + t });
  const wide = cell ? mm(cell.dx) : '–';
  shapes.push({
    kind: 'text',
    role: 'label',
    x: w / 2,
    y: 2 * h + t * 2.3,
    text: `roll ${mm(w)}, pieces ${wide} wide`,
    sizeMm: t,
    anchor: 'middle',
  });
  shapes.push({ kind: 'line', role: 'dimension', x1: w + t, y1: 0, x2: w + t, y2: h });
  shapes.push({ kind: 'text', role: 'label', x: w + t * 2.2, y: h / 2, text: mm(h), sizeMm: t, anchor: 'middle', turn: -90 });
  return {
    title: 'cut of cloth',
    says: `${cell?.nx ?? 0} pieces of ${wide} side by side on a roll of ${mm(w)}, cut every ${mm(h)}; grain along the roll.`,
    box: boxAround(shapes, t),
    toScale: true,
    shapes,
  };
}
