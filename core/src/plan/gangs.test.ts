import fc from 'fast-check';
import { isCuttable } from '../layout/cuttable';
import { type GangPiece, gangRows } from '../layout/gang-rows';
import { copyPlaces } from '../layout/layout';
import { layoutFault } from '../layout/layout-faults';
import { LINDMOOR, SHELF, cardSpec } from './line-1.fixture';
import type { FoldedCardWish } from '../families/folded-card-wish';
import type { JobSpec } from '../product/job-spec';
import { plan, planned } from './plan';
import { floorSteps } from './readings/floor-steps';
import { riverOf } from './readings/river';
import { stoneName } from './readings/stone-name';
import { ticketPages } from './readings/ticket';

type Wish = Partial<FoldedCardWish>;
const PLAIN: Wish = {
  openWidthMm: 148,
  openHeightMm: 105,
  folds: 0,
  front: ['K', 'C', 'M', 'Y'],
  back: ['K'],
  grade: 'Ivory board 300',
  perBand: 1,
};
/** Flat cards of several orders on one sheet: names and quantities; what differs in a wish. */
function gang(orders: Record<string, { quantity: number; wish?: Wish }>, copies?: Record<string, number>): JobSpec {
  const spec = cardSpec();
  const item = spec.items['i1']!;
  return {
    ...spec,
    items: Object.fromEntries(
      Object.entries(orders).map(([id, { quantity }]) => [
        id,
        { ...item, product: id, versions: { only: { name: 'only', quantity, changes: [] } } },
      ]),
    ),
    products: Object.fromEntries(
      Object.entries(orders).map(([id, { wish }]) => [id, { kind: 'made', family: 'folded-card', wish: { ...PLAIN, ...wish } }]),
    ),
    choices: {
      ...spec.choices,
      gangs: {
        g: {
          parts: Object.keys(orders).map((id) => `${id}.card`),
          ...(copies && { forms: [{ copies: Object.fromEntries(Object.entries(copies).map(([id, n]) => [`${id}.card`, n])) }] }),
        },
      },
    },
  };
}
const THREE = { a: { quantity: 8_000 }, b: { quantity: 2_000 }, c: { quantity: 2_000 } };
const made = planned(gang(THREE, { a: 8, b: 2, c: 2 }), LINDMOOR, SHELF);
const value = (id: string, p = made.plan): number => p.figures[id]?.value ?? NaN;
const refused = (spec: JobSpec): unknown => plan(spec, LINDMOOR, SHELF).findings.find((f) => f.code === 'gang.refused')?.args;

