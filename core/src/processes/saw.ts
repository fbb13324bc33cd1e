import { idOf } from '../quantity/id-of';
import { typed } from '../quantity/ledger';
import { copiesUp } from '../layout/layout';
import { sheetScene } from '../layout/sheet-scene';
import { type ConsumeContext, type DraftContext, machineTerm, type PanelRow, type Process, settingRow } from './process';
import { singleStep } from './single-step';
import { timeAndCost } from './time-and-cost';

/** Nothing is printed on metal. */
const NO_BAR = typed(0, 'mm', 'metal');
const blanksAPlate = ({ layout }: Pick<DraftContext, 'layout'>): number => Math.max(layout ? copiesUp(layout) : 1, 1);

/** Blanks for dies sawn from plates of metal, one by one, no more than are wanted; what is left of a plate goes back to its rack. */
export const saw: Process = {
  id: 'saw',
  asks: () => ({}),
  draft: (cx) =>
    singleStep(cx, {
      takesPer: 1 / blanksAPlate(cx),
      givesPer: 1,
      unit: 'piece',
      perGood: 1,
      whole: true,
      losses: {},
      cautions: ['saw', 'eyes'],
    }),
  consume: (cx) => ({ costs: timeAndCost(cx, { step: cx.id }) }),
  scene: (cx) => sheetScene(cx.layout, cx.parts, cx.stock, cx.workStyle, NO_BAR),
  panel: rows,
  paper: (cx) => [
    { department: 'engraving', scene: true, rows: rows(cx), lists: [], blanks: ['blanks measured', 'left over, back to the rack'] },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'run'), text: cx.machine.name }),
};

function rows(cx: ConsumeContext): PanelRow[] {
  const [part] = cx.parts;
  return [
    { label: 'stock', text: cx.stock?.name ?? '' },
    { label: 'dieBlank', text: `${part?.widthMm ?? 0} × ${part?.heightMm ?? 0} mm` },
    { label: 'blanksToSaw', figure: idOf(idOf(cx.id, 'out'), 'demand') },
    { label: 'blanksAPlate', text: String(blanksAPlate(cx)) },
    settingRow(cx, 'speed', 'perHour', machineTerm(cx, 'netPerHour'), { kind: 'count', unit: 'an hour' }),
    { label: 'runTime', figure: idOf(cx.id, 'runS') },
  ];
}
