import { idOf } from '../quantity/id-of';
import { fig, type Ledger, typed } from '../quantity/ledger';
import type { Part } from '../product/part';
import { sizesAllowed } from '../signature/fold-limits';
import { pressForms } from '../signature/press-forms';
import { sectionPlans } from '../signature/section-plans';
import { chosenSections, foldLimitsOf, laidSections, marginsOf, pieceFigures, plansHeld, type SectionsAsk, sizeOf } from './book-sections';
import { formOf } from './form';
import { formsOfSections } from './forms-of-sections';
import type { Laid, Layouter, LayoutContext } from './layouter';
import { sectionBlock, type SectionBlock } from './section-block';
import type { UsableSheet } from './sheet-layout';
import { CUT_OFF, GREATEST, USABLE_WIDTH } from './usable-sheet';
import { METRES_A_THOUSAND } from './web-layout';
import { MILLIMETRES, rollFigures } from './web-layouter';
import { WORK_STYLES } from './work-style';

/** Pages that a web folds to, the cylinder holding two rows: four columns at the former, jaw and chopper; halves of it side by side. */
const WEB_SIZES = [16, 8, 4] as const;
/** Least of head and foot together that is trimmed off a web's section, mm. Common practice, no source. */
const LEAST_HEAD_AND_FOOT_MM = 6;

/** Sections on a web: the cylinder's cut-off is the length of two pages, heads along the web; both sides are printed and folded in one run. */
export const webSectionsLayouter: Layouter = {
  id: 'webSections',
  stock: 'roll',
  perfects: true,
  layOut(cx) {
    const [part] = cx.parts;
    return part ? layWeb(part, cx) : { forms: [] };
  },
};

function layWeb(part: Part, cx: LayoutContext): Laid {
  const bound = part.traits?.bound;
  if (!bound) return { forms: [] };
  const press = cx.stones.find((s) => s.machine.limits.cutOffMm !== undefined);
  const cutOffMm = press?.machine.limits.cutOffMm ?? 0;
  const edgeMm = press?.machine.limits.edgeTrimMm ?? 0;
  const trims = marginsOf(cx, bound);
  // What the cut-off is longer than two pages is trimmed off head and foot.
  const spare = cutOffMm / 2 - part.heightMm;
  const margins = { ...trims, headMm: Math.max(spare / 2, 0), footMm: Math.max(spare / 2, 0) };
  const usable: UsableSheet = {
    sheetMm: [cx.stock.widthMm, cutOffMm],
    gripperMm: 0,
    usable: { x: edgeMm, y: 0, widthMm: Math.max(cx.stock.widthMm - 2 * edgeMm, 0), heightMm: cutOffMm },
  };
  const ask: SectionsAsk = {
    cx,
    part,
    bound,
    margins,
    // A web is never turned: both sides in one run, whatever was chosen.
    bed: {
      kind: 'web',
      styleOf: () => (WORK_STYLES[cx.style].sides === 2 ? 'perfect' : cx.style),
      usable: () => usable,
      mirrorOf: () => 'x',
    },
    isDouble: false,
  };
  webFigures(cx.id, part, ask, edgeMm, cutOffMm, press?.machineId ?? '');
  const block = spare >= LEAST_HEAD_AND_FOOT_MM ? blockOf(ask, usable) : null;
  if (!block) return { forms: [formOf({ ...cx, stock: cx.stockId }, 'web', null)] };
  const sizes = sizesAllowed(cx.stock.gsm, foldLimitsOf(cx)).filter(
    (size) => size <= Math.min(bound.pages, block.pages) && WEB_SIZES.some((s) => s === size),
  );
  const on = { placesASide: block.pages / 2, perfected: true };
  const plans = plansHeld(
    sectionPlans({ pages: bound.pages, sizes, ...on }).filter((p) => p.blanks === 0),
    ask,
  );
  const chosen = chosenSections(plans, sizes, ask);
  const forms = formsOfSections(pressForms(chosen, on), laidSections(chosen, ask), new Map([[block.pages, block]]), plans, ask);
  for (const { id } of forms) if (id !== cx.id) webFigures(id, part, ask, edgeMm, cutOffMm, press?.machineId ?? '');
  for (const { id } of forms) writeUse(id, cx.ledger);
  return { forms };
}

/** The widest section the web takes: four columns, or two. */
function blockOf(ask: SectionsAsk, usable: UsableSheet): SectionBlock | null {
  for (const pages of [16, 8]) {
    const { widthMm, heightMm } = sizeOf(pages, ask);
    const block = sectionBlock(pages, [widthMm, heightMm], 'along', usable);
    if (block) return { ...block, across: 1, down: 1 };
  }
  return null;
}

/** Roll, cut-off, and what of the web is used; what is asked of it, so that it is said by how much nothing fits. */
function webFigures(id: string, part: Part, ask: SectionsAsk, edgeMm: number, cutOffMm: number, machine: string): void {
  const { ledger, stock, stockId } = ask.cx;
  const ofPress = (value: number, name: string) => ({ value, unit: 'mm', from: 'plant', at: `machine:${machine}.${name}` }) as const;
  rollFigures({ ...ask.cx, id }, 'foldWeb.coreWasteMetres');
  ledger.figure(idOf(id, 'usableWidth'), USABLE_WIDTH, {
    sheet: { value: stock.widthMm, unit: 'mm', from: 'plant', at: `stock:${stockId}` },
    side: ofPress(edgeMm, 'edgeTrimMm'),
  });
  ledger.figure(idOf(id, 'repeatMm'), CUT_OFF, { cutOff: ofPress(cutOffMm, 'cutOffMm') });
  ledger.figure(idOf(id, 'usableDepth'), GREATEST, { cutOff: fig(idOf(id, 'repeatMm')) });
  ledger.figure(idOf(id, 'usableRollMm'), MILLIMETRES, { metres: fig(idOf(id, 'usableRoll')) });
  if (id === ask.cx.id) pieceFigures({ ...ask, part, margins: { ...ask.margins, headMm: LEAST_HEAD_AND_FOOT_MM, footMm: 0 } }, 8);
}

function writeUse(id: string, ledger: Ledger): void {
  ledger.figure(idOf(id, 'metresAThousand'), METRES_A_THOUSAND, {
    repeatMm: fig(idOf(id, 'repeatMm')),
    pieces: ledger.value(idOf(id, 'copiesUp')) > 0 ? fig(idOf(id, 'copiesUp')) : typed(0, 'copy', 'nothing fits'),
  });
}
