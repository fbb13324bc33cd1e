import { cardSpec, LINDMOOR } from '../plan/line-1.fixture';
import { plan } from '../plan/plan';
import first from './before/plant-of-the-first-program.json';
import { plantOfBefore } from './plant-of-before';
import { EMPTY_SHELF } from './plant';
import { PlantSchema } from './plant-schema';

it('reads the plant of the first program, and plans with it', () => {
  expect(PlantSchema.safeParse(first).success).toBe(false);
  const plant = PlantSchema.parse(plantOfBefore(first));
  expect(plant).toMatchObject({ usualInk: 'oil', usualGrade: 'Ivory board 300' });
  expect(Object.keys(plan(cardSpec(10_000), plant, EMPTY_SHELF).steps).length).toBeGreaterThan(3);
});
it('leaves a plant of today as it is', () => {
  expect(plantOfBefore(LINDMOOR)).toEqual(LINDMOOR);
});
it.each([null, 'text', 7, [1]])('leaves what is no plant to the door, which says so: %j', (given) => {
  expect(plantOfBefore(given)).toBe(given);
});
it('takes the grade the plant has where it never had the board of the first demo', () => {
  expect(plantOfBefore({ stocks: { a: { form: 'roll', grade: 'Film' }, b: { form: 'sheet', grade: 'Offset 90' } } })).toMatchObject({
    usualGrade: 'Offset 90',
  });
});
