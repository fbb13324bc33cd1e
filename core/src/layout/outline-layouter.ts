import type { Term } from '../quantity/figure';
import { hashOf } from '../quantity/hash';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { practiceTerm } from '../plant/practice';
import { pieceAreaMm2 } from '../product/blank';
import { pathBox, type Point, turnedAtOrigin } from '../product/die-line/points';
import type { Part } from '../product/part';
import { blankNest, type BlankNest, latticeNest } from './blank-nest';
import { formOf } from './form';
import { type Cell, copiesUp, type Layout } from './layout';
import type { Laid, Layouter, LayoutContext, LayoutTrouble } from './layouter';
import type { NestAsk } from './nest-ask';
import { outlineFault } from './outline-faults';
import type { UsableSheet } from './sheet-layout';
import { usableOfForm } from './usable-of-form';
import { BLANKS_BOUND, BLANKS_UP, BLANKS_USE, GREATEST, PITCH, WITH_BLEED } from './usable-sheet';

/** Blanks of any outline on a press sheet, for a die: the chosen nest, else the better of a lattice and of rows turned end for end in turn. */
export const outlineLayouter: Layouter = {
  id: 'outline',
  stock: 'sheet',
  layOut(cx): Laid {
    const sheet = usableOfForm(cx);
    const [part] = cx.parts;
    const outline = part?.traits?.blank?.die.outline;
    if (!part || !outline) return { forms: [] };
    const ask: NestAsk = { ...sheet, outline, turns: turnsOf(part, cx), gapMm: gapOf(cx) };
    const question = hashOf(ask);
    const chosen = chosenNest(part, ask, question, cx);
    const layout = chosen.layout ?? nestedLayout(part, ask);
    nestFigures(part, ask, layout, cx);
    return {
      forms: [{ ...formOf({ ...cx, stock: cx.stockId }, 'sheet', layout), question }],
      ask: { of: 'outline', ask },
      ...(chosen.trouble && { trouble: chosen.trouble }),
    };
  },
};

/** By which quarter turns a blank may lie: one where its grain has to lie along the sheet's, else either. */
function turnsOf(part: Part, { stock }: LayoutContext): (0 | 90)[] {
  if (part.grainAlong === null) return [0, 90];
  const sheetGrain = stock.grain === 'short' ? 'height' : 'width';
  return [part.grainAlong === sheetGrain ? 0 : 90];
}

/** Between blanks: the greatest asked by whatever takes the waste out. */
function gapOf({ id, stones, plant, ledger }: LayoutContext): number {
  const asked = stones.flatMap(({ id: stone, ask }): [string, Term][] =>
    ask.blankGapMm === undefined ? [] : [[stone, { value: ask.blankGapMm, unit: 'mm', from: 'plant', at: `stone:${stone}` }]],
  );
  const terms = asked.length > 0 ? Object.fromEntries(asked) : { default: practiceTerm(plant, 'layout.blankGapMm') };
  return ledger.figure(idOf(id, 'blankGap'), GREATEST, terms);
}

/** Nests already found: pure, so the same question may keep its answer while a planner types another number. */
const found = new Map<string, { nest: BlankNest; turn: 0 | 90 }>();
function nestOf(ask: NestAsk): { nest: BlankNest; turn: 0 | 90 } {
  const key = hashOf(ask);
  const known = found.get(key);
  if (known) return known;
  if (found.size >= 64) found.clear();
  const room = [ask.usable.widthMm, ask.usable.heightMm] as const;
  const nests = ask.turns.map((turn) => ({ turn, nest: blankNest(turnedAtOrigin(ask.outline, turn), ask.gapMm, room) }));
  const best = nests.reduce((a, b) => (b.nest.places.length > a.nest.places.length ? b : a));
  found.set(key, best);
  return best;
}

/** The nest as lattices on the sheet, row by row; at the gripper edge, in the middle from side to side. Null: not one blank fits. */
function nestedLayout(part: Part, ask: NestAsk): Layout | null {
  const { nest, turn } = nestOf(ask);
  if (nest.places.length === 0) return null;
  const { usable } = ask;
  const left = usable.x + (usable.widthMm - nest.usedMm[0]) / 2;
  const rows = new Map<number, Cell>();
  for (const { x, y, turned } of nest.places) {
    const row = rows.get(y);
    if (row) row.nx++;
    else
      rows.set(y, {
        part: part.id,
        item: part.item,
        trimMm: [part.widthMm, part.heightMm],
        x: left + x,
        y: usable.y + y,
        nx: 1,
        ny: 1,
        dx: nest.dxMm,
        dy: 0,
        turn: turned ? (turn === 0 ? 180 : 270) : turn,
      });
  }
  return { sheetMm: ask.sheetMm, cells: [...rows.values()], gripperMm: ask.gripperMm, cutsBox: boxOf(usable) };
}

