import fc from 'fast-check';
import { blocksOf } from '../../layout/any-sheet-layout';
import { anyLayout } from '../../layout/any-layout';
import { isCuttable } from '../../layout/cuttable';
import { guillotineCount } from '../../layout/guillotine-count';
import { copiesUp, copyPlaces } from '../../layout/layout';
import { type JobSpec } from '../../product/job-spec';
import { applyEdits } from '../door';
import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { labelSpec } from '../line-2.fixture';
import { plan } from '../plan';
import { searchLayout } from './search-layout';

/** A piece of 97 × 57 without bleed, grain free: 62 by any layout on the 700 × 1,000 sheet of press 5 is more than straight cuts give (found by trying). */
const piece = (openWidthMm: number, openHeightMm: number): JobSpec => {
  const spec = cardSpec();
  Object.assign((spec.products['card'] as { wish: object }).wish, {
    openWidthMm,
    openHeightMm,
    folds: 0,
    bleedMm: 0,
    grain: 'free',
    foils: {},
  });
  return { ...spec, choices: { ...spec.choices, machine: { 'card.card.print': 'press5' }, stock: { 'card.card': 'ivory300-700x1000' } } };
};
const PART = 'card.card';
const up = (spec: JobSpec): number => plan(spec, LINDMOOR, SHELF).figures[`${PART}.copiesUp`]?.value ?? NaN;

/** Some size for which any layout beats straight cuts on this sheet: the room is what the plan says it is. */
function beaten(): { spec: JobSpec; found: NonNullable<ReturnType<typeof searchLayout>> } {
  for (let w = 150; w < 320; w += 7)
    for (let h = 60; h < w; h += 11) {
      const spec = piece(w, h);
      const found = searchLayout(spec, LINDMOOR, SHELF, PART, 3_000);
      if (found && found.found > found.now) return { spec, found };
    }
  throw new Error('no size was found for which any layout is better');
}

describe('a search for the layout of a part', () => {
  const { spec, found } = beaten();
  it('enters as a choice with its question and proof, and the plan goes by it', () => {
    const applied = applyEdits(spec, found.edits);
    if (!applied.ok) throw new Error(JSON.stringify(applied.issues));
    expect(up(applied.made)).toBe(found.found);
    expect(applied.made.choices.layout[PART]).toMatchObject({ by: 'search', proof: { bound: found.bound, iterations: 3_000, seed: 0 } });
    const p = plan(applied.made, LINDMOOR, SHELF);
    expect(p.figures[`${PART}.copiesUp`]?.terms['places']).toMatchObject({ from: 'search' });
    expect(p.findings.some((f) => f.code === 'choice.stale')).toBe(false);
  });
  it('blocks the release where a guillotine must cut what only a die can, and goes back by its remedy', () => {
    expect(found.cuttable).toBe(false);
    const applied = applyEdits(spec, found.edits);
    if (!applied.ok) throw new Error('refused');
    const finding = plan(applied.made, LINDMOOR, SHELF).findings.find((f) => f.code === 'layout.notCuttable');
    expect(finding?.level).toBe('release');
    const [remedy] = finding?.remedies ?? [];
    const back = applyEdits(applied.made, remedy?.do === 'edit' ? remedy.edits : []);
    expect(back.ok && plan(back.made, LINDMOOR, SHELF).findings.some((f) => f.code === 'layout.notCuttable')).toBe(false);
  });
  it('is stale when the sheet changes, and offers to search again', () => {
    const applied = applyEdits(spec, [
      ...found.edits,
      { at: ['choices', 'stock', PART], was: 'ivory300-700x1000', now: 'ivory300-520x720' },
    ]);
    if (!applied.ok) throw new Error('refused');
    const stale = plan(applied.made, LINDMOOR, SHELF).findings.find((f) => f.code === 'choice.stale');
    expect(stale?.remedies[0]).toEqual({ do: 'search', says: 'remedy.searchLayout', slot: PART });
  });
  it('gives the same answer to the same question', () => {
    expect(searchLayout(spec, LINDMOOR, SHELF, PART, 3_000)).toEqual(found);
  });
  it('keeps every copy inside the usable sheet, in every work style', () => {
    for (const style of ['sheetwise', 'turn', 'tumble']) {
      const styled = { ...piece(170, 66), choices: { ...piece(170, 66).choices, workStyle: { [PART]: style } } };
      const result = searchLayout(styled, LINDMOOR, SHELF, PART, 1_000);
      const applied = applyEdits(styled, result?.edits ?? []);
      if (!applied.ok) throw new Error('refused');
      const p = plan(applied.made, LINDMOOR, SHELF);
      const layout = p.forms[PART]?.layout;
      if (!layout) throw new Error('no layout');
      const [side, gripper] = ['side', 'gripper'].map((f) => p.figures[`${PART}.${f}`]?.value ?? 0) as [number, number];
      const [w, h] = ['usableWidth', 'usableDepth'].map((f) => p.figures[`${PART}.${f}`]?.value ?? 0) as [number, number];
      const outside = copyPlaces(layout).filter(
        (c) => c.x < side - 1e-6 || c.x + c.w > side + w + 1e-6 || c.y < gripper - 1e-6 || c.y + c.h > gripper + h + 1e-6,
      );
      expect(outside).toEqual([]);
      expect(copiesUp(layout) % (style === 'sheetwise' ? 1 : 2)).toBe(0);
    }
  });
  it('has nothing to search for a part on a web', () => {
    expect(searchLayout(labelSpec(), LINDMOOR, SHELF, 'label.web', 100)).toBeNull();
    expect(searchLayout(cardSpec(), LINDMOOR, SHELF, 'no.part', 100)).toBeNull();
  });
});

