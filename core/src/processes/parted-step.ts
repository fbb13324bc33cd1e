import type { CountUnit, Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import type { Step } from '../flow/net';
import type { LossTerms } from '../flow/solve-backward';
import { copiesUp, goodsUp, type Imposed } from '../layout/layout';
import { pieceAreaMm2 } from '../product/blank';
import { piecesOf } from '../product/pieces';
import { foliosSay } from '../signature/folios';
import { letterOf } from '../layout/sheet-scene';
import { formatNumber } from '../words/format';
import { type Batch, onwards } from './batch';
import type { ConsumeContext, Draft, DraftContext } from './process';
import { sectionsApart } from './sections-apart';
import { flowAfter, singleStep } from './single-step';

interface PartedStep {
  unit: CountUnit;
  losses: LossTerms;
  waits: Step['waits'];
  cautions: Id<'caution'>[];
}

/** A step that parts what lies on a form: into the copies of its part; where several orders share it, into the copies of each, which go their own ways from here. */
export function partedStep(cx: DraftContext, { unit, losses, waits, cautions }: PartedStep): Draft {
  const { layout, form } = cx;
  const up = layout ? copiesUp(layout) : 1;
  const draft = singleStep(cx, {
    takesPer: 1,
    givesPer: up,
    unit,
    perGood: piecesOf(cx.parts[0]) / (layout?.copiesAPiece ?? 1),
    whole: true,
    losses,
    waits,
    cautions,
  });
  if (layout?.imposed) return sectionsApart(cx, draft, 'flat');
  const [lead] = cx.incoming;
  const step = draft.steps[cx.id]?.step;
  if ((cx.parts.length < 2 && !form?.oneOf) || !lead || !step) return draft;
  draft.flows = Object.fromEntries(Object.entries(draft.flows).filter(([id]) => id !== idOf(cx.id, 'out')));
  step.gives = [];
  draft.out = cx.parts.map((part): Batch => {
    // Copies from any form of a gang lie in one pile of their order.
    const flow = idOf(form?.oneOf ? cx.stone : cx.id, part.id);
    draft.flows[flow] = { ...flowAfter(lead.of, unit, 1), part: part.id, item: part.item };
    step.gives.push({ flow, per: Math.max(layout ? copiesUp(layout, part.id) : 1, 1) });
    return onwards(cx.incoming, flow, { parts: [part.id] });
  });
  return draft;
}

/** Size of a copy; of a blank, and of copies of several orders (the mean of the form), as area by 1 mm: for masses and shares, not for gauges. */
export function meanPiece({ parts, layout }: Pick<DraftContext, 'parts' | 'layout'>): [widthMm: number, heightMm: number] {
  const [only, ...others] = parts;
  // Of sections all that lies on the sheet, shared by the books that come off it.
  if (layout?.imposed) return [layout.imposed.flats.reduce((sum, f) => sum + f.w * f.h, 0) / Math.max(goodsUp(layout), 1), 1];
  if (others.length === 0 || !layout)
    return only?.traits?.blank ? [pieceAreaMm2(only), 1] : [only?.widthMm ?? 0, (only?.heightMm ?? 0) / (layout?.copiesAPiece ?? 1)];
  const area = parts.reduce((sum, p) => sum + pieceAreaMm2(p) * copiesUp(layout, p.id), 0);
  return [area / Math.max(copiesUp(layout), 1), 1];
}

/** Which flats come off a sheet of sections: name on the drawing, pages, size, how many. */
function sectionList({ sections, flats, heads }: Imposed, sheets: number): { title: string; head: string[]; rows: string[][] } {
  const rows = sections.map(({ key, name, pages }) => {
    const mine = flats.filter((f) => f.section === key);
    const [flat] = mine;
    const size = flat ? (heads === 'along' ? [flat.w, flat.h] : [flat.h, flat.w]) : [0, 0];
    return [
      name,
      foliosSay(pages),
      `${size.map((mm) => Math.round(mm * 100) / 100).join(' × ')} mm`,
      String(mine.length),
      formatNumber(mine.length * sheets),
    ];
  });
  return { title: 'sectionsOnSheet', head: ['on the drawing', 'pages', 'flat size', 'flats a sheet', 'good flats'], rows };
}

/** What of a shared form is whose, for the people who cut and part it: letter on the drawing, order, copies a sheet, good copies that come off. Nothing where there is one order. */
export function ordersOnForm({
  stepIds,
  parts,
  layout,
  ledger,
  form,
}: ConsumeContext): { title: string; head: string[]; rows: string[][] }[] {
  const sheets = (): number => Math.ceil(ledger.value(idOf(stepIds.at(-1) ?? '', 'good')) - 1e-9);
  if (layout?.imposed) return [sectionList(layout.imposed, sheets())];
  if (!layout || (parts.length < 2 && !form?.oneOf)) return [];
  // Of a stone of several passes what the last leaves.
  const good = sheets();
  const rows = parts.map((part) => {
    const copies = copiesUp(layout, part.id);
    return [letterOf(part.id, layout), part.product, `${part.widthMm} × ${part.heightMm} mm`, String(copies), formatNumber(copies * good)];
  });
  return [{ title: 'orders', head: ['on the drawing', 'order', 'trim size', 'copies a sheet', 'good copies'], rows }];
}
