import { idOf } from '../../quantity/id-of';
import { creaseRuleHeightMm, creaseRuleMm } from '../../form/cutting-die';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import type { ConsumeContext, PanelRow, PaperPage, Process } from '../process';
import { machineRow } from '../rows';
import { ruledOf } from './ruled';

export function dieShopPanel(cx: ConsumeContext): PanelRow[] {
  const { name, places, sheetMm, cutM, creaseM, boardUm } = ruledOf(cx);
  const boardMm = boardUm / 1000;
  return [
    machineRow(cx),
    { label: 'stock', text: cx.stock?.name ?? '' },
    { label: 'dieCuts', text: name },
    { label: 'diePlaces', text: String(places) },
    { label: 'dieSheet', text: `${sheetMm[0]} × ${sheetMm[1]} mm` },
    { label: 'cutMetres', text: `${cutM} m` },
    { label: 'creaseMetres', text: `${creaseM} m` },
    { label: 'creaseRule', text: boardMm > 0 ? `${creaseRuleMm(boardMm)} mm thick, ${creaseRuleHeightMm(boardMm)} mm high` : '–' },
    { label: 'rubber', figure: idOf(cx.id, 'rubberM') },
    { label: 'diesToMake', figure: idOf(idOf(cx.id, 'out'), 'demand') },
    { label: 'runTime', figure: idOf(cx.id, 'runS') },
  ];
}

export const dieShopSummary = (cx: ConsumeContext): ReturnType<Process['summary']> => ({
  figure: idOf(cx.id, 'run'),
  text: cx.machine.name,
});

export const dieShopPaper = (cx: ConsumeContext): PaperPage[] => [
  {
    department: 'engraving',
    scene: true,
    rows: [{ label: 'dieDrawing', text: 'theDieFile' }, ...dieShopPanel(cx)],
    lists: [
      {
        title: 'dieRoomChecks',
        head: ['looked at', 'measured', 'in order, signed'],
        rows: [
          ['rules: height, level, joints closed', '', ''],
          ['nicks ground where the nick table has them', '', ''],
          ['rubber clear of the rules, hard in narrow gaps', '', ''],
          ['counter plate: channels by the crease table', '', ''],
          ['stripping frame: a pin for every waste face', '', ''],
          ['blanking grid', '', ''],
          ['proof on the board of the job: sizes, folds, nicks hold', '', ''],
        ],
      },
    ],
    blanks: ['drawing version', 'tool number given', 'place in the tool store'],
  },
];

/** A die from its ruled side and from the side: board, the sheet it cuts, the rules that stand above the board. */
export function dieShopScene(cx: ConsumeContext): Scene {
  const [part] = cx.parts;
  const { sheetMm, places } = ruledOf(cx);
  const [w, h] = [part?.widthMm ?? sheetMm[0], part?.heightMm ?? sheetMm[1]];
  const [x, y] = [(w - sheetMm[0]) / 2, (h - sheetMm[1]) / 2];
  const text = w / 30;
  const boardMm = Math.max((cx.stock?.caliperUm ?? 0) / 1000, 5);
  const side = h + 2 * text;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'pallet', x: 0, y: 0, w, h, ref: 'board' },
    { kind: 'rect', role: 'cut', x, y, w: sheetMm[0], h: sheetMm[1], ref: 'sheet' },
    { kind: 'text', role: 'label', x: w / 2, y: h / 2, text: `places: ${places}, by the die's file`, sizeMm: text, anchor: 'middle' },
    { kind: 'rect', role: 'pallet', x: 0, y: side + 6, w, h: boardMm, ref: 'board' },
    // Rules stand 23.80 high, so a little above the board.
    { kind: 'line', role: 'cut', x1: x, y1: side, x2: x, y2: side + 6 },
    { kind: 'line', role: 'cut', x1: x + sheetMm[0], y1: side, x2: x + sheetMm[0], y2: side + 6 },
  ];
  return {
    title: 'die',
    says: `A cutting die on a board of ${w} by ${h} millimetres for a sheet of ${sheetMm[0]} by ${sheetMm[1]} with ${places} places.`,
    box: boxAround(shapes, text),
    toScale: true,
    shapes,
  };
}
