import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import { outlinesLaid } from '../../layout/outline-faults';
import { linesOf } from '../../product/die-line/die-line';
import { pathLength, type Point, turnedAtOrigin } from '../../product/die-line/points';
import { type ConsumeContext, type OwnRule } from '../process';
import { CARTON_RULES } from './carton-rules';
import { dieOf } from './die-of';

/** From so much of its rating on a press is watched; above all of it, it does not run. Common practice, no source. */
const WATCH_PERCENT = 80;
/** A load so far out of the middle of the bed tilts the plate. Common practice, no source. */
const OFF_CENTRE_PERCENT = 5;

/** A die asks for more force than the press has, or for most of it. */
const dieForce: OwnRule = {
  code: 'die.force',
  nr: 21,
  find: (cx) => {
    const rated = cx.machine.limits.forceKn;
    const kn = cx.ledger.value(idOf(cx.id, 'forceKn'));
    if (rated === undefined || kn <= (rated * WATCH_PERCENT) / 100) return [];
    return [
      {
        level: kn > rated ? 'release' : 'decide',
        figure: idOf(cx.id, 'forceKn'),
        args: { kn: Math.round(kn), rated },
        remedies: [{ do: 'ask', says: 'remedy.fewerUp', desk: 'planning' }],
      },
    ];
  },
};

/** Waste between blanks too narrow for what takes it out: it breaks in the stripper. */
const gapBreaks: OwnRule = {
  code: 'blank.gapNarrow',
  nr: 16,
  find: (cx) => {
    const figure = idOf(cx.form?.id ?? '', 'blankGap');
    const least = practiceValue(cx.plant, 'layout.blankGapMm');
    if (!cx.ledger.has(figure) || cx.ledger.value(figure) >= least) return [];
    return [{ level: 'decide', figure, args: { gapMm: cx.ledger.value(figure), least }, remedies: [] }];
  },
};

/** Bleed of two neighbours has to find room in the gap between them: each has half of it. */
const bleedBetween: OwnRule = {
  code: 'blank.bleed',
  nr: 14,
  find: (cx) => {
    const figure = idOf(cx.form?.id ?? '', 'blankGap');
    if (!cx.ledger.has(figure) || cx.parts.every((p) => p.colours.flat().length === 0)) return [];
    const has = cx.ledger.value(figure) / 2;
    const asked = 2 * practiceValue(cx.plant, 'dieCut.printToDieMm') + 0.5;
    if (has >= asked - 1e-9) return [];
    return [{ level: 'decide', figure, args: { has, asked }, remedies: [] }];
  },
};

/** The rules of the die lie to one side of the bed. */
const offCentre: OwnRule = {
  code: 'die.offCentre',
  find: (cx) => {
    const off = loadOff(cx);
    const bed = cx.machine.maxSheetMm;
    if (!off || !bed) return [];
    const percent = Math.max((100 * Math.abs(off[0])) / bed[0], (100 * Math.abs(off[1])) / bed[1]);
    if (percent <= OFF_CENTRE_PERCENT) return [];
    return [
      { level: 'decide', args: { percent: Math.round(percent), acrossMm: Math.round(off[0]), alongMm: Math.round(off[1]) }, remedies: [] },
    ];
  },
};

/** How far the middle of all rules, weighed by the force they want, lies from the middle of the box around them; null: there is no die. */
function loadOff(cx: ConsumeContext): [acrossMm: number, alongMm: number] | null {
  const die = dieOf(cx);
  if (!die || !cx.layout || cx.layout.cells.length === 0) return null;
  const [cutN, creaseN] = [practiceValue(cx.plant, 'dieCut.cutNPerMm'), practiceValue(cx.plant, 'dieCut.creaseNPerMm')];
  // Of one blank as it is drawn: its force, and where that pulls, from the lower left corner of its box.
  let [each, pullX, pullY] = [0, 0, 0];
  const cuts = die.outline.length + die.slits.length;
  for (const [i, [a, b]] of linesOf(die).entries()) {
    const force = pathLength([a, b], false) * (i < cuts ? cutN : creaseN);
    each += force;
    pullX += (force * (a[0] + b[0])) / 2;
    pullY += (force * (a[1] + b[1])) / 2;
  }
  const middleOf: Point[] = [[pullX / each, pullY / each]];
  let [sum, x, y] = [0, 0, 0];
  for (const cell of cx.layout.cells) {
    const [px, py] = turnedAtOrigin(middleOf, cell.turn, die.outline)[0] as Point;
    const force = each * cell.nx * cell.ny;
    sum += force;
    x += force * (cell.x + px + ((cell.nx - 1) * cell.dx) / 2);
    y += force * (cell.y + py + ((cell.ny - 1) * cell.dy) / 2);
  }
  const laid = outlinesLaid(cx.layout, die.outline);
  const middle = (low: number, high: number): number => (low + high) / 2;
  const [midX, midY] = [
    middle(Math.min(...laid.map((b) => b.x)), Math.max(...laid.map((b) => b.x + b.w))),
    middle(Math.min(...laid.map((b) => b.y)), Math.max(...laid.map((b) => b.y + b.h))),
  ];
  return sum > 0 ? [x / sum - midX, y / sum - midY] : null;
}

export const DIE_CUT_RULES: readonly OwnRule[] = [dieForce, gapBreaks, bleedBetween, offCentre, ...CARTON_RULES];
