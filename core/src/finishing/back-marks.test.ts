import * as fc from 'fast-check';
import { backMarks } from './back-marks';

describe('back marks', () => {
  it('step down by 8 at most: of 19 sections the first at 15, the last from 159 to 165', () => {
    const marks = backMarks(190, 19);
    expect([marks[0], marks[18]]).toEqual([
      { fromMm: 15, untilMm: 21, column: 1 },
      { fromMm: 159, untilMm: 165, column: 1 },
    ]);
  });
  it('of more sections than a column holds go on in a second: 190 high, steps of 4, 39 in a column', () => {
    const marks = backMarks(190, 60);
    expect(marks.map((m) => m.column).lastIndexOf(1)).toBe(38);
    expect(marks[39]).toEqual({ fromMm: 15, untilMm: 21, column: 2 });
  });
  it('keep clear of head and foot, and no two stand in one place, whatever the book', () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 400 }), fc.integer({ min: 1, max: 120 }), (heightMm, sections) => {
        const marks = backMarks(heightMm, sections);
        expect(marks).toHaveLength(sections);
        for (const m of marks) expect(m.fromMm >= 15 && m.untilMm <= heightMm - 15 + 1e-9).toBe(true);
        expect(new Set(marks.map((m) => `${m.column} ${Math.round(m.fromMm * 1_000)}`)).size).toBe(sections);
      }),
    );
  });
  it('are of no book without height or sections', () => {
    expect(() => backMarks(0, 3)).toThrow('heightMm');
    expect(() => backMarks(190, 0)).toThrow('sections');
  });
});
