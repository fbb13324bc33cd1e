import { idOf } from '../quantity/id-of';
import type { Shelf } from '../plant/plant';
import { fig, typed } from '../quantity/ledger';
import { practiceTerm } from '../plant/practice';
import type { CountUnit, Id } from '../quantity/figure';
import type { Flow } from '../flow/net';
import { CALIPER } from '../stock/caliper';
import { PILES, PILE_SHEETS, REAMS } from '../stock/pile';
import { SHEET_MASS } from '../stock/sheet-mass';
import { SHEET_USE } from '../layout/usable-sheet';
import { copiesUp } from '../layout/layout';
import { sheetScene } from '../layout/sheet-scene';
import { priceAt } from '../stock/purchase';
import { STOCK_COST } from '../route/time-and-cost';
import type { Incoming } from './batch';
import {
  type ConsumeContext,
  type DraftContext,
  type Process,
  type ProcessContext,
  limitTerm,
  machineTerm,
  settingPath,
  wordSetting,
} from './process';
import { meanPiece } from './parted-step';
import { singleStep } from './single-step';
import { caliperTerm } from './stock-terms';
import { timeAndCost } from './time-and-cost';

const stockFlow = (id: string): string => idOf(id, 'in');

/** The store pulls the sheets: what must be bought, its mass, piles and price. The stone's drawing is the sheet with its copies. */
export const pull: Process = {
  id: 'pull',
  abilities: ['pileMm'],
  asks: () => ({}),
  draft(cx) {
    cx.ledger.figure(idOf(cx.id, 'caliper'), CALIPER, { reckoned: caliperTerm(cx) });
    const sheets = suppliedFlow(cx, 'sheet', 1);
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
      copies: { value: layout ? copiesUp(layout) : 0, unit: 'copy', from: 'family', at: 'layout' },
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
  scene: (cx) => sheetScene(cx.layout, cx.parts, cx.stock, cx.workStyle, practiceTerm(cx.plant, 'layout.colourBarMm')),
  panel: (cx) => {
    const part = cx.parts[0];
    const fitting = Object.entries(cx.plant.stocks).filter(([, s]) => s.form === 'sheet' && s.grade === part?.grade);
    return [
      {
        label: 'stock',
        text: cx.stock?.name ?? '',
        edit: {
          at: ['choices', 'stock', cx.form?.id ?? ''],
          kind: 'choice',
          options: fitting.map(([value, s]) => ({ value, says: s.name })),
        },
      },
      {
        label: 'owner',
        text: wordSetting(cx, 'owner', 'works'),
        edit: {
          at: settingPath(cx, 'owner'),
          kind: 'choice',
          options: [
            { value: 'works', says: 'works' },
            { value: 'customer', says: 'customer' },
          ],
        },
      },
      { label: 'copiesUp', figure: idOf(cx.form?.id ?? '', 'copiesUp') },
      { label: 'sheetUse', figure: idOf(cx.id, 'sheetUse') },
      { label: 'sheetsToPull', figure: idOf(stockFlow(cx.id), 'demand') },
      { label: 'mass', figure: idOf(cx.id, 'mass') },
      { label: 'reams', figure: idOf(cx.id, 'reams') },
      { label: 'piles', figure: idOf(cx.id, 'piles') },
      { label: 'gripper', figure: idOf(cx.form?.id ?? '', 'gripper') },
      { label: 'cost', figure: idOf(cx.id, 'cost') },
    ];
  },
  paper: (cx) => [
    {
      department: 'store',
      scene: true,
      rows: pull.panel(cx),
      lists: [
        {
          title: 'lots',
          head: ['lot', 'sheets', 'owner', 'measured'],
          rows: lotRows(cx, (l) => [String(l.quantity), l.owner, l.caliperUm === undefined ? 'not measured' : `${l.caliperUm} µm`]),
        },
        {
          title: 'grain',
          head: ['grain', 'unwrap'],
          rows: [[cx.stock?.grain ?? 'not said', 'not before the pile has the press room’s temperature']],
        },
      ],
      blanks: ['location', 'substitute note', 'sheets returned'],
    },
  ],
  summary: (cx) => ({ text: cx.stock?.name ?? '' }),
};

/** Lots of the stock as the store lists them; that there is none is said, never left blank. */
export const lotRows = (cx: ConsumeContext, tell: (lot: Shelf['lots'][string]) => string[]): string[][] => {
  const lots = Object.entries(cx.shelf.lots).filter(([, l]) => l.stock === cx.stockId);
  return lots.length > 0 ? lots.map(([id, l]) => [id, ...tell(l)]) : [['none in the store']];
};

/** What the store brings for a form: `each` of it for one form, shared by the copies on it; copies of several orders are told apart. */
export function suppliedFlow(cx: DraftContext, unit: CountUnit, each: number): Flow {
  const [part, ...others] = cx.parts;
  const perGood = (copies: number): number => each / Math.max(copies, 1);
  const layout = cx.layout;
  return {
    unit,
    part: others.length > 0 ? '' : (part?.id ?? ''),
    item: others.length > 0 ? '' : (part?.item ?? ''),
    perGood: perGood(layout ? copiesUp(layout) : 1),
    ...(layout && others.length > 0 && { perGoodOf: Object.fromEntries(cx.parts.map((p) => [p.item, perGood(copiesUp(layout, p.id))])) }),
    supply: isCustomers(cx) ? { from: 'customer' } : { from: 'stock', stock: cx.stockId ?? '' },
  };
}

/** The same as the batch that a stone begins with. */
export const suppliedBatch = (cx: DraftContext, flow: Id<'flow'>, of: Flow): Incoming => ({
  flow,
  of,
  times: 1,
  forms: cx.form ? [cx.form.id] : [],
  parts: cx.parts.map((p) => p.id),
  version: null,
  wet: [],
  faults: null,
  bundle: null,
});

/** The customer sends the sheets: counted in, owned by the customer, returned. */
export const isCustomers = (cx: ProcessContext): boolean => wordSetting(cx, 'owner', 'works') === 'customer';

/** The flow that stands for the stock a stone pulls. */
export const pulledFlow = (cx: Pick<ConsumeContext, 'id'>): string => stockFlow(cx.id);
