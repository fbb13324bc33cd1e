import * as fc from 'fast-check';
import { cartonDieLine } from './carton';
import { CARTON_STYLES, type CartonAsk } from './carton-ask';
import { facesOf } from './faces';
import { insideMm, seamTroubles } from './fold-check';
import { foldedFaces, foldModel, type FoldModel } from './fold-up';
import { measureDieLine } from './die-line';
import type { Point3 } from './fold-up';

const ask = (style: CartonAsk['style'], more: Partial<CartonAsk> = {}): CartonAsk => ({
  style,
  lengthMm: 72,
  widthMm: 48,
  heightMm: 126,
  caliperMm: 0.44,
  ...more,
});
const model = (a: CartonAsk): FoldModel => foldModel(cartonDieLine(a))!;
const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyAsk = fc.record({
  style: fc.constantFrom(...CARTON_STYLES),
  lengthMm: mm(40, 250),
  widthMm: mm(30, 150),
  heightMm: mm(30, 300),
  caliperMm: mm(0.2, 0.9),
});

it.each([
  // flap and four panels; and two lids with their tucks, four dust flaps; of a bottom its four flaps, and of one that opens by itself two triangles
  ['sleeve', 5],
  ['straight', 13],
  ['reverse', 13],
  ['snapLock', 5 + 4 + 4],
  ['autoBottom', 5 + 4 + 4 + 2],
  // base, four walls, four flaps
  ['tray', 9],
] as const)('a %s has so many faces, all on hinges', (style, faces) => {
  const of = model(ask(style));
  expect(of.faces).toHaveLength(faces);
  expect(of.hinges).toHaveLength(faces - 1);
  expect(of.loose).toEqual([]);
});

it('has faces that together are the blank', () => {
  fc.assert(
    fc.property(anyAsk, (a) => {
      const die = cartonDieLine(a);
      const sum = facesOf(die).faces.reduce((area, f) => area + f.areaMm2, 0);
      expect(sum).toBeCloseTo(measureDieLine(die).areaMm2, 4);
    }),
    { numRuns: 40 },
  );
});

it('closes to the inside that was asked, whatever the style, its sizes and its board', () => {
  fc.assert(
    fc.property(anyAsk, (a) => {
      const die = cartonDieLine(a);
      const inside = insideMm(die, foldModel(die)!, a.caliperMm);
      const room = Object.values(inside).filter((v): v is number => v !== null);
      const asked = [a.lengthMm, a.widthMm, a.heightMm];
      // A sleeve is open at both ends; the other sizes are there in whatever direction the still face lies.
      const missing = asked.filter((size) => !room.some((r) => Math.abs(r - size) < 0.51));
      expect(missing).toEqual(a.style === 'sleeve' ? missing.filter((m) => m === a.heightMm) : []);
    }),
    { numRuns: 40 },
  );
});

const length = (a: Point3, b: Point3): number => Math.sqrt(a.reduce((sum, x, i) => sum + (x - (b[i] as number)) ** 2, 0));
it('keeps every edge as long as it is, however far it is folded', () => {
  fc.assert(
    fc.property(anyAsk, mm(0, 1), (a, share) => {
      const of = model(a);
      const folded = foldedFaces(of, share);
      of.faces.forEach(({ outline }, face) =>
        outline.forEach((p, i) => {
          const q = outline[(i + 1) % outline.length]!;
          const now = length(folded[face]![i]!, folded[face]![(i + 1) % outline.length]!);
          expect(now).toBeCloseTo(length([p[0], p[1], 0], [q[0], q[1], 0]), 6);
        }),
      );
    }),
    { numRuns: 25 },
  );
});

it('lies flat at first, and meets along every hinge at any time', () => {
  const of = model(ask('reverse'));
  expect(
    foldedFaces(of, 0)
      .flat()
      .every((p) => Math.abs(p[2]) < 1e-12),
  ).toBe(true);
  for (const share of [0.2, 0.6, 1]) {
    const folded = foldedFaces(of, share);
    for (const h of of.hinges) {
      const at = (face: number, [x, y]: readonly [number, number]): Point3 =>
        folded[face]![of.faces[face]!.outline.findIndex((p) => Math.abs(p[0] - x) < 1e-4 && Math.abs(p[1] - y) < 1e-4)]!;
      for (const end of [h.from, h.to]) expect(length(at(h.child, end), at(h.parent, end))).toBeLessThan(1e-6);
    }
  }
});

it('says of a tube whose back is 6 mm short that its seam does not close', () => {
  const good = cartonDieLine(ask('sleeve'));
  expect(seamTroubles(good, foldModel(good)!, 0.44)).toEqual([]);
  // Everything right of the back's first crease moved to the left by 6.
  const from = 15 + 72.44 + 48.44 + 1;
  const move = ([x, y]: readonly [number, number]): [number, number] => [x > from ? x - 6 : x, y];
  const bad = {
    ...good,
    outline: good.outline.map(move),
    creases: good.creases.map((c) => ({ ...c, from: move(c.from), to: move(c.to) })),
  };
  const [trouble] = seamTroubles(bad, foldModel(bad)!, 0.44);
  expect(trouble?.byMm).toBeCloseTo(6, 6);
  expect(trouble?.faces).toHaveLength(2);
});
