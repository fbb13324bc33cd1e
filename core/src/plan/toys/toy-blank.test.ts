import type { Layouter } from '../../layout/layouter';
import { type Layout, copiesUp } from '../../layout/layout';
import { printsOf } from '../../layout/form';
import { pressSheet } from '../../stock/press-sheet';
import { partedStep } from '../../processes/parted-step';
import { SHELF } from '../line-1.fixture';
import { planned } from '../plan';
import { riverOf } from '../readings/river';
import { toyPart, toyPlant, toyProcess, toySpec, withToys } from './toys.fixture';

/* A blank of any outline, nested by its own layouter, three orders of it on one form: 8 + 2 + 2 up. */
const nested: Layouter = {
  id: 'toyOutline',
  stock: 'sheet',
  layOut({ id, parts, stock, stockId, gangForms }) {
    const layout: Layout = {
      sheetMm: pressSheet(stock),
      gripperMm: 12,
      // Triangles tip to tip: each pair stands in a square of 60; one row an order.
      cells: parts.map((p, row) => ({
        part: p.id,
        item: p.item,
        trimMm: [60, 60],
        x: 20,
        y: 20 + 65 * row,
        nx: gangForms[0]?.copies[p.id] ?? 1,
        ny: 1,
        dx: 65,
        dy: 65,
        turn: 0,
      })),
    };
    return {
      forms: [
        {
          id,
          kind: 'sheet',
          parts: parts.map((p) => p.id),
          name: '',
          layout,
          style: 'simplex',
          stock: stockId,
          prints: printsOf(parts.map((p) => p.colours)),
          alike: 1,
          slot: id,
          question: '',
        },
      ],
    };
  },
};
const breakOut = toyProcess(
  'toyBreakOut',
  (cx) =>
    partedStep(cx, { unit: 'piece', losses: { setup: { value: 40, unit: 'cycle', from: 'plant', at: 'toy' } }, waits: [], cautions: [] }),
  { parts: true },
);
const BLANK = withToys(
  {
    'toy-blank': {
      parts: (ids) => ({
        [`${ids.product}.blank`]: toyPart(`${ids.product}.blank`, ids, {
          layouter: 'toyOutline',
          widthMm: 60,
          heightMm: 60,
          grade: 'Ivory board 300',
          colours: [['K', 'C'], []],
        }),
      }),
      route: (_wish, parts) =>
        [
          ['stock', 'pull'],
          ['plates', 'platemaking'],
          ['print', 'offset'],
          ['die', 'toyBreakOut'],
          ['pack', 'pack'],
        ].map(([key = '', process = '']) => ({ key, process, of: Object.keys(parts), settings: {} })),
    },
  },
  [breakOut],
  [nested],
);
const orders = { a: 8_000, b: 1_500, c: 2_000 };
const made = planned(
  toySpec(Object.fromEntries(Object.entries(orders).map(([id, quantity]) => [id, { family: 'toy-blank', quantity }])), {
    gangs: { g: { parts: ['a.blank', 'b.blank', 'c.blank'], forms: [{ copies: { 'a.blank': 8, 'b.blank': 2, 'c.blank': 2 } }] } },
  }),
  toyPlant(['toyBreakOut']),
  SHELF,
  BLANK,
);
const value = (id: string): number => made.plan.figures[id]?.value ?? NaN;

describe('three orders of a nested blank on one form', () => {
  it('lie 8 + 2 + 2 up', () => {
    const layout = made.plan.forms['g']?.layout;
    expect(layout && ['a.blank', 'b.blank', 'c.blank'].map((p) => copiesUp(layout, p))).toEqual([8, 2, 2]);
  });
  it('are broken out of as many sheets as the scarcest needs: 1,000, and 40 to set up', () => {
    // Packing loses by the plant's practice; without it 8,000 ÷ 8 = 2,000 ÷ 2 = 1,000, and 1,500 ÷ 2 = 750.
    const packed = (order: string): number => value(`g.die.${order}.blank.demand`);
    expect(value('g.die.need')).toBe(Math.max(Math.ceil(packed('a') / 8), Math.ceil(packed('b') / 2), Math.ceil(packed('c') / 2)));
    expect(value('g.die.need')).toBeGreaterThanOrEqual(1_000);
    expect(value('g.die.run')).toBe(value('g.die.need') + 40);
  });
  it('leave b over what was not ordered, and the sum is what was printed', () => {
    const good = value('g.die.good');
    const over = (order: string): number => value(`g.die.over.g.die.${order}.blank`);
    expect(over('b')).toBe(2 * good - value('g.die.b.blank.demand'));
    const parted = ['a', 'b', 'c'].reduce((sum, o) => sum + value(`g.die.${o}.blank.demand`) + over(o), 0);
    expect(parted).toBe(12 * good);
  });
  it('end as goods of their own', () => {
    for (const [order, quantity] of Object.entries(orders)) expect(value(`${made.plan.items[order]?.goods}.demand`)).toBe(quantity);
    expect(riverOf(made.plan).map((s) => s.id)).toEqual([
      'g.stock',
      'g.plates',
      'g.print',
      'g.die',
      'a.blank.pack',
      'b.blank.pack',
      'c.blank.pack',
    ]);
    expect(made.ledger.missing).toEqual([]);
  });
});
