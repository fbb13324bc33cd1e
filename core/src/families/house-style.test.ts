import './folding-carton';
import '../processes/die-cut/die-of';
import type { FoldingCartonWish } from './folding-carton-wish';
import { LINDMOOR, SHELF } from '../plan/line-1.fixture';
import { cartonSpec } from '../plan/line-4.fixture';
import { plan } from '../plan/plan';
import type { Part } from '../product/part';
import type { Plant } from '../plant/plant';
import { PlantSchema } from '../plant/plant-schema';

/* A carton style of the works' own is kept as parameters: invented, for this test. */
const PLANT: Plant = PlantSchema.parse({
  ...LINDMOOR,
  cartonStyles: { deepTuck: { name: 'Deep tuck', base: 'straight', flapMm: 12, tuckMm: 20 } },
});
const blankOf = (wish: Partial<FoldingCartonWish>): Part => {
  const made = plan(cartonSpec(20_000, wish), PLANT, SHELF);
  return made.parts['carton.blank']!;
};

it('makes a carton of the style it is built on, with its own flaps where the order says none', () => {
  const own = blankOf({ style: 'tray', houseStyle: 'deepTuck' });
  expect(own.traits?.carton).toMatchObject({ style: 'straight', flapMm: 12, tuckMm: 20 });
  expect(own.traits?.dieName).toBe('Deep tuck 72 × 48 × 126');
  const usual = blankOf({ style: 'straight' });
  // A glue flap 3 mm shorter, and two tucks 5 mm longer.
  expect([usual.widthMm - own.widthMm, own.heightMm - usual.heightMm]).toEqual([expect.closeTo(3, 9), expect.closeTo(10, 9)]);
});
it('gives way to what the order says', () => {
  expect(blankOf({ houseStyle: 'deepTuck', tuckMm: 16 }).traits?.carton).toMatchObject({ flapMm: 12, tuckMm: 16 });
});
it('is named where the plant has it no more, and the order’s own style stands in', () => {
  const { parts, findings } = plan(cartonSpec(20_000, { houseStyle: 'gone' }), PLANT, SHELF);
  expect(parts['carton.blank']?.traits?.carton?.style).toBe('reverse');
  expect(findings.filter((f) => f.code === 'choice.unknown').map((f) => f.args)).toEqual([{ what: 'gone' }]);
});
it('is refused by the plant where a flap is none', () => {
  const parsed = PlantSchema.safeParse({ ...LINDMOOR, cartonStyles: { x: { name: 'x', base: 'straight', tuckMm: 1 } } });
  expect(parsed.error?.issues.map((i) => [i.path.join('.'), i.message])).toEqual([['cartonStyles.x.tuckMm', 'must be at least 5 mm']]);
});
