import fc from 'fast-check';
import type { FoldedCardWish } from '../families/folded-card-wish';
import { copiesUp } from '../layout/layout';
import { layoutFault } from '../layout/layout-faults';
import type { JobSpec } from '../product/job-spec';
import { JobSpecSchema } from './door';
import { LINDMOOR, SHELF, cardSpec } from './line-1.fixture';
import { plan, planned } from './plan';
import { ticketPages } from './readings/ticket';

/* What must hold for any job of several orders, versions and gangs, sensible or not. */

const inks = fc.constantFrom<string[][]>(['K'], ['K', 'C', 'M', 'Y'], ['K', 'moss']);
const order = fc.record({
  quantity: fc.integer({ min: 1, max: 60_000 }),
  widthMm: fc.integer({ min: 40, max: 420 }),
  heightMm: fc.integer({ min: 40, max: 420 }),
  folds: fc.integer({ min: 0, max: 3 }),
  front: inks,
  back: fc.constantFrom<string[][]>([], ['K']),
  grade: fc.constantFrom('Ivory board 300', 'Gloss coated 150'),
  foil: fc.boolean(),
  changes: fc.array(fc.constantFrom<string[][]>([], ['K'], ['K', 'C']), { minLength: 1, maxLength: 4 }),
});
const anyJob: fc.Arbitrary<JobSpec> = fc
  .record({ orders: fc.array(order, { minLength: 1, maxLength: 4 }), gang: fc.boolean(), reversed: fc.boolean() })
  .map(({ orders, gang, reversed }) => {
    const spec = cardSpec();
    const ids = orders.map((_, i) => `o${i + 1}`);
    const versionsOf = ({ quantity, changes }: (typeof orders)[number]): JobSpec['items'][string]['versions'] =>
      Object.fromEntries(
        changes.map((c, i) => [`v${i + 1}`, { name: `version ${i + 1}`, quantity: Math.ceil(quantity / (i + 1)), changes: c }]),
      );
    const wishOf = ({ widthMm, heightMm, folds, front, back, grade, foil }: (typeof orders)[number]): FoldedCardWish => ({
      ...{ openWidthMm: widthMm, openHeightMm: heightMm, folds, front, back, grade },
      ...(foil && { foils: { f: { name: 'crest', widthMm: 12, heightMm: 12 } } }),
    });
    const made: JobSpec = {
      ...spec,
      items: Object.fromEntries(ids.map((id, i) => [id, { ...spec.items['i1']!, product: id, versions: versionsOf(orders[i]!) }])),
      products: Object.fromEntries(ids.map((id, i) => [id, { kind: 'made', family: 'folded-card', wish: wishOf(orders[i]!) }])),
      choices: { ...spec.choices, ...(gang && ids.length > 1 && { gangs: { g: { parts: ids.map((id) => `${id}.card`) } } }) },
    };
    return JobSpecSchema.parse(reversed ? withKeysReversed(made) : made);
  });
function withKeysReversed<T>(value: T): T {
  if (value === null || typeof value !== 'object' || Array.isArray(value)) return value;
  const entries = Object.entries(value).map(([k, v]): [string, unknown] => [k, withKeysReversed(v)]);
  return Object.fromEntries(entries.reverse()) as T;
}
const each = (law: (spec: JobSpec) => void): void => {
  fc.assert(fc.property(anyJob, law), { numRuns: 25, seed: 29 });
};