const boxOf = ({ x, y, widthMm: w, heightMm: h }: UsableSheet['usable']): NonNullable<Layout['cutsBox']> => ({ x, y, w, h });

/** A nest that was chosen counts while its question is the one asked now, and while no blank comes nearer another than the gap. */
function chosenNest(
  part: Part,
  ask: NestAsk,
  question: string,
  { chosen }: LayoutContext,
): { layout: Layout | null; trouble?: LayoutTrouble } {
  if (!chosen) return { layout: null };
  if (chosen.question !== question) return { layout: null, trouble: 'stale' };
  const layout: Layout = {
    sheetMm: ask.sheetMm,
    gripperMm: ask.gripperMm,
    cells: chosen.value.cells.map((c) => ({ ...c, part: part.id, item: part.item, trimMm: [part.widthMm, part.heightMm] as const })),
    cutsBox: boxOf(ask.usable),
  };
  const trouble = outlineFault(layout, ask);
  return trouble === null ? { layout } : { layout: null, trouble };
}

/** Blanks on the sheet, how many there could be at most, and how many a nest of their boxes would hold. */
function nestFigures(part: Part, ask: NestAsk, layout: Layout | null, { id, ledger, chosen }: LayoutContext): void {
  const from = layout && chosen ? 'search' : 'family';
  const places = (value: number, at: string): Term => ({ value, unit: 'copy', from, at });
  const areaMm2: Term = { value: pieceAreaMm2(part), unit: 'm²', from: 'family', at: 'die line' };
  ledger.figure(idOf(id, 'copiesUp'), BLANKS_UP, { places: places(layout ? copiesUp(layout) : 0, 'nest') });
  ledger.figure(idOf(id, 'bound'), BLANKS_BOUND, {
    widthMm: fig(idOf(id, 'usableWidth')),
    depthMm: fig(idOf(id, 'usableDepth')),
    areaMm2,
  });
  ledger.figure(idOf(id, 'boxesUp'), { ...BLANKS_UP, id: 'layout.boxesUp' }, { places: places(boxesUp(ask), 'boxes') });
  const sheet = (value: number): Term => ({ value, unit: 'mm', from: 'plant', at: 'stock' });
  ledger.figure(idOf(id, 'sheetUse'), BLANKS_USE, {
    places: fig(idOf(id, 'copiesUp')),
    areaMm2,
    sheetWidthMm: sheet(ask.sheetMm[0]),
    sheetHeightMm: sheet(ask.sheetMm[1]),
  });
  const { pitchX, pitchY } = pitchesOf(layout);
  for (const [what, mm] of [
    ['pitchAcross', pitchX],
    ['pitchAlong', pitchY],
  ] as const)
    ledger.figure(idOf(id, what), PITCH, { pitch: { value: mm, unit: 'mm', from: 'family', at: 'nest' } });
  for (const [what, trim] of [
    ['pieceWidth', part.widthMm],
    ['pieceHeight', part.heightMm],
  ] as const)
    // Bleed runs into the gap: it takes no room of its own.
    ledger.figure(idOf(part.id, what), WITH_BLEED, { trim: typed(trim, 'mm', what), bleed: typed(0, 'mm', 'in the gap') });
}

/** Blanks that would lie beside one another as rectangles, each as large as its box. */
function boxesUp(ask: NestAsk): number {
  const room = [ask.usable.widthMm, ask.usable.heightMm] as const;
  return Math.max(
    ...ask.turns.map((turn) => {
      const [w, h] = pathBox(turnedAtOrigin(ask.outline, turn));
      const box: Point[] = [
        [0, 0],
        [w, 0],
        [w, h],
        [0, h],
      ];
      return latticeNest(box, ask.gapMm, room).places.length;
    }),
  );
}

/** From a blank to the next: across the press, and from row to row. */
function pitchesOf(layout: Layout | null): { pitchX: number; pitchY: number } {
  const rows = [...new Set(layout?.cells.map((c) => c.y))].sort((a, b) => a - b);
  return { pitchX: layout?.cells[0]?.dx ?? 0, pitchY: rows.length > 1 ? (rows[1] as number) - (rows[0] as number) : 0 };
}
