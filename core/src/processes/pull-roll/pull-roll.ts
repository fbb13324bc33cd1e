import { idOf } from '../../quantity/id-of';
import { fig } from '../../quantity/ledger';
import { priceAt } from '../../stock/purchase';
import { METRE_MASS, ROLLS, SPLICES } from '../../stock/roll';
import { SHEET_MASS } from '../../stock/sheet-mass';
import { WEB_USE } from '../../layout/web-layout';
import { STOCK_COST } from '../../route/time-and-cost';
import type { Process } from '../process';
import { isCustomers, pulledFlow, suppliedBatch, suppliedFlow } from '../pull/stock-flow';
import { singleStep } from '../single-step';
import { timeAndCost } from '../time-and-cost';
import { ofForm } from '../web-time';
import { pullRollPanel, pullRollPaper, pullRollSummary } from './pull-roll-page';
import { rollScene } from './pull-roll-scene';

/** The store brings rolls: metres, rolls with their core waste, mass, price. The stone's drawing is the roll with its diameter. */
export const pullRoll: Process = {
  id: 'pullRoll',
  asks: () => ({}),
  draft(cx) {
    const web = suppliedFlow(cx, 'metre', cx.layout ? cx.layout.sheetMm[1] / 1000 : 1);
    return singleStep(
      { ...cx, incoming: [suppliedBatch(cx, pulledFlow(cx), web)] },
      {
        takesPer: 1,
        givesPer: 1,
        unit: 'metre',
        perGood: web.perGood,
        whole: true,
        losses: {},
        cautions: ['rolls'],
        needs: [{ gate: `paper:${cx.id}` }],
        supplied: { [pulledFlow(cx)]: web },
      },
    );
  },
  consume(cx) {
    const { ledger, id, stock } = cx;
    const metres = fig(idOf(pulledFlow(cx), 'demand'));
    const at = `stock:${cx.stockId ?? ''}`;
    const card = (value: number, unit: 'g/m²' | 'mm') => ({ value, unit, from: 'plant', at }) as const;
    ledger.figure(idOf(id, 'metreKg'), METRE_MASS, { gsm: card(stock?.gsm ?? 0, 'g/m²'), widthMm: card(stock?.widthMm ?? 0, 'mm') });
    ledger.figure(idOf(id, 'mass'), SHEET_MASS, {
      sheets: metres,
      widthMm: card(stock?.widthMm ?? 0, 'mm'),
      heightMm: { value: 1_000, unit: 'mm', from: 'family', at: 'a metre' },
      gsm: card(stock?.gsm ?? 0, 'g/m²'),
    });
    ledger.figure(idOf(id, 'rolls'), ROLLS, { metres, usable: fig(ofForm(cx, 'usableRoll')) });
    ledger.figure(idOf(id, 'splices'), SPLICES, { rolls: fig(idOf(id, 'rolls')) });
    ledger.figure(idOf(id, 'webUse'), WEB_USE, {
      pieces: fig(ofForm(cx, 'copiesUp')),
      widthMm: { value: cx.parts[0]?.widthMm ?? 0, unit: 'mm', from: 'typed', at: 'width' },
      heightMm: { value: cx.layout?.cells[0]?.trimMm[1] ?? 0, unit: 'mm', from: 'typed', at: 'height' },
      webMm: card(stock?.widthMm ?? 0, 'mm'),
      repeatMm: fig(ofForm(cx, 'repeatMm')),
    });
    ledger.figure(idOf(id, 'cost'), STOCK_COST, {
      number: metres,
      perThousand: {
        value: isCustomers(cx) ? 0 : priceAt(stock?.price ?? [], ledger.value(idOf(pulledFlow(cx), 'demand'))),
        unit: 'money',
        from: 'plant',
        at,
      },
    });
    return {
      costs: [
        // A roll store's cycles an hour are rolls.
        ...timeAndCost(cx, { step: id, cycles: fig(idOf(id, 'rolls')) }),
        { figure: idOf(id, 'cost'), kind: 'stock', fixed: false },
      ],
    };
  },
  scene: rollScene,
  panel: pullRollPanel,
  paper: pullRollPaper,
  summary: pullRollSummary,
};