describe('any job of several orders, versions and gangs', () => {
  it('refers to no figure that is not there, and prints every page', () => {
    each((spec) => {
      const made = planned(spec, LINDMOOR, SHELF);
      expect(made.ledger.missing).toEqual([]);
      expect(ticketPages(made).length).toBeGreaterThan(0);
    });
  });
  it('leaves no pile behind: what a step gives is taken by another, or is goods', () => {
    each((spec) => {
      const { steps, items } = plan(spec, LINDMOOR, SHELF);
      const taken = new Set(Object.values(steps).flatMap((s) => s.takes.map((t) => t.flow)));
      const goods = new Set(Object.values(items).map((i) => i.goods));
      const left = Object.values(steps).flatMap((s) => s.gives.filter((g) => !taken.has(g.flow) && !goods.has(g.flow)));
      expect(left).toEqual([]);
    });
  });
  it('makes of every order, and of every version told apart, as many as were wanted; together what was ordered', () => {
    each((spec) => {
      const { items, figures } = plan(spec, LINDMOOR, SHELF);
      const value = (id: string): number => figures[id]?.value ?? NaN;
      const ordered = Object.values(spec.items).reduce((sum, i) => sum + Object.values(i.versions).reduce((n, v) => n + v.quantity, 0), 0);
      expect(Object.values(items).reduce((sum, i) => sum + value(i.wanted), 0)).toBe(ordered);
      for (const item of Object.values(items)) expect(value(`${item.goods}.demand`)).toBeGreaterThanOrEqual(value(item.wanted));
    });
  });
  it('cuts apart what it printed: at every step that parts a sheet, goods and overs add up', () => {
    each((spec) => {
      const { steps, figures } = plan(spec, LINDMOOR, SHELF);
      const value = (id: string): number => figures[id]?.value ?? 0;
      for (const [id, step] of Object.entries(steps).filter(([, s]) => s.gives.length > 1)) {
        const out = step.gives.reduce((sum, g) => sum + value(`${g.flow}.demand`) + value(`${id}.over.${g.flow}`), 0);
        const per = step.gives.reduce((sum, g) => sum + g.per, 0);
        expect(out).toBeCloseTo(per * value(`${id}.good`), 6);
      }
    });
  });
  it('lays every copy within its sheet, none over another, and counts those it lays', () => {
    each((spec) => {
      const { forms, figures, parts } = plan(spec, LINDMOOR, SHELF);
      for (const form of Object.values(forms)) {
        if (!form.layout) continue;
        const [w, h] = form.layout.sheetMm;
        const bleed = Math.max(...form.parts.map((p) => parts[p]?.bleedMm ?? 0));
        expect(layoutFault(form.layout, bleed, { x: 0, y: 0, widthMm: w, heightMm: h })).toBeNull();
        expect(figures[`${form.id}.copiesUp`]?.value).toBe(copiesUp(form.layout));
      }
    });
  });
  it('moves all that hangs on a figure set by hand, of any run, or says that it belongs to none', () => {
    fc.assert(
      fc.property(anyJob, fc.nat(), fc.constantFrom(0.9, 1.25), (spec, pick, factor) => {
        const before = plan(spec, LINDMOOR, SHELF);
        const ids = Object.keys(before.figures).sort();
        const id = ids[pick % ids.length] as string;
        const by = {
          value: Math.round((before.figures[id]?.value ?? 0) * factor),
          reason: 'counted',
          by: 'anselm',
          until: SHELF.asOf + 86_400,
        };
        const { plan: after, ledger } = planned({ ...spec, overrides: { [id]: by } }, LINDMOOR, SHELF);
        const figure = after.figures[id];
        if (!figure) {
          expect(after.findings.map((f) => f.code)).toContain('override.stale');
          return;
        }
        expect([id, figure.value, figure.instead]).toEqual([id, by.value, by]);
        expect(ledger.missing).toEqual([]);
        for (const [other, { value, terms, formula }] of Object.entries(after.figures)) {
          if (other === id) continue;
          const now = Object.fromEntries(
            Object.entries(terms).map(([name, term]) => [name, 'fig' in term ? (after.figures[term.fig]?.value ?? NaN) : term.value]),
          );
          expect([other, value]).toEqual([other, ledger.formulas.get(formula)?.of(now)]);
        }
      }),
      { numRuns: 25, seed: 31 },
    );
  });
  it('does not depend on the order in which anything was typed', () => {
    each((spec) => {
      const other = JobSpecSchema.parse(withKeysReversed(spec));
      expect(plan(other, LINDMOOR, SHELF).figures).toEqual(plan(spec, LINDMOOR, SHELF).figures);
    });
  });
});
