import { DIE_SIDE, ENGRAVING_TIME } from './die-making';

describe('making dies', () => {
  it('takes its time by the area of the image, and a while to look at each', () => {
    expect(ENGRAVING_TIME.of({ dies: 6, widthMm: 50, heightMm: 40, perCm2: 45, look: 600 })).toBe(9_000);
    expect(ENGRAVING_TIME.of({ dies: 0, widthMm: 50, heightMm: 40, perCm2: 45, look: 600 })).toBe(0);
  });
  it('leaves metal on both sides of the image', () => {
    expect(DIE_SIDE.of({ imageMm: 40, marginMm: 5 })).toBe(50);
  });
});
