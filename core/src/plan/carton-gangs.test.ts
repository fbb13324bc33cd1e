import { copiesUp } from '../layout/layout';
import { outlineFault } from '../layout/outline-faults';
import type { FoldingCartonWish } from '../families/folding-carton-wish';
import type { JobSpec } from '../product/job-spec';
import '../product/blank';
import { JobSpecSchema } from './door';
import { LINDMOOR, SHELF } from './line-1.fixture';
import { cartonSpec } from './line-4.fixture';
import { planned } from './plan';
import { ticketPages } from './readings/ticket';

/** Cartons of several teas on one die: each an order of its own. */
function teas(quantities: Record<string, number>, copies?: Record<string, number>, other: Partial<FoldingCartonWish> = {}): JobSpec {
  const spec = cartonSpec();
  const ids = Object.keys(quantities);
  const wish = (spec.products['carton'] as { wish: FoldingCartonWish }).wish;
  return JobSpecSchema.parse({
    ...spec,
    items: Object.fromEntries(
      ids.map((id) => [
        id,
        { ...spec.items['i1']!, product: id, versions: { only: { name: 'only', quantity: quantities[id] as number, changes: [] } } },
      ]),
    ),
    products: Object.fromEntries(
      ids.map((id, i) => [id, { kind: 'made', family: 'folding-carton', wish: { ...wish, ...(i === 1 ? other : {}) } }]),
    ),
    choices: {
      ...spec.choices,
      gangs: {
        g: {
          parts: ids.map((id) => `${id}.blank`),
          ...(copies && { forms: [{ copies: Object.fromEntries(ids.map((id) => [`${id}.blank`, copies[id] as number])) }] }),
        },
      },
    },
  });
}
const made = planned(teas({ black: 60_000, green: 20_000, mint: 20_000 }), LINDMOOR, SHELF);
const value = (id: string): number => made.plan.figures[id]?.value ?? NaN;

it('share one die, as many places each as the fewest sheets want', () => {
  // By hand: twelve places; 60,000 : 20,000 : 20,000 as 8 : 2 : 2 wants 10,000 sheets, 7 : 2 : 3 and others more than 8,572 for black and 10,000 for green.
  const copies = ['black', 'green', 'mint'].map((id) => value(`${id}.blank.copiesUp`));
  expect(copies.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(12);
  const sheets = Math.max(...[60_000, 20_000, 20_000].map((n, i) => Math.ceil(n / (copies[i] as number))));
  expect(sheets).toBe(10_000);
  expect(value('g.copiesUp')).toBe(copies.reduce((a, b) => a + b, 0));
});

it('go through press and die together, and each through the gluer and into cases of its own', () => {
  expect(made.plan.stones.map((s) => s.id)).toEqual([
    'g.stock',
    'g.plates',
    'g.print',
    'g.emboss',
    'g.die',
    'black.blank.glue',
    'black.blank.pack',
    'green.blank.glue',
    'green.blank.pack',
    'mint.blank.glue',
    'mint.blank.pack',
  ]);
  for (const [id, quantity] of [
    ['black', 60_000],
    ['green', 20_000],
    ['mint', 20_000],
  ] as const)
    expect(value(`${made.plan.items[id]?.goods}.demand`)).toBe(quantity);
  const good = value('g.die.good');
  const parted = ['black', 'green', 'mint'].reduce(
    (sum, id) => sum + value(`g.die.${id}.blank.demand`) + value(`g.die.over.g.die.${id}.blank`),
    0,
  );
  expect(parted).toBe(value('g.copiesUp') * good);
  expect(made.ledger.missing).toEqual([]);
  expect(ticketPages(made).length).toBeGreaterThan(8);
});

it('lie in lanes of their own, none over another', () => {
  const form = made.plan.forms['g'];
  const blank = made.plan.parts['black.blank'];
  if (!form?.layout || !blank?.traits?.blank) throw new Error('no layout');
  const { outline } = blank.traits.blank.die;
  expect(outlineFault(form.layout, { outline, gapMm: 3, usable: { x: 6, y: 12, widthMm: 1_048, heightMm: 642 } })).toBeNull();
  // In the order of the lanes an order's places follow one another.
  const byLane = [...form.layout.cells].sort((a, b) => a.x - b.x || a.y - b.y).map((c) => c.item);
  expect(byLane.filter((item, i) => item !== byLane[i - 1])).toEqual(['black', 'green', 'mint']);
});

it('take copies as typed, and say where they do not fit', () => {
  const typed = planned(teas({ black: 60_000, green: 20_000 }, { black: 9, green: 3 }), LINDMOOR, SHELF).plan;
  expect(typed.forms['g']?.layout && copiesUp(typed.forms['g'].layout, 'black.blank')).toBe(9);
  const many = planned(teas({ black: 60_000, green: 20_000 }, { black: 9, green: 4 }), LINDMOOR, SHELF).plan;
  expect(many.findings.map((f) => f.code)).toContain('gang.copies');
});

it('are refused where one has another die line', () => {
  const unlike = planned(teas({ black: 60_000, green: 20_000 }, undefined, { lengthMm: 80 }), LINDMOOR, SHELF).plan;
  expect(unlike.findings.find((f) => f.code === 'gang.refused')?.args).toEqual({ part: 'green.blank', why: 'gang.unlikeOutline' });
  expect(unlike.stones.map((s) => s.id)).toContain('green.blank.die');
});