describe('a gang of three orders, 8 + 2 + 2 up', () => {
  it('is one way to the knife, and three behind it', () => {
    expect(made.plan.stones.map((s) => s.id)).toEqual([
      'g.stock',
      'g.plates',
      'g.print',
      'g.cut',
      'a.card.pack',
      'b.card.pack',
      'c.card.pack',
    ]);
    expect(made.plan.steps['g.cut']?.gives).toEqual([
      { flow: 'g.cut.a.card', per: 8 },
      { flow: 'g.cut.b.card', per: 2 },
      { flow: 'g.cut.c.card', per: 2 },
    ]);
  });
  it('runs as many sheets as its scarcest order takes; the others have so many over', () => {
    // 8,000 ÷ 8 = 2,000 ÷ 2 = 1,000 good cut sheets. Nothing is lost in packing.
    const good = Math.max(...['a', 'b', 'c'].map((o) => value(`g.cut.${o}.card.demand`) / { a: 8, b: 2, c: 2 }[o]!));
    expect(value('g.cut.need')).toBe(Math.ceil(good));
    for (const [order, { quantity }] of Object.entries(THREE)) {
      expect(value(`${order}.wanted`)).toBe(quantity);
      expect(value(`${made.plan.items[order]!.goods}.demand`)).toBe(quantity);
    }
  });
  it('pays its plates once', () => {
    expect(value('total.plates')).toBe(5);
  });
  it('counts what a sheet lost in print means to each order by its own places', () => {
    expect(made.plan.flows['g.stock.out']).toMatchObject({ perGood: 1 / 12, perGoodOf: { a: 1 / 8, b: 1 / 2, c: 1 / 2 } });
    for (const order of ['a', 'b', 'c']) expect(value(`${order}.chance`)).toBeGreaterThan(0.5);
    expect(value('g.print.front.kept.b') / value('g.print.front.kept.a')).toBeCloseTo(2 / 8, 6);
  });
  it('gives each order its own pages, and one page at the press for all', () => {
    const pages = ticketPages(made);
    expect(pages.filter((p) => p.department === 'packing').map((p) => p.stone.id)).toEqual(['a.card.pack', 'b.card.pack', 'c.card.pack']);
    expect(pages.find((p) => p.department === 'guillotine')?.stone.parts).toEqual(['a.card', 'b.card', 'c.card']);
    const cut = floorSteps(made, { timeZone: 'UTC', currency: 'EUR', units: 'metric' }, false).find((s) => s.step.step === 'g.cut');
    expect(cut?.step.units.givesPer).toBe(12);
    expect(cut?.step.parted?.map((p) => [p.name, p.per])).toEqual([
      ['a', 8],
      ['b', 2],
      ['c', 2],
    ]);
    expect(cut?.step.next.map((n) => n.step)).toEqual(['a.card.pack.carton', 'b.card.pack.carton', 'c.card.pack.carton']);
  });
  it('parts the river at the knife: each order comes from it, and no order from another', () => {
    const from = Object.fromEntries(riverOf(made.plan).map((s) => [s.id, s.from]));
    expect(from['g.stock']).toEqual([]);
    expect(from['g.print']).toEqual(['g.stock']);
    for (const order of ['a', 'b', 'c']) expect(from[`${order}.card.pack`]).toEqual(['g.cut']);
  });
  it('tells the knife whose copies are whose, by the letters of its drawing', () => {
    const cut = ticketPages(made).find((p) => p.department === 'guillotine');
    const orders = cut?.lists.find((l) => l.title === 'orders');
    expect(orders?.rows.map((r) => [r[0], r[1], r[3]])).toEqual([
      ['A', 'a', '8'],
      ['B', 'b', '2'],
      ['C', 'c', '2'],
    ]);
    const letters = cut?.drawings.flatMap((d) => d.shapes).filter((s) => s.kind === 'text' && /^[ABC]$/.test(s.text));
    expect(letters).toHaveLength(12);
  });
  it('calls the stones behind the knife after their order', () => {
    expect(made.plan.stones.map((s) => stoneName(s))).toEqual(['Stock', 'Plates', 'Print', 'Cut', 'Pack, a', 'Pack, b', 'Pack, c']);
  });
  it('shows in the river what of its losses goes as a rule, of all orders together', () => {
    const print = riverOf(made.plan).find((s) => s.id === 'g.print');
    expect(print?.likelyCopies).toBeGreaterThan(0);
    expect(print?.likelyCopies).toBeLessThan(print?.lostCopies ?? 0);
  });
  it('leaves no figure that refers to nothing', () => {
    expect(made.ledger.missing).toEqual([]);
  });
});

describe('a gang', () => {
  it('finds its copies by the quantities where nobody sets them: the fewest sheets that rows allow', () => {
    const p = plan(gang({ a: { quantity: 6_000 }, b: { quantity: 1_000 } }), LINDMOOR, SHELF);
    const [a, b] = [value('a.card.copiesUp', p), value('b.card.copiesUp', p)];
    expect(a).toBeGreaterThan(b);
    expect(value('g.copiesUp', p)).toBe(a + b);
    const sheets = Math.max(6_000 / a, 1_000 / b);
    const one = plan({ ...gang({ a: { quantity: 6_000 }, b: { quantity: 1_000 } }), choices: cardSpec().choices }, LINDMOOR, SHELF);
    expect(sheets).toBeLessThan(6_000 / value('a.card.copiesUp', one) + 1_000 / value('b.card.copiesUp', one) + 250);
  });
  it('takes pieces of unlike sizes, each in rows of its own; what of the sheet is used is the sum of both', () => {
    const p = plan(gang({ a: { quantity: 4_000 }, b: { quantity: 4_000, wish: { openWidthMm: 210, openHeightMm: 99 } } }), LINDMOOR, SHELF);
    expect(p.findings.filter((f) => f.code === 'layout.notCuttable')).toEqual([]);
    expect(new Set(p.forms['g']?.layout?.cells.map((c) => c.part))).toEqual(new Set(['a.card', 'b.card']));
    const [a, b] = [value('a.card.copiesUp', p), value('b.card.copiesUp', p)];
    const [w = 1, h = 1] = p.forms['g']?.layout?.sheetMm ?? [];
    expect(value('g.stock.sheetUse', p)).toBeCloseTo((100 * (a * 148 * 105 + b * 210 * 99)) / (w * h), 6);
  });
  it('keeps what only one order asks on the way of all until the knife: foil for one', () => {
    const wish = { foils: { f: { name: 'crest', widthMm: 20, heightMm: 20 } } };
    const p = plan(gang({ a: { quantity: 4_000 }, b: { quantity: 4_000, wish } }), LINDMOOR, SHELF);
    expect(p.stones.map((s) => s.id)).toEqual(['g.stock', 'g.plates', 'g.print', 'g.foil', 'g.cut', 'a.card.pack', 'b.card.pack']);
    expect(value('g.foil.die.b.card.f.dies', p)).toBe(value('b.card.copiesUp', p));
  });
  it('refuses what cannot lie together, by name and reason, and plans it alone', () => {
    const other = (wish: Wish): JobSpec => gang({ a: { quantity: 1_000 }, b: { quantity: 1_000, wish } });
    expect(refused(other({ grade: 'Cotton board 350' }))).toEqual({ part: 'b.card', why: 'gang.unlikeStock' });
    expect(refused(other({ front: ['K', 'C', 'M', 'Y', 'varnish'] }))).toEqual({ part: 'b.card', why: 'gang.unlikeCoating' });
    expect(refused(other({ back: [] }))).toEqual({ part: 'b.card', why: 'gang.unlikeSides' });
    expect(refused(other({ front: ['K', 'moss'] }))).toEqual({ part: 'b.card', why: 'gang.unlikeColours' });
    expect(refused(other({ food: true }))).toEqual({ part: 'b.card', why: 'gang.unlikeFood' });
    const nowhere = other({});
    nowhere.choices.gangs = { g: { parts: ['a.card', 'x.card'] } };
    expect(refused(nowhere)).toEqual({ part: 'x.card', why: 'gang.notHere' });
    const likeAPart = other({});
    likeAPart.choices.gangs = { 'a.card': { parts: ['a.card', 'b.card'] } };
    expect(refused(likeAPart)).toEqual({ part: 'a.card', why: 'gang.calledLikeAPart' });
    const alone = plan(other({ back: [] }), LINDMOOR, SHELF);
    expect(alone.stones.map((s) => s.id)).toContain('b.card.print');
  });
  it('says where typed copies do not fit, and is laid out by the quantities', () => {
    const p = plan(gang(THREE, { a: 300, b: 2, c: 2 }), LINDMOOR, SHELF);
    expect(p.findings.some((f) => f.code === 'gang.copies')).toBe(true);
    expect(value('g.copiesUp', p)).toBeGreaterThan(3);
  });
});

