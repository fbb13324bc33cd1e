import { hashOf } from '../quantity/hash';
import { idOf } from '../quantity/id-of';
import { typed } from '../quantity/ledger';
import type { Part } from '../product/part';
import { formOf } from './form';
import { type FormAsked, formFound, formsAsSet, gangForm } from './forms-of-gang';
import { type GangPiece, gangRows } from './gang-rows';
import { copiesUp, goodsUp, type Layout } from './layout';
import { layoutFault } from './layout-faults';
import type { Laid, Layouter, LayoutContext, LayoutTrouble } from './layouter';
import { type SheetLayoutAsk, sheetLayout, type UsableSheet } from './sheet-layout';
import { usableOfForm } from './usable-of-form';
import { COPIES_UP, GANG_COPIES, WITH_BLEED } from './usable-sheet';

/** Rectangles cut apart by straight cuts, on a press sheet: margins from what all machines ask, then the chosen layout or the exact default; several parts in rows. */
export const rectangleLayouter: Layouter = {
  id: 'rectangle',
  stock: 'sheet',
  layOut(cx) {
    const sheet = usableOfForm(cx);
    for (const part of cx.parts) pieceFigures(part, cx);
    const [part, ...others] = cx.parts;
    if (!part) return { forms: [] };
    return others.length > 0 ? gangOf(cx, sheet) : aloneOn(part, cx, sheet);
  },
};

function pieceFigures(part: Part, { ledger }: LayoutContext): void {
  const bleed = typed(part.bleedMm, 'mm', 'bleedMm');
  ledger.figure(idOf(part.id, 'pieceWidth'), WITH_BLEED, { trim: typed(part.widthMm, 'mm', 'width'), bleed });
  ledger.figure(idOf(part.id, 'pieceHeight'), WITH_BLEED, { trim: typed(part.heightMm, 'mm', 'height'), bleed });
}

const sheetGrain = ({ stock }: LayoutContext): 'x' | 'y' => (stock.grain === 'short' ? 'y' : 'x');

/** One part alone: the layout chosen, else the exact greatest number of copies. */
function aloneOn(part: Part, cx: LayoutContext, sheet: UsableSheet): Laid {
  const ask: SheetLayoutAsk = {
    part: part.id,
    item: part.item,
    ...sheet,
    trimMm: [part.widthMm, part.heightMm],
    bleedMm: part.bleedMm,
    grainAlong: part.grainAlong,
    sheetGrain: sheetGrain(cx),
    style: cx.style,
  };
  const question = hashOf(ask);
  const chosen = chosenLayout(part, ask, question, cx);
  const found = chosen.layout ?? sheetLayout(ask);
  const copies = part.traits?.spread?.copies ?? 1;
  const layout = found && copies > 1 ? { ...found, copiesAPiece: copies } : found;
  cx.ledger.figure(idOf(cx.id, 'copiesUp'), COPIES_UP, {
    places: { value: layout ? goodsUp(layout) : 0, unit: 'copy', from: layout && cx.chosen ? 'search' : 'family', at: 'layout' },
  });
  return {
    forms: [{ ...formOf({ ...cx, stock: cx.stockId }, 'sheet', layout), question }],
    ask: { of: 'rectangles', ask },
    ...(chosen.trouble && { trouble: chosen.trouble }),
  };
}

/** A layout that was chosen counts while its question is the one asked now. */
function chosenLayout(
  part: Part,
  ask: SheetLayoutAsk,
  question: string,
  { chosen }: LayoutContext,
): { layout: Layout | null; trouble?: LayoutTrouble } {
  if (!chosen) return { layout: null };
  if (chosen.question !== question) return { layout: null, trouble: 'stale' };
  const layout: Layout = {
    sheetMm: ask.sheetMm,
    gripperMm: ask.gripperMm,
    cells: chosen.value.cells.map((c) => ({ ...c, part: part.id, item: part.item, trimMm: ask.trimMm })),
  };
  const fault = layoutFault(layout, part.bleedMm, ask.usable);
  return fault === null ? { layout } : { layout: null, trouble: fault };
}

/** Parts of several orders on common forms, each in rows of its own; as many of each as was set, else on one form as the quantities ask. */
function gangOf(cx: LayoutContext, sheet: UsableSheet): Laid {
  const piece = (part: Part): GangPiece => ({
    part: part.id,
    item: part.item,
    trimMm: [part.widthMm, part.heightMm],
    bleedMm: part.bleedMm,
    turn: part.grainAlong === null ? 'free' : (part.grainAlong === 'width' ? 'x' : 'y') === sheetGrain(cx) ? 'never' : 'always',
    wanted: cx.wanted[part.id] ?? 1,
  });
  const rowsOf = (form: FormAsked): ReturnType<typeof gangRows> => gangRows(form.parts.map(piece), sheet.usable, form.copies);
  const set = formsAsSet(cx)?.map((form) => ({ form, rows: rowsOf(form) })) ?? null;
  const fits = set?.every(({ rows }) => rows?.asAsked === true) ?? false;
  const found = formFound(cx);
  const laid = set && fits ? set : [{ form: found, rows: rowsOf(found) }];
  const forms = laid.map(({ form, rows }) => {
    const layout: Layout | null = rows && { sheetMm: sheet.sheetMm, gripperMm: sheet.gripperMm, cells: rows.cells };
    if (form.id !== cx.id) usableOfForm({ ...cx, id: form.id });
    cx.ledger.figure(idOf(form.id, 'copiesUp'), GANG_COPIES, {
      places: { value: layout ? copiesUp(layout) : 0, unit: 'copy', from: 'family', at: 'gang' },
    });
    return gangForm(form, layout, cx);
  });
  if (forms.some((f) => f.layout === null)) return { forms, trouble: 'noRoom' };
  return { forms, ...(set && !fits && { trouble: 'copies' as const }) };
}
