import { idOf } from '../../quantity/id-of';
import { type typed, fig } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { practiceTerm } from '../../plant/practice';
import type { Step } from '../../flow/net';
import { CALIPER } from '../../stock/caliper';
import { PILE_SHEETS, PILES, REAMS } from '../../stock/pile';
import { priceAt } from '../../stock/purchase';
import { SHEET_MASS } from '../../stock/sheet-mass';
import { goodsUp } from '../../layout/layout';
import { SHEET_USE } from '../../layout/usable-sheet';
import { STOCK_COST } from '../../route/time-and-cost';
import { type DraftContext, type Process, limitTerm, machineTerm, setting } from '../process';
import { meanPiece } from '../parted-step';
import { singleStep } from '../single-step';
import { caliperTerm } from '../stock-terms';
import { timeAndCost } from '../time-and-cost';
import { pullPanel, pullPaper, pullPaperOfRuns, pullSummary } from './pull-page';
import { pullScene } from './pull-scene';
import { isCustomers, stockFlow, suppliedBatch, suppliedFlow } from './stock-flow';

declare module '../../product/part' {
  interface Traits {
    /** Its board lies in the pressroom in its wrapping before it is opened. */
    conditioned: true;
  }
}

/** The store pulls the sheets: what must be bought, its mass, piles and price. The stone's drawing is the sheet with its copies. */
export const pull: Process = {
  id: 'pull',
  abilities: ['pileMm'],
  asks: () => ({}),
  draft(cx) {
    cx.ledger.figure(idOf(cx.id, 'caliper'), CALIPER, { reckoned: caliperTerm(cx) });
    const sheets = suppliedFlow(cx, 'sheet', 1);
    const rests = conditioning(cx);
    return singleStep(
      { ...cx, incoming: [suppliedBatch(cx, stockFlow(cx.id), sheets)] },
      {
        takesPer: 1,
        givesPer: 1,
        unit: 'sheet',
        perGood: sheets.perGood,
        whole: true,
        losses: {},
        cautions: ['piles'],
        needs: [{ gate: `paper:${cx.id}` }],
        supplied: { [stockFlow(cx.id)]: sheets },
        ...(rests && { makes: { rests } }),
      },
    );
  },
  consume(cx) {
    const { ledger, id, stock, layout } = cx;
    const [pieceWidth, pieceHeight] = meanPiece(cx);
    const sheets = fig(idOf(stockFlow(id), 'demand'));
    const [width, height] = layout?.sheetMm ?? [stock?.widthMm ?? 1, stock?.lengthMm ?? 1];
    const at = `stock:${cx.stockId ?? ''}`;
    const mm = (value: number): ReturnType<typeof typed> => ({ value, unit: 'mm', from: 'plant', at });
    ledger.figure(idOf(id, 'mass'), SHEET_MASS, {
      sheets,
      widthMm: mm(width),
      heightMm: mm(height),
      gsm: { value: stock?.gsm ?? 0, unit: 'g/m²', from: 'plant', at },
    });
    ledger.figure(idOf(id, 'reams'), REAMS, { sheets });
    ledger.figure(idOf(id, 'perPile'), PILE_SHEETS, {
      heightMm: limitTerm(cx, 'pileMm', { value: 1_000, unit: 'mm', from: 'plant', at: 'practice' }),
      caliperUm: fig(idOf(id, 'caliper')),
    });
    ledger.figure(idOf(id, 'piles'), PILES, { sheets, perPile: fig(idOf(id, 'perPile')) });
    ledger.figure(idOf(id, 'sheetUse'), SHEET_USE, {
      copies: { value: layout ? goodsUp(layout) : 0, unit: 'copy', from: 'family', at: 'layout' },
      widthMm: mm(pieceWidth),
      heightMm: mm(pieceHeight),
      sheetWidthMm: mm(width),
      sheetHeightMm: mm(height),
    });
    ledger.figure(idOf(id, 'cost'), STOCK_COST, {
      number: sheets,
      perThousand: {
        value: isCustomers(cx) ? 0 : priceAt(stock?.price ?? [], ledger.value(idOf(stockFlow(id), 'demand'))),
        unit: 'money',
        from: 'plant',
        at,
      },
    });
    return {
      costs: [
        ...timeAndCost(cx, { step: id, perHour: machineTerm(cx, 'netPerHour') }),
        { figure: idOf(id, 'cost'), kind: 'stock', fixed: false },
      ],
    };
  },
  scene: pullScene,
  panel: pullPanel,
  paper: pullPaper,
  paperOfRuns: pullPaperOfRuns,
  summary: pullSummary,
};

/** Board comes to the climate of the pressroom in its wrapping before it is opened; null: nothing of the sort is asked. */
function conditioning(cx: DraftContext): Step['waits'][number] | null {
  if (!cx.parts.some((p) => p.traits?.conditioned)) return null;
  const figure = idOf(cx.id, 'waitS');
  cx.ledger.figure(figure, SUM, { wait: setting(cx, 'waitS', practiceTerm(cx.plant, 'wait.conditionS')) });
  return { after: cx.id, figure, why: 'rest' };
}
