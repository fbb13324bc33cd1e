import { GREATEST, SHEET_USE, USABLE_DEPTH, USABLE_WIDTH, WITH_BLEED } from './usable-sheet';
import { sheetScene } from './sheet-scene';
import { cardSpec, LINDMOOR, SHELF } from '../plan/line-1.fixture';
import { planned, sceneOf } from '../plan/plan';

describe('the usable sheet', () => {
  it('is what gripper, tail, sides and colour bar leave', () => {
    expect(USABLE_WIDTH.of({ sheet: 720, side: 4 })).toBe(712);
    expect(USABLE_DEPTH.of({ sheet: 520, gripper: 12, tail: 6, colourBar: 6 })).toBe(496);
  });
  it('is never less than nothing', () => {
    expect(USABLE_WIDTH.of({ sheet: 10, side: 20 })).toBe(0);
    expect(USABLE_DEPTH.of({ sheet: 10, gripper: 12, tail: 6, colourBar: 6 })).toBe(0);
  });
  it('takes the greatest margin any machine asks', () => {
    expect(GREATEST.of({ press: 10, platen: 12 })).toBe(12);
    expect(GREATEST.of({})).toBe(0);
  });
  it('adds bleed on both sides of a copy', () => {
    expect(WITH_BLEED.of({ trim: 210, bleed: 3 })).toBe(216);
  });
  it('says how much of the sheet becomes product', () => {
    // 6 × 210 × 210 of 720 × 520: 264,600 of 374,400 mm², by hand
    expect(SHEET_USE.of({ copies: 6, widthMm: 210, heightMm: 210, sheetWidthMm: 720, sheetHeightMm: 520 })).toBeCloseTo(70.673, 3);
  });
});

describe('the drawing of the sheet', () => {
  const made = planned(cardSpec(), LINDMOOR, SHELF);
  const scene = sceneOf(made, 'card.card.stock');

  it('has the gripper edge below, the lay corner and the grain', () => {
    const gripper = scene?.shapes.find((s) => s.ref === 'gripper');
    expect(gripper).toMatchObject({ kind: 'rect', y: 508, h: 12 });
    expect(scene?.shapes.some((s) => s.role === 'lay')).toBe(true);
    expect(scene?.shapes.some((s) => s.role === 'grain')).toBe(true);
  });
  it('draws a fold in every copy, along the grain', () => {
    const folds = scene?.shapes.filter((s) => s.role === 'fold') ?? [];
    expect(folds).toHaveLength(6);
    // The default stock is long grain: copies lie turned, so their folds run across the press
    expect(folds.every((f) => f.kind === 'line' && f.y1 === f.y2)).toBe(true);
  });
  it('keeps every copy inside the sheet', () => {
    for (const s of scene?.shapes ?? []) {
      if (s.role !== 'copy' || s.kind !== 'rect') continue;
      expect(s.x >= 0 && s.y >= 0 && s.x + s.w <= 720 && s.y + s.h <= 520).toBe(true);
    }
  });
  it('says so when nothing fits yet', () => {
    const empty = sheetScene(null, [], null, 'simplex', { value: 6, unit: 'mm', from: 'plant', at: 'x' });
    expect(empty.says).toContain('Nothing fits');
  });
});
