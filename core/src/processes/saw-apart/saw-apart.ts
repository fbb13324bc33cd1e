import { idOf } from '../../quantity/id-of';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import type { BinderTrims } from '../../product/adhesive';
import { boundLengthMm } from '../block-sizes';
import { booksACycle } from '../hoppers';
import { inLineTime } from '../in-line';
import { type ConsumeContext, type PanelRow, type Process, settingPath } from '../process';
import { machineRow, runningLossRow } from '../rows';
import { singleStep } from '../single-step';
import { usualLosses } from '../step-losses';

const LOSSES = { setup: 'sawApart.setupCycles', running: 'sawApart.runningPpm' } as const;

/** Length of one book with head and foot, and the cut between. */
function sizes({ parts }: Pick<ConsumeContext, 'parts'>): { oneMm: number; sawMm: number } {
  const text = parts.find((p) => p.traits?.adhesive);
  const trims: Partial<BinderTrims> = text?.traits?.adhesive?.trims ?? {};
  return { oneMm: (text?.heightMm ?? 0) + (trims.headMm ?? 0) + (trims.footMm ?? 0), sawMm: trims.sawMm ?? 0 };
}
const mm = (value: number): string => `${Math.round(value * 100) / 100} mm`;
const sawAt = (cx: ConsumeContext): string => {
  const { oneMm, sawMm } = sizes(cx);
  const closed = oneMm + sawMm / 2;
  const open = boundLengthMm(cx) - closed;
  // What a sheet leaves that is folded whole lies at the end that was not folded.
  const ends = open > closed + 0.05 ? `the folded end, ${mm(open)} from the open one` : 'either end';
  return `${mm(closed)} from ${ends}; ${mm(sawMm)} wide`;
};

const panel = (cx: ConsumeContext): PanelRow[] => [
  machineRow(cx),
  { label: 'sawAt', text: sawAt(cx) },
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
  runningLossRow(cx),
];

/** Two books bound as one length, sawn apart behind the binder. */
export const sawApart: Process = {
  id: 'sawApart',
  abilities: ['inLine'],
  losses: LOSSES,
  asks: () => ({}),
  draft: (cx) =>
    singleStep(cx, {
      takesPer: 1,
      // Bound one by one for want of a sheet, nothing is sawn: the finding at the binder says so.
      givesPer: booksACycle(cx),
      unit: 'block',
      perGood: 1,
      whole: true,
      losses: usualLosses(cx, LOSSES),
      cautions: ['bookSaw', 'paperDust'],
    }),
  consume: (cx) => ({ costs: inLineTime(cx, { step: cx.id }) }),
  scene: sawScene,
  panel,
  paper: (cx) => [
    {
      department: 'binding',
      scene: true,
      rows: panel(cx),
      lists: [],
      blanks: ['cut square within 0.5 mm', 'both books of the first block read'],
    },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'run'), text: cx.machine.name }),
};

/** The double length on its way past the saw. */
function sawScene(cx: ConsumeContext): Scene {
  const { oneMm, sawMm } = sizes(cx);
  const [w, all] = [cx.parts.find((p) => p.traits?.adhesive)?.widthMm ?? 0, 2 * oneMm + sawMm];
  const text = all / 30;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'copy', x: 0, y: 0, w: oneMm, h: w, ref: 'one book' },
    { kind: 'rect', role: 'gripper', x: oneMm, y: 0, w: sawMm, h: w, ref: 'saw cut' },
    { kind: 'rect', role: 'copy', x: oneMm + sawMm, y: 0, w: oneMm, h: w, ref: 'other book' },
    { kind: 'line', role: 'cut', x1: oneMm + sawMm / 2, y1: -text, x2: oneMm + sawMm / 2, y2: w + text },
    { kind: 'text', role: 'strong', x: oneMm / 2, y: w / 2, text: mm(oneMm), sizeMm: text, anchor: 'middle' },
    { kind: 'text', role: 'strong', x: oneMm * 1.5 + sawMm, y: w / 2, text: mm(oneMm), sizeMm: text, anchor: 'middle' },
    { kind: 'text', role: 'label', x: oneMm + sawMm / 2, y: w + text * 2.2, text: `saw ${mm(sawMm)}`, sizeMm: text, anchor: 'middle' },
  ];
  return {
    title: 'sawing apart',
    says: `Two books of ${mm(oneMm)} as one length of ${mm(all)}, sawn apart in the middle.`,
    box: boxAround(shapes, text),
    toScale: true,
    shapes,
  };
}
