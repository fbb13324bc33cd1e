import * as fc from 'fast-check';
import type { Folds } from './folds';
import { type FoilArea, foilPlace, foilPlacesScene, foldUnder, isPlaced, liesOnPiece } from './foil-area';

const FOLDED: Folds = { folds: 1, foldedWidthMm: 105 };
const PIECE = { widthMm: 210, heightMm: 148, traits: { folds: FOLDED } };
const area = (more: Partial<FoilArea> = {}): FoilArea => ({ id: 'f1', name: 'crest', widthMm: 40, heightMm: 30, side: 'front', ...more });

it('lies in the middle of the first panel until somebody places it', () => {
  expect(isPlaced(area())).toBe(false);
  expect(foilPlace(area(), PIECE)).toEqual({ xMm: 32.5, yMm: 59 });
  expect(isPlaced(area({ xMm: 0, yMm: 0 }))).toBe(true);
  expect(foilPlace(area({ xMm: 120, yMm: 5 }), PIECE)).toEqual({ xMm: 120, yMm: 5 });
});

it('tells an area beyond an edge, and one across a fold; touching either is neither', () => {
  expect(liesOnPiece(area({ xMm: 170, yMm: 118 }), PIECE)).toBe(true);
  expect(liesOnPiece(area({ xMm: 171, yMm: 0 }), PIECE)).toBe(false);
  expect(foldUnder(area({ xMm: 65, yMm: 0 }), PIECE)).toBeNull();
  expect(foldUnder(area({ xMm: 66, yMm: 0 }), PIECE)).toBe(105);
  expect(foldUnder(area({ xMm: 105, yMm: 0 }), PIECE)).toBeNull();
});

it('is drawn to scale on its side alone, where it lies', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 170 }), fc.integer({ min: 0, max: 118 }), (xMm, yMm) => {
      const places = (side: 'front' | 'back') =>
        foilPlacesScene(PIECE, [area({ xMm, yMm, side: 'back' })], side).shapes.filter((s) => s.role === 'strike');
      expect(places('front')).toEqual([]);
      expect(places('back')).toMatchObject([{ x: xMm, y: yMm, w: 40, h: 30, ref: 'foil f1' }]);
    }),
  );
});
