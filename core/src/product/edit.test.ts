import fc from 'fast-check';
import { canonicalJson } from '../quantity/hash';
import { applyEdits } from '../plan/door';
import { cardSpec } from '../plan/line-1.fixture';
import { type Edit, editAt, editsBetween, inverse, mergeEdits, set } from './edit';
import type { JobSpec } from './job-spec';

const ok = (spec: JobSpec, edits: Edit[]): JobSpec => {
  const r = applyEdits(spec, edits);
  if (!r.ok) throw new Error(r.issues[0]?.says);
  return r.made;
};

it('builds a path from what the compiler checks', () => {
  expect(set(cardSpec(), (s) => s.items['i1']!.overs.overPpm, 30_000)).toEqual({
    at: ['items', 'i1', 'overs', 'overPpm'],
    was: 50_000,
    now: 30_000,
  });
});
it('finds the edits between two documents: applied to one they make the other, and equal ones have none', () => {
  const wish = fc.record(
    { bleedMm: fc.integer({ min: 0, max: 9 }), folds: fc.integer({ min: 0, max: 3 }), front: fc.constantFrom(['K'], ['K', 'C']) },
    { requiredKeys: [] },
  );
  const spec = fc
    .tuple(wish, fc.integer({ min: 1, max: 99 }))
    .map(([w, quantity]) => ok(cardSpec(quantity), [editAt(cardSpec(quantity), ['products', 'card', 'wish'], w)]));
  fc.assert(
    fc.property(spec, spec, (a, b) => {
      const edits = editsBetween(a, b);
      expect(canonicalJson(ok(a, edits))).toBe(canonicalJson(b));
      expect(edits.length === 0).toBe(canonicalJson(a) === canonicalJson(b));
      for (const e of edits) expect(canonicalJson(e.was)).not.toBe(canonicalJson(e.now));
    }),
  );
});
it('grows entries on the way and takes them away again', () => {
  const spec = cardSpec();
  const edit = editAt(spec, ['choices', 'settings', 'card.card.cut', 'liftMm'], 60);
  const after = ok(spec, [edit]);
  expect(after.choices.settings['card.card.cut']).toEqual({ liftMm: 60 });
  expect(ok(after, [inverse(edit)]).choices.settings['card.card.cut']).toEqual({});
});
it('undoes what it did, whatever it was', () => {
  const places: [string[], fc.Arbitrary<unknown>][] = [
    [
      ['name'],
      fc
        .string({ minLength: 1 })
        .filter((s) => s.trim().length > 0)
        .map((s) => s.trim()),
    ],
    [['items', 'i1', 'versions', 'only', 'quantity'], fc.integer({ min: 1, max: 1e9 })],
    [['products', 'card', 'wish', 'folds'], fc.integer({ min: 0, max: 6 })],
    [['products', 'card', 'wish', 'perBand'], fc.integer({ min: 1, max: 1000 })],
  ];
  const edit = fc.constantFrom(...places).chain(([at, now]) => now.map((n) => ({ at, now: n })));
  fc.assert(
    fc.property(fc.array(edit, { maxLength: 8 }), (edits) => {
      let spec = cardSpec();
      const done: Edit[] = [];
      for (const e of edits) {
        const made = editAt(spec, e.at, e.now);
        spec = ok(spec, [made]);
        done.push(made);
      }
      for (const made of done.reverse()) spec = ok(spec, [inverse(made)]);
      return canonicalJson(spec) === canonicalJson(cardSpec());
    }),
  );
});
describe('merging two editors', () => {
  const mine: Edit[] = [
    { at: ['name'], now: 'mine' },
    { at: ['items', 'i1', 'overs', 'overPpm'], now: 1 },
  ];
  it('takes changes to different places together', () => {
    expect(mergeEdits(mine, [{ at: ['choices', 'stock', 'p'], now: 's' }])).toEqual({ merged: mine, both: [] });
  });
  it('shows both sides of the same place', () => {
    const theirs = { at: ['name'], now: 'theirs' };
    expect(mergeEdits(mine, [theirs])).toEqual({ merged: [mine[1]], both: [{ mine: mine[0], theirs }] });
  });
  it('sees that both did the same', () => {
    expect(mergeEdits([mine[0]!], [{ at: ['name'], now: 'mine' }])).toEqual({ merged: [], both: [] });
  });
  it('counts a place above another as the same place', () => {
    expect(mergeEdits([mine[1]!], [{ at: ['items', 'i1'], now: {} }]).both).toHaveLength(1);
  });
});
