import fc from 'fast-check';
import { paperScale } from './paper-scale';
import { boxAround, type Scene } from './scene';
import { pathData, sceneSvg } from './scene-svg';

const scene = (text: string): Scene => ({
  title: 't',
  says: text,
  box: { x: 0, y: 0, w: 10, h: 5 },
  toScale: true,
  shapes: [
    { kind: 'text', role: 'label', x: 1, y: 2, text, sizeMm: 3, turn: -90 },
    { kind: 'rect', role: 'sheet', x: 0, y: 0, w: 10, h: 5 },
    { kind: 'circle', role: 'ink', ink: 'K', cx: 1, cy: 1, r: 1 },
  ],
});

describe('a scene as SVG', () => {
  it('shows what a person typed as text, never as markup', () => {
    const svg = sceneSvg(scene(`<script>alert("1")</script>&'`), 0.2);
    expect(svg).not.toContain('<script');
    expect(svg).toContain('&#60;script&#62;');
  });
  it('is in millimetres of the drawing, with its text alternative', () => {
    const svg = sceneSvg(scene('one sheet'), 0.2);
    expect(svg).toContain('viewBox="0 0 10 5"');
    expect(svg).toContain('aria-label="one sheet"');
    expect(svg).toContain('rotate(-90 1 2)');
  });
  it('closes a path that is closed', () => {
    const points: [number, number][] = [
      [0, 0],
      [1, 0],
      [1, 1],
    ];
    expect(pathData(points, true)).toBe('M0 0L1 0L1 1Z');
    expect(pathData(points, false)).toBe('M0 0L1 0L1 1');
  });
});

describe('the box of a drawing', () => {
  it('holds every rectangle with its margin', () => {
    const coordinate = fc.integer({ min: -500, max: 500 });
    const rect = fc.record({ x: coordinate, y: coordinate, w: fc.integer({ min: 0, max: 300 }), h: fc.integer({ min: 0, max: 300 }) });
    fc.assert(
      fc.property(fc.array(rect, { minLength: 1, maxLength: 10 }), (rects) => {
        const box = boxAround(
          rects.map((r) => ({ kind: 'rect', role: 'copy', ...r })),
          5,
        );
        return rects.every((r) => r.x >= box.x + 5 && r.y >= box.y + 5 && r.x + r.w <= box.x + box.w - 5 && r.y + r.h <= box.y + box.h - 5);
      }),
    );
  });
  it('is never nothing', () => {
    expect(boxAround([], 1)).toEqual({ x: 0, y: 0, w: 100, h: 100 });
  });
});

describe('scale on paper', () => {
  // Source: ISO 5455, reductions 1:2, 1:5, 1:10, 1:20, 1:50, 1:100.
  test.each([
    ['full size', 100, 80, 1],
    ['just over the frame', 109, 80, 2],
    ['a press sheet', 720, 520, 10],
    ['a pallet', 1380, 2100, 50],
    ['beyond the table', 60_000, 10, 600],
  ])('%s', (_name, widthMm, heightMm, reduction) => {
    expect(paperScale({ widthMm, heightMm }, { widthMm: 108, heightMm: 92 })).toBe(reduction);
  });
  it('refuses a drawing of no size', () => {
    expect(() => paperScale({ widthMm: 0, heightMm: 1 }, { widthMm: 1, heightMm: 1 })).toThrow('widthMm');
  });
});