describe('places as lattices', () => {
  it('hold every place once', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 60 }),
        fc.integer({ min: 20, max: 60 }),
        fc.integer({ min: 3, max: 11 }),
        fc.integer({ min: 3, max: 11 }),
        (width, height, pieceWidth, pieceHeight) => {
          const { places } = anyLayout({ width, height, pieceWidth, pieceHeight, iterations: 200 });
          const again = blocksOf(places, pieceWidth, pieceHeight).flatMap((b) =>
            Array.from({ length: b.nx * b.ny }, (_, i) => ({
              x: b.x + (i % b.nx) * (b.turned ? pieceHeight : pieceWidth),
              y: b.y + Math.floor(i / b.nx) * (b.turned ? pieceWidth : pieceHeight),
              turned: b.turned,
            })),
          );
          const key = (p: { x: number; y: number; turned: boolean }): string => `${p.x.toFixed(6)}|${p.y.toFixed(6)}|${p.turned}`;
          expect(again.map(key).sort()).toEqual(places.map(key).sort());
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('straight cuts', () => {
  const box = (x: number, y: number, w: number, h: number): { x: number; y: number; w: number; h: number } => ({ x, y, w, h });
  it('take rows apart, and no pinwheel', () => {
    expect(isCuttable([box(0, 0, 2, 1), box(2, 0, 2, 1), box(0, 1, 4, 1)])).toBe(true);
    expect(isCuttable([box(0, 0, 3, 2), box(3, 0, 2, 3), box(2, 3, 3, 2), box(0, 2, 2, 3)])).toBe(false);
    expect(isCuttable([])).toBe(true);
  });
  it('take apart whatever was laid for them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 80 }),
        fc.integer({ min: 20, max: 80 }),
        fc.integer({ min: 4, max: 19 }),
        fc.integer({ min: 4, max: 19 }),
        (width, height, pieceWidth, pieceHeight) => {
          const { blocks } = guillotineCount({ width, height, pieceWidth, pieceHeight, mayTurn: true });
          const boxes = blocks.flatMap((b) => {
            const [w, h] = b.turned ? [pieceHeight, pieceWidth] : [pieceWidth, pieceHeight];
            return Array.from({ length: b.nx * b.ny }, (_, i) => box(b.x + (i % b.nx) * w, b.y + Math.floor(i / b.nx) * h, w, h));
          });
          expect(isCuttable(boxes)).toBe(true);
        },
      ),
      { numRuns: 80 },
    );
  });
});
