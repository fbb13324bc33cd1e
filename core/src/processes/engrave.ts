import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import type { Term } from '../quantity/figure';
import type { Scene } from '../scene/scene';
import { practiceTerm } from '../plant/practice';
import { ENGRAVING_TIME } from '../form/die-making';
import { type ConsumeContext, type PanelRow, type Process, setting, settingRow } from './process';
import { singleStep } from './single-step';
import { timeAndCost } from './time-and-cost';

/** What a die strikes. */
export interface DieImage {
  face: string;
  widthMm: number;
  heightMm: number;
}
declare module '../product/part' {
  interface Traits {
    dieImage: DieImage;
  }
}
const NO_IMAGE: DieImage = { face: '', widthMm: 0, heightMm: 0 };
const imageOf = (cx: Pick<ConsumeContext, 'parts'>): DieImage => cx.parts[0]?.traits?.dieImage ?? NO_IMAGE;

const perCm2Term = (cx: ConsumeContext): Term => setting(cx, 'perCm2S', practiceTerm(cx.plant, 'foilDie.engravePerCm2S'));
const lookTerm = (cx: ConsumeContext): Term => setting(cx, 'lookS', practiceTerm(cx.plant, 'foilDie.lookS'));

/** Blanks engraved into dies one by one: metal milled away around the image, which stands mirrored; each is looked at under the loupe. One that fails is made again. */
export const engrave: Process = {
  id: 'engrave',
  asks: () => ({}),
  draft: (cx) =>
    singleStep(cx, { takesPer: 1, givesPer: 1, unit: 'piece', perGood: 1, whole: true, losses: {}, cautions: ['saw', 'eyes'] }),
  consume(cx) {
    const { widthMm, heightMm } = imageOf(cx);
    cx.ledger.figure(idOf(cx.id, 'engravingS'), ENGRAVING_TIME, {
      dies: fig(idOf(cx.id, 'run')),
      widthMm: typed(widthMm, 'mm', 'widthMm'),
      heightMm: typed(heightMm, 'mm', 'heightMm'),
      perCm2: perCm2Term(cx),
      look: lookTerm(cx),
    });
    return { costs: timeAndCost(cx, { step: cx.id, runS: fig(idOf(cx.id, 'engravingS')) }) };
  },
  scene: dieScene,
  panel: rows,
  paper: (cx) => [
    {
      department: 'engraving',
      scene: true,
      rows: rows(cx),
      lists: [
        {
          title: 'dieChecks',
          head: ['die', 'depth measured', 'edges whole under the loupe', 'reads the wrong way round', 'first strike, signed'],
          rows: Array.from({ length: Math.min(Math.ceil(cx.ledger.value(idOf(cx.id, 'run'))), MOST_LISTED) }, (_, i) => [
            String(i + 1),
            '',
            '☐',
            '☐',
            '',
          ]),
        },
      ],
      blanks: ['artwork version', 'tool numbers given', 'place in the tool store'],
    },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'run'), text: cx.machine.name }),
};
/** More dies than this in one job are listed on further sheets of the engraver's own. */
const MOST_LISTED = 40;

function rows(cx: ConsumeContext): PanelRow[] {
  const { face, widthMm, heightMm } = imageOf(cx);
  return [
    { label: 'stock', text: cx.stock?.name ?? '' },
    { label: 'dieFace', text: face },
    { label: 'dieImage', text: `${widthMm} × ${heightMm} mm` },
    settingRow(cx, 'dieDepth', 'depthMm', practiceTerm(cx.plant, 'foilDie.depthMm'), { kind: 'length', unit: 'mm' }),
    { label: 'diesToMake', figure: idOf(idOf(cx.id, 'out'), 'demand') },
    settingRow(cx, 'engravePerCm2', 'perCm2S', practiceTerm(cx.plant, 'foilDie.engravePerCm2S'), { kind: 'seconds', unit: 's' }),
    settingRow(cx, 'dieLook', 'lookS', practiceTerm(cx.plant, 'foilDie.lookS'), { kind: 'seconds', unit: 's' }),
    { label: 'runTime', figure: idOf(cx.id, 'runS') },
  ];
}

/** A die from above and from the side: metal, and the image that stands up from it, mirrored. */
function dieScene(cx: ConsumeContext): Scene {
  const [part] = cx.parts;
  const { face, widthMm, heightMm } = imageOf(cx);
  const [w, h] = [part?.widthMm ?? widthMm, part?.heightMm ?? heightMm];
  const [x, y] = [(w - widthMm) / 2, (h - heightMm) / 2];
  const thick = Math.max((cx.stock?.caliperUm ?? 0) / 1000, 2);
  const text = Math.max(w, h) / 14;
  const side = h + text * 2.4;
  return {
    title: 'die',
    says: `A die of ${w} by ${h} millimetres with a raised, mirrored image of ${widthMm} by ${heightMm}: ${face}.`,
    box: { x: -text, y: -text, w: w + 2 * text, h: side + thick + text * 3 },
    toScale: true,
    shapes: [
      { kind: 'rect', role: 'unit', x: 0, y: 0, w, h, ref: 'metal' },
      { kind: 'rect', role: 'foil', x, y, w: widthMm, h: heightMm, ref: 'image' },
      { kind: 'rect', role: 'unit', x: 0, y: side + thick / 3, w, h: (thick * 2) / 3, ref: 'body' },
      { kind: 'rect', role: 'foil', x, y: side, w: widthMm, h: thick / 3, ref: 'raised' },
      { kind: 'text', role: 'label', x: 0, y: side + thick + text * 1.6, text: `${face}, mirrored`, sizeMm: text },
    ],
  };
}
