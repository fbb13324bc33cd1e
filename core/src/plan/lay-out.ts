import type { Id, Term } from '../quantity/figure';
import { hashOf } from '../quantity/hash';
import { idOf } from '../quantity/id-of';
import { type Ledger, fig, typed } from '../quantity/ledger';
import type { Plant, Stock } from '../plant/plant';
import { practiceTerm } from '../plant/practice';
import type { JobSpec } from '../product/job-spec';
import type { Part } from '../product/part';
import type { Layout } from '../layout/layout';
import { copiesUp } from '../layout/layout';
import { layoutFault } from '../layout/layout-faults';
import { type SheetLayoutAsk, sheetLayout } from '../layout/sheet-layout';
import { COPIES_UP, GREATEST, type LayoutAsk, USABLE_DEPTH, USABLE_WIDTH, WITH_BLEED } from '../layout/usable-sheet';
import { fitsWorkStyle, isWorkStyle, WORK_STYLES, type WorkStyleId } from '../layout/work-style';
import type { Finding } from './plan-types';
import { sheetOf } from './passes/resolve';

export interface PartLayout {
  layout: Layout | null;
  style: WorkStyleId;
  question: string;
  /** The question itself, for a search. */
  ask?: SheetLayoutAsk;
  findings: Finding[];
}
/** What one stone asks of the sheet, with the stone's id for the working. */
export interface StoneAsk {
  stone: Id<'stage'>;
  ask: Partial<LayoutAsk>;
}

/** The work style chosen where the press can print it; else one form a side, two passes. */
export function workStyleFor(part: Part, spec: JobSpec, press: { units: number; perfects: boolean }): WorkStyleId {
  const chosen = Object.hasOwn(spec.choices.workStyle, part.id) ? (spec.choices.workStyle[part.id] ?? '') : '';
  if (isWorkStyle(chosen) && fitsWorkStyle(chosen, part.colours, press)) return chosen;
  return part.colours[0].length > 0 && part.colours[1].length > 0 ? 'sheetwise' : 'simplex';
}

/** Layout pass for one part: margins from what all machines ask, the usable sheet, then the chosen layout or the exact default. */
export function layOut(
  part: Part,
  stock: Stock,
  stockId: Id<'stock'>,
  asks: readonly StoneAsk[],
  style: WorkStyleId,
  spec: JobSpec,
  plant: Plant,
  ledger: Ledger,
): PartLayout {
  const [long, short] = sheetOf(stock);
  const greatest = (what: 'gripperMm' | 'tailMm' | 'sideMm' | 'colourBarMm', practice: Parameters<typeof practiceTerm>[1]): number => {
    const terms: Record<string, Term> = {};
    for (const { stone, ask } of asks)
      if (ask[what]) terms[stone] = { value: ask[what], unit: 'mm', from: 'plant', at: `machine:${stone}.${what}` };
    if (Object.keys(terms).length === 0) terms['default'] = { ...practiceTerm(plant, practice) };
    return ledger.figure(idOf(part.id, what.replace('Mm', '')), GREATEST, terms);
  };
  const gripper = greatest('gripperMm', 'layout.gripperMm');
  greatest('tailMm', 'layout.tailMm');
  const side = greatest('sideMm', 'layout.sideMm');
  greatest('colourBarMm', 'layout.colourBarMm');
  // A style that turns the sheet end for end grips the other edge too: the tail must be a second gripper.
  const tail = WORK_STYLES[style].secondGripper ? fig(idOf(part.id, 'gripper')) : fig(idOf(part.id, 'tail'));
  const sheet = (mm: number): Term => ({ value: mm, unit: 'mm', from: 'plant', at: `stock:${stockId}` });
  const widthMm = ledger.figure(idOf(part.id, 'usableWidth'), USABLE_WIDTH, { sheet: sheet(long), side: fig(idOf(part.id, 'side')) });
  const heightMm = ledger.figure(idOf(part.id, 'usableDepth'), USABLE_DEPTH, {
    sheet: sheet(short),
    gripper: fig(idOf(part.id, 'gripper')),
    tail,
    colourBar: fig(idOf(part.id, 'colourBar')),
  });
  const bleed = typed(part.bleedMm, 'mm', 'bleedMm');
  ledger.figure(idOf(part.id, 'pieceWidth'), WITH_BLEED, { trim: typed(part.widthMm, 'mm', 'width'), bleed });
  ledger.figure(idOf(part.id, 'pieceHeight'), WITH_BLEED, { trim: typed(part.heightMm, 'mm', 'height'), bleed });
  const ask: SheetLayoutAsk = {
    part: part.id,
    item: part.item,
    sheetMm: [long, short],
    usable: { x: side, y: gripper, widthMm, heightMm },
    trimMm: [part.widthMm, part.heightMm],
    bleedMm: part.bleedMm,
    grainAlong: part.grainAlong,
    sheetGrain: stock.grain === 'short' ? 'y' : 'x',
    style,
    gripperMm: gripper,
  };
  const question = hashOf(ask);
  const findings: Finding[] = [];
  const layout = chosenLayout(part, ask, question, spec, findings) ?? sheetLayout(ask);
  ledger.figure(idOf(part.id, 'copiesUp'), COPIES_UP, {
    places: {
      value: layout ? copiesUp(layout) : 0,
      unit: 'copy',
      from: layout && part.id in spec.choices.layout ? 'search' : 'family',
      at: 'layout',
    },
  });
  return { layout, style, question, ask, findings };
}

/** A layout that was chosen stays as long as its question is the one asked now; an older answer is a finding with the way back to the default. */
function chosenLayout(part: Part, ask: SheetLayoutAsk, question: string, spec: JobSpec, findings: Finding[]): Layout | null {
  const chosen = Object.hasOwn(spec.choices.layout, part.id) ? spec.choices.layout[part.id] : undefined;
  if (!chosen) return null;
  if (chosen.question === question) {
    const layout: Layout = {
      sheetMm: ask.sheetMm,
      gripperMm: ask.gripperMm,
      cells: chosen.value.cells.map((c) => ({ ...c, part: part.id, item: part.item })),
    };
    const fault = layoutFault(layout, part, part.bleedMm, ask.usable);
    if (fault === null) return layout;
    findings.push({
      code: 'layout.refused',
      level: 'decide',
      at: part.id,
      args: { why: fault === 'overlap' ? 'copies lie over each other' : 'a copy leaves the usable sheet' },
      remedies: [
        { do: 'edit', says: 'remedy.defaultLayout', args: {}, edits: [{ at: ['choices', 'layout', part.id], was: chosen }] },
        { do: 'search', says: 'remedy.searchLayout', slot: part.id },
      ],
    });
    return null;
  }
  findings.push({
    code: 'choice.stale',
    level: 'decide',
    at: part.id,
    args: { slot: part.id },
    remedies: [
      { do: 'search', says: 'remedy.searchLayout', slot: part.id },
      { do: 'edit', says: 'remedy.defaultLayout', args: {}, edits: [{ at: ['choices', 'layout', part.id], was: chosen }] },
    ],
  });
  return null;
}
