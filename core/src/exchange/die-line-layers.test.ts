import * as fc from 'fast-check';
import { cartonDieLine } from '../product/die-line/carton';
import { CARTON_STYLES } from '../product/die-line/carton-ask';
import { foldModel } from '../product/die-line/fold-up';
import { measureDieLine } from '../product/die-line/die-line';
import type { Point } from '../product/die-line/points';
import { dieLayers, dieLineOf, guessedKind, type RawLayer, ruleRows } from './die-line-layers';

const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const asFile = (layers: ReturnType<typeof dieLayers>): RawLayer[] =>
  layers.map((l) => ({ name: l.kind, paths: l.paths.map((p) => (p.closed ? [...p.points, p.points[0]!] : p.points)) }));
const kinds = { cut: 'cut', crease: 'crease', perforation: 'perforation', halfCut: 'halfCut', glue: 'glue' } as const;
const square = (x: number, y: number, w: number, h: number): Point[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
  [x, y],
];
const read = (paths: Point[][], unitMm = 1): ReturnType<typeof dieLineOf> => dieLineOf([{ name: 'cut', paths }], kinds, unitMm);

it('comes back as it went out, and folds up the same, whatever the style and its sizes', () => {
  fc.assert(
    fc.property(fc.constantFrom(...CARTON_STYLES), mm(40, 200), mm(30, 120), mm(40, 200), (style, lengthMm, widthMm, heightMm) => {
      const die = cartonDieLine({ style, lengthMm, widthMm, heightMm, caliperMm: 0.44 });
      const back = dieLineOf(asFile(dieLayers(die)), kinds, 1);
      if (!back.ok) throw new Error(back.why);
      const [was, is] = [measureDieLine(die), measureDieLine(back.die)];
      for (const what of ['widthMm', 'heightMm', 'outlineMm', 'areaMm2', 'cutMm', 'creaseMm'] as const)
        expect(is[what]).toBeCloseTo(was[what], 6);
      expect(foldModel(back.die)?.faces).toHaveLength(foldModel(die)!.faces.length);
      expect([back.healed, back.left]).toEqual([0, 0]);
    }),
    { numRuns: 30 },
  );
});

it('heals a gap of a tenth and says so; a larger one it refuses, and says where', () => {
  const open = (gap: number): Point[][] => [
    [
      [0, 0],
      [100, 0],
    ],
    [
      [100, gap],
      [100, 60],
    ],
    [
      [100, 60],
      [0, 60],
      [0, 0],
    ],
  ];
  const healed = read(open(0.08));
  expect(healed).toMatchObject({ ok: true, healed: 1 });
  expect(read(open(0.4))).toEqual({ ok: false, why: 'open', args: { mm: 0.4, x: 100, y: 0 } });
});

it.each([
  ['nothing that is cut', [], 'nothing'],
  [
    'an outline that crosses itself',
    [
      [
        [0, 0],
        [100, 60],
        [100, 0],
        [0, 60],
        [0, 0],
      ],
    ],
    'crosses',
  ],
  ['two pieces', [square(0, 0, 50, 50), square(100, 0, 50, 50)], 'several'],
  ['a piece without width', [square(0, 0, 100, 0.4)], 'narrow'],
  [
    'a line alone',
    [
      [
        [0, 0],
        [100, 0],
      ],
    ],
    'open',
  ],
] as [string, Point[][], string][])('refuses %s by its reason', (_name, paths, why) => {
  expect(read(paths)).toMatchObject({ ok: false, why });
});

it('refuses ten thousand lines, and takes a window as slits', () => {
  const many = Array.from({ length: 10_000 }, (_, i): Point[] => [
    [i, 0],
    [i, 1],
  ]);
  expect(read(many)).toEqual({ ok: false, why: 'tooMany', args: { lines: 10_000, most: 2_000 } });
  const window = read([square(0, 0, 100, 60), square(20, 20, 30, 20)]);
  expect(window.ok && window.die.slits).toHaveLength(4);
});

it('reads another unit, and leaves aside what nobody named', () => {
  const inches = dieLineOf(
    [
      { name: 'cut', paths: [square(0, 0, 4, 2)] },
      {
        name: 'notes',
        paths: [
          [
            [0, 0],
            [1, 1],
          ],
        ],
      },
    ],
    kinds,
    25.4,
  );
  expect(inches.ok && [measureDieLine(inches.die).widthMm, inches.left]).toEqual([expect.closeTo(101.6, 9), 1]);
});

it.each([
  ['CUT', 'cut'],
  ['Crease', 'crease'],
  ['PERF-2', 'perforation'],
  ['half cut', 'halfCut'],
  ['glue area', 'glue'],
  ['0', 'cut'],
  ['notes', 'leave'],
])('a layer called %s is most likely %s', (name, kind) => {
  expect(guessedKind(name)).toBe(kind);
});

it.each(CARTON_STYLES)(
  'lists the rules of a %s: as many metres cut and creased as the die has, each from where the one before ended',
  (style) => {
    const die = cartonDieLine({ style, lengthMm: 72, widthMm: 48, heightMm: 126, caliperMm: 0.44 });
    const rows = ruleRows(dieLayers(die));
    const metres = (kind: string): number => rows.reduce((sum, r) => sum + (r['kind'] === kind ? Number(r['length mm']) : 0), 0);
    const of = measureDieLine(die);
    // Each row is rounded to a hundredth.
    expect(Math.abs(metres('cut') - of.cutMm)).toBeLessThan(0.005 * rows.length + 1e-6);
    expect(Math.abs(metres('crease') - of.creaseMm)).toBeLessThan(0.005 * rows.length + 1e-6);
    expect(rows.map((r) => r['rule'])).toEqual(rows.map((_, i) => i + 1));
    expect([rows[1]?.['from x mm'], rows[1]?.['from y mm']]).toEqual([rows[0]?.['to x mm'], rows[0]?.['to y mm']]);
  },
);
