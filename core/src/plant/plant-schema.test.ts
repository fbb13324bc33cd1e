import plantJson from '../../../demo/plant.json' with { type: 'json' };
import { EMPTY_SHELF } from './plant';
import { PlantSchema, ShelfSchema } from './plant-schema';
import { practiceTerm, practiceValue } from './practice';

/** The plant as a document somebody may have spoilt. */
type PlantDocument = Record<string, Record<string, Record<string, unknown>>>;
const plant = PlantSchema.parse(plantJson);
const refusal = (change: (p: PlantDocument) => void): string => {
  const copy = JSON.parse(JSON.stringify(plantJson)) as PlantDocument;
  change(copy);
  const parsed = PlantSchema.safeParse(copy);
  return parsed.success ? 'accepted' : `${parsed.error.issues[0]?.path.join('.') ?? ''}: ${parsed.error.issues[0]?.message ?? ''}`;
};

describe('the plant’s door', () => {
  test.each<[string, (p: PlantDocument) => void, string]>([
    [
      'a machine without a speed',
      (p) => {
        p['machines']!['press3']!.perHour = 0;
      },
      'machines.press3.perHour',
    ],
    [
      'a sheet of 20 m',
      (p) => {
        p['stocks']!['gloss150-640x900']!.widthMm = 20_000;
      },
      'stocks.gloss150-640x900.widthMm',
    ],
    [
      'a net speed above the rated one',
      (p) => {
        p['machines']!['press3']!.netPerHour = 13_001;
      },
      'machines.press3.netPerHour',
    ],
    [
      'a smallest sheet above the largest',
      (p) => {
        p['machines']!['press3']!.minSheetMm = [480, 531];
      },
      'machines.press3.minSheetMm.1',
    ],
    [
      'price breaks that go down',
      (p) => {
        p['stocks']!['gloss150-640x900']!.price = [
          [5_000, 100],
          [1_000, 90],
        ];
      },
      'stocks.gloss150-640x900.price.1.0',
    ],
    [
      'a calendar that names a shift it does not have',
      (p) => {
        Object.assign(p, { calendar: { shifts: {}, machines: { press3: ['late'] }, people: {}, closed: {} } });
      },
      'calendar.machines.press3.shifts',
    ],
    [
      'a closed week that ends before it begins',
      (p) => {
        Object.assign(p, {
          calendar: { shifts: {}, machines: {}, people: {}, closed: { c: { name: 'feast', from: '2026-12-27', to: '2026-12-24' } } },
        });
      },
      'calendar.closed.c',
    ],
    [
      'fewer people than a machine needs',
      (p) => {
        p['machines']!['press3']!.crew = 2;
        Object.assign(p, {
          calendar: { shifts: {}, machines: {}, people: { a: { name: 'A', machines: ['press3'], shifts: [], away: [] } }, closed: {} },
        });
      },
      'calendar.people',
    ],
    [
      'a usual ink that is not there',
      (p) => {
        Object.assign(p, { usualInk: 'none' });
      },
      'usualInk',
    ],
    [
      'a price list without a price',
      (p) => {
        p['stocks']!['gloss150-640x900']!.price = [];
      },
      'stocks.gloss150-640x900.price',
    ],
    [
      'a time that no clock shows',
      (p) => {
        p['hours']!['1'] = [['6 am', '22:00']] as unknown as Record<string, unknown>;
      },
      'hours.1.0.0',
    ],
    [
      'a field nobody knows',
      (p) => {
        p['machines']!['press3']!.colour = 'red';
      },
      'machines.press3',
    ],
    [
      'an id with a quote in it',
      (p) => {
        p['machines']![`x'; drop`] = p['machines']!['press3']!;
      },
      'machines',
    ],
  ])('refuses %s and names the field', (_name, change, path) => {
    expect(refusal(change)).toContain(path);
  });
  it('takes the demo’s plant and an empty shelf', () => {
    expect(refusal(() => undefined)).toBe('accepted');
    expect(ShelfSchema.safeParse(EMPTY_SHELF).success).toBe(true);
  });
  it('refuses a lot of less than nothing', () => {
    const shelf = { ...EMPTY_SHELF, lots: { a: { stock: 's', quantity: -1, owner: 'works' } } };
    expect(ShelfSchema.safeParse(shelf).success).toBe(false);
  });
});

describe('practice', () => {
  it('takes the middle of a range, with half of it as the width of the guess', () => {
    expect(practiceTerm(plant, 'offset.setupFourSheets')).toMatchObject({ value: 225, pm: 75, from: 'guess' });
  });
  it('lets the plant’s own value win', () => {
    const own = { value: 180, pm: 0, unit: 'cycle', tag: 'own', source: 'log of 2026' } as const;
    expect(practiceValue({ ...plant, practice: { 'offset.setupFourSheets': own } }, 'offset.setupFourSheets')).toBe(180);
    expect(practiceTerm({ ...plant, practice: { 'offset.setupFourSheets': own } }, 'offset.setupFourSheets')).toMatchObject({
      from: 'plant',
    });
  });
});