describe('rows and columns of a gang', () => {
  const usable = { x: 10, y: 12, widthMm: 400, heightMm: 150 };
  const piece = (part: string, trimMm: [number, number], wanted: number, turn: GangPiece['turn'] = 'never'): GangPiece => ({
    part,
    item: part,
    trimMm,
    bleedMm: 0,
    turn,
    wanted,
  });
  it('take as few sheets as they allow', () => {
    const rows = gangRows([piece('a', [100, 100], 1_000), piece('b', [100, 50], 2_000)], usable, null);
    expect(rows?.cells.map((c) => [c.part, c.nx * c.ny])).toEqual([
      // 250 sheets would take two rows of b below one of a: 200 mm of 150.
      ['a', 2],
      ['b', 4],
    ]);
  });
  it('stand up the sheet where they do not lie across it', () => {
    const tall = [piece('a', [60, 140], 100), piece('b', [80, 140], 100)];
    const columns = gangRows(tall, usable, null);
    expect(columns?.cells.map((c) => [c.part, c.nx, c.ny, c.trimMm])).toEqual([
      ['a', 2, 1, [60, 140]],
      ['b', 2, 1, [80, 140]],
    ]);
    const layout = { sheetMm: [420, 180] as [number, number], gripperMm: 12, cells: columns?.cells ?? [] };
    expect(layoutFault(layout, 0, usable)).toBeNull();
    expect(isCuttable(copyPlaces(layout))).toBe(true);
  });
  it('never leave the sheet, never overlap, and are always cut apart', () => {
    const size = fc.integer({ min: 20, max: 200 });
    const any = fc.record({
      w: size,
      h: size,
      wanted: fc.integer({ min: 1, max: 50_000 }),
      turn: fc.constantFrom<GangPiece['turn'][]>('never', 'always', 'free'),
    });
    fc.assert(
      fc.property(fc.array(any, { minLength: 2, maxLength: 5 }), (pieces) => {
        const sheet = { x: 5, y: 12, widthMm: 710, heightMm: 490 };
        const rows = gangRows(
          pieces.map((p, i) => ({ ...piece(`p${i}`, [p.w, p.h], p.wanted, p.turn), bleedMm: 3 })),
          sheet,
          null,
        );
        if (!rows) return;
        const layout = { sheetMm: [720, 520] as [number, number], gripperMm: 12, cells: rows.cells };
        expect(layoutFault(layout, 3, sheet)).toBeNull();
        expect(isCuttable(copyPlaces(layout))).toBe(true);
        expect(new Set(rows.cells.map((c) => c.part)).size).toBe(pieces.length);
      }),
      { numRuns: 300, seed: 11 },
    );
  });
});
