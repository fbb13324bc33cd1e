import type { Id, Term } from '../quantity/figure';
import { hashOf } from '../quantity/hash';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { practiceTerm } from '../plant/practice';
import { pieceAreaMm2 } from '../product/blank';
import { pathBox, type Point, turnedAtOrigin } from '../product/die-line/points';
import type { Part } from '../product/part';
import { blankNest, type BlankNest, latticeNest } from './blank-nest';
import { formOf } from './form';
import { formFound, formsAsSet, gangForm } from './forms-of-gang';
import { gangForms } from './gang-forms';
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
    const ask: NestAsk = { ...sheet, outline, turns: turnsOf(part, cx), gapMm: gapOf(cx), ...(mayShareCuts(cx) && { commonCuts: true }) };
    if (cx.parts.length > 1) return gangOf(part, ask, cx);
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

/** Orders with one outline on one die: forms as they were set, else one on which each has as many places as the fewest sheets want. Copies of an order lie in one lane, behind one another. */
function gangOf(part: Part, ask: NestAsk, cx: LayoutContext): Laid {
  const nest = nestedLayout(part, ask);
  const lanes = nest ? singlePlaces(nest).sort((a, b) => a.x - b.x || a.y - b.y) : [];
  const open = lanes.filter((_, i) => !cx.closedPlaces.includes(i + 1));
  const set = formsAsSet(cx);
  const fits = set?.every((f) => sumOf(f.parts, f.copies ?? {}) <= open.length) ?? false;
  const found = fewestSheets(cx.parts, cx.wanted, open.length);
  for (const p of cx.parts) if (p !== part) pieceFigures(p, cx);
  cx.ledger.figure(idOf(cx.id, 'places'), BLANKS_UP, { places: { value: lanes.length, unit: 'copy', from: 'family', at: 'nest' } });
  const forms = (set && fits ? set : [formFound(cx)]).map((form) => {
    const copies = form.copies ?? found;
    let next = 0;
    const cells = form.parts.flatMap((p) =>
      Array.from({ length: copies?.[p.id] ?? 0 }, (): Cell => ({ ...(open[next++] as Cell), part: p.id, item: p.item })),
    );
    const layout = nest && copies ? { ...nest, cells, dieCells: lanes } : null;
    const own = { ...cx, id: form.id };
    if (own.id !== cx.id) formFigures(own);
    nestFigures(part, ask, layout, own);
    return gangForm(form, layout, cx);
  });
  if (forms.some((f) => f.layout === null)) return { forms, trouble: 'noRoom' };
  return { forms, ...(set && !fits && { trouble: 'copies' as const }) };
}
const sumOf = (parts: readonly Part[], copies: Readonly<Record<Id<'part'>, number>>): number =>
  parts.reduce((sum, p) => sum + (copies[p.id] ?? 0), 0);

/** Every place of a layout as a cell of its own. */
const singlePlaces = ({ cells }: Layout): Cell[] =>
  cells.flatMap((c) => Array.from({ length: c.nx }, (_, i) => ({ ...c, x: c.x + i * c.dx, nx: 1, ny: 1, dx: 0, dy: 0 })));

/** Places of each order on one form, so that the fewest sheets give everybody enough; null: there are more orders than places. */
function fewestSheets(parts: readonly Part[], wanted: LayoutContext['wanted'], places: number): Record<Id<'part'>, number> | null {
  if (places < parts.length) return null;
  const items = parts.map((p) => ({ id: p.id, needed: Math.max(wanted[p.id] ?? 1, 1), most: null }));
  const { best } = gangForms({ items, places, mostForms: 1, cost: ([run = 0]) => run });
  return best && Object.fromEntries(parts.map((p) => [p.id, best.copies[p.id]?.[0] ?? 1]));
}

/** By which quarter turns a blank may lie: one where its grain has to lie along the sheet's, else either. */
function turnsOf(part: Part, { stock }: LayoutContext): (0 | 90)[] {
  if (part.grainAlong === null) return [0, 90];
  const sheetGrain = stock.grain === 'short' ? 'height' : 'width';
  return [part.grainAlong === sheetGrain ? 0 : 90];
}

/** What the sheet of a form leaves to use, under the form's own name. */
function formFigures(cx: LayoutContext): void {
  usableOfForm(cx);
  gapOf(cx);
}

/** Whoever cuts them says so: colour is the same on both sides. */
const mayShareCuts = ({ stones }: LayoutContext): boolean => stones.some(({ ask }) => ask.commonCuts);

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
  const nests = ask.turns.map((turn) => ({ turn, nest: blankNest(turnedAtOrigin(ask.outline, turn), ask.gapMm, room, ask.commonCuts) }));
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
  pieceFigures(part, { ledger });
}

/** Size of a blank; bleed runs into the gap and takes no room of its own. */
function pieceFigures(part: Part, { ledger }: Pick<LayoutContext, 'ledger'>): void {
  for (const [what, trim] of [
    ['pieceWidth', part.widthMm],
    ['pieceHeight', part.heightMm],
  ] as const)
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
