import { idOf } from '../quantity/id-of';
import { typed } from '../quantity/ledger';
import { copiesUp } from '../layout/layout';
import { sheetScene } from '../layout/sheet-scene';
import { partedStep } from './parted-step';
import { type ConsumeContext, machineTerm, type PanelRow, type Process, settingRow } from './process';
import { speedTerm, timeAndCost } from './time-and-cost';

/** Nothing is printed on metal. */
const NO_BAR = typed(0, 'mm', 'metal');

/** Plates of metal sawn into blanks for dies by straight cuts; what is left of a plate goes back to its rack. */
export const saw: Process = {
  id: 'saw',
  parts: true,
  asks: () => ({}),
  draft: (cx) => partedStep(cx, { unit: 'piece', losses: {}, waits: [], cautions: ['saw', 'eyes'] }),
  consume: (cx) => ({ costs: timeAndCost(cx, { step: cx.id, perHour: speedTerm(cx) }) }),
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
    { label: 'dieBlank', text: `${part?.widthMm ?? 0} × ${part?.heightMm ?? 0} mm` },
    { label: 'blanksAPlate', text: String(cx.layout ? copiesUp(cx.layout) : 0) },
    { label: 'metalPlates', figure: idOf(cx.incoming[0]?.flow ?? '', 'demand') },
    settingRow(cx, 'speed', 'perHour', machineTerm(cx, 'netPerHour'), { kind: 'count', unit: 'an hour' }),
    { label: 'runTime', figure: idOf(cx.id, 'runS') },
  ];
}
