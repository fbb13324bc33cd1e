import * as fc from 'fast-check';
import type { JobSpec } from '../product/job-spec';
import { JobSpecSchema } from './door';
import { drawerPaper } from './line-12.fixture';

const optional = <T>(of: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> => fc.option(of, { nil: undefined });
const INKS = ['gold', 'white', 'yellow', 'red', 'blue', 'black', 'gloss varnish'];
const ink = fc.constantFrom(...INKS);
const wish = fc.record({
  lengthM: optional(fc.double({ min: 0.5, max: 200, noNaN: true })),
  overPercent: optional(fc.double({ min: 0, max: 20, noNaN: true })),
  widthMm: optional(fc.integer({ min: 100, max: 1_600 })),
  turnMm: optional(fc.double({ min: 200, max: 2_000, noNaN: true })),
  coreMm: optional(fc.integer({ min: 20, max: 80 })),
  alike: optional(fc.boolean()),
  cut: optional(fc.constantFrom('length' as const, 'mark' as const)),
  printed: optional(fc.constantFrom('surface' as const, 'reverse' as const)),
  inks: optional(fc.uniqueArray(ink, { maxLength: 7 })),
  trapMm: optional(fc.double({ min: 0, max: 2, noNaN: true })),
  grade: optional(fc.constantFrom('Gravure paper 60', 'Ivory board 300', 'no such grade')),
  child: optional(fc.boolean()),
  food: optional(fc.boolean()),
  sleeveUm: optional(fc.integer({ min: 12, max: 30 })),
  label: optional(fc.boolean()),
  aBox: optional(fc.integer({ min: 2, max: 1_000 })),
});
const settings = fc.dictionary(
  fc.constantFrom(
    ...['designs', 'lanes.v1', 'lanes.v2', 'aBox.v1', 'aBox.v2', 'reelMetres', 'rollMetres', 'setupMetres', 'setupSheets', 'reelLengths'],
    ...['runningPpm', 'perHour', 'repeat', 'series', 'water', 'cup', 'restS', 'people', 'owner'],
  ),
  fc.oneof(
    fc.integer({ min: 0, max: 1_000_000 }),
    fc.double({ min: 1e-6, max: 2_000, noNaN: true }),
    fc.constantFrom('inTurn', 'beside', 'repeat', 'yes', 'thin', 'thinWater', 'oil', 'customer', ''),
  ),
);
const stones = ['stock', 'print', 'wind', 'sleeve', 'assort', 'pack'].map((k) => `rolls.web.${k}`);
const quantity = fc.oneof(fc.integer({ min: 1, max: 100_000 }), fc.constantFrom(1, 1_000_000_000));
const versions = fc.array(fc.record({ quantity, changes: fc.uniqueArray(ink, { maxLength: 4 }) }), { minLength: 1, maxLength: 4 });

/** Any job of line 12 the door lets in. */
export const anyRolls: fc.Arbitrary<JobSpec> = fc
  .record({
    wish,
    versions,
    machine: fc.dictionary(fc.constantFrom(...stones), fc.constantFrom('gravure4', 'web7', 'nowhere')),
    stock: optional(fc.constantFrom('gravure60-1430', 'label162-500', 'nothing')),
    settings: fc.dictionary(fc.constantFrom(...stones), settings),
    drop: fc.subarray(stones),
  })
  .map((r): JobSpec => {
    const spec = drawerPaper({}, {}, Object.fromEntries(r.versions.map((v, i) => [`v${i + 1}`, { name: `v${i + 1}`, ...v }])));
    return JobSpecSchema.parse(
      JSON.parse(
        JSON.stringify({
          ...spec,
          products: { rolls: { kind: 'made', family: 'gravure-roll', wish: r.wish } },
          choices: {
            ...spec.choices,
            machine: r.machine,
            stock: r.stock ? { 'rolls.web': r.stock } : {},
            settings: r.settings,
            route: { drop: r.drop },
          },
        }),
      ),
    );
  });
