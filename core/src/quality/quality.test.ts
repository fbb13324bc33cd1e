import { controlChart } from './control-chart';
import { walkingUnits } from './walking-units';

describe('a control chart of single values', () => {
  it('puts its limits at mean ± 2.66 mean moving ranges, by hand', () => {
    // values 0 1 0 1 …: mean 0.5, moving range 1
    const chart = controlChart([0, 1, 0, 1, 0, 1, 0, 1]);
    expect(chart).toMatchObject({ mean: 0.5, low: expect.closeTo(0.5 - 2.6596, 3), high: expect.closeTo(0.5 + 2.6596, 3), drifts: false });
  });
  test.each([
    ['beyond a limit', [0, 0.1, 0, 0.1, 0, 0.1, 0, 0.1, 5], 'limit'],
    ['eight on one side', [0, 0.3, 0.1, 0.3, 0.1, 0.2, 0.1, 0.25, 2, 2.2, 2.1, 2.3, 2.1, 2.2, 2.1, 2.2], 'side'],
    ['six rising', [1, 0, 1, 0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6], 'trend'],
  ])('shows what stands %s', (_name, values, rule) => {
    expect(controlChart(values)?.signals.map((s) => s.rule)).toContain(rule);
  });
  it('says nothing of fewer than eight', () => {
    expect(controlChart([1, 2, 3])).toBeNull();
  });
});

describe('units that walk', () => {
  const first = (unit: number, values: number[]) => values.map((v, i) => ({ unit, job: `j${i}`, shiftXMm: v, shiftYMm: 0 }));
  it('are those that stand off the same way in five of their last seven jobs', () => {
    expect(walkingUnits(first(2, [0.1, 0.12, -0.1, 0.09, 0.2, 0.1, 0]))).toEqual([
      { unit: 2, way: 'lateral', jobs: 5, of: 7, meanMm: expect.closeTo(0.122, 9) },
    ]);
    expect(walkingUnits(first(3, [0.1, -0.12, 0.1, -0.09, 0.2, -0.1, 0.1]))).toEqual([]);
    expect(walkingUnits(first(4, [0.1, 0.1, 0.1, 0.1]))).toEqual([]);
  });
});
