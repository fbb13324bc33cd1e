import fc from 'fast-check';
import { platesetterQueue, simulatedPlate } from './platesetter';
import { compensated, CURVE_TONES, fitWedge, plateTone } from './test-wedge';
import { isSameForm, KEPT_STATES, nextStates, passes, TOOL_STATES } from './tool-card';

describe('the test wedge', () => {
  const steps = (gain: number, skew = 0) =>
    [0, 10, 25, 50, 75, 90, 100].map((file) => ({ file, plate: plateTone(file, { gain50: gain, skew }) }));
  it('finds the gain of the mid tone, and says in or out', () => {
    // by hand: a gain of 1 at 50 % is 0.75 at 25 %, inside 1.5; one of 4 is out
    expect(fitWedge(steps(1))).toMatchObject({
      gain50: expect.closeTo(1, 9),
      skew: expect.closeTo(0, 9),
      inside: true,
      worst: expect.closeTo(1, 9),
    });
    expect(fitWedge(steps(4, 1)).inside).toBe(false);
    expect(fitWedge(steps(4, 1)).skew).toBeCloseTo(1, 9);
  });
  it('gives the curve that makes the plate hold what was meant', () => {
    fc.assert(
      fc.property(fc.double({ min: -8, max: 15, noNaN: true }), fc.constantFrom(...CURVE_TONES), (gain50, tone) => {
        expect(plateTone(compensated(tone, { gain50, skew: 0 }), { gain50, skew: 0 })).toBeCloseTo(tone, 6);
      }),
    );
    expect(compensated(50, { gain50: 4, skew: 0 })).toBeLessThan(50);
  });
  test.each([
    [
      'too few steps',
      [
        { file: 0, plate: 0 },
        { file: 50, plate: 51 },
        { file: 100, plate: 100 },
      ],
      'steps',
    ],
    ['a tone beyond the solid', [{ file: 50, plate: 101 }], 'plate'],
    ['steps that fall', [10, 20, 30, 40].map((file, i) => ({ file, plate: i === 2 ? 5 : file })), 'step 30 %'],
    ['four steps at one tone', [30, 30, 30, 30].map((file) => ({ file, plate: 31 })), 'steps'],
  ])('refuses %s', (_name, of, field) => {
    expect(() => fitWedge(of)).toThrow(field);
  });
});

describe('the platesetter', () => {
  const plate = (id: string, job: string, number: number, wantedAt: number | null) => ({
    id,
    job,
    number,
    press: 'press3',
    wantedAt,
    imagingS: 165,
  });
  it('images first what is wanted first, a job together after its wedge, and says what is late', () => {
    const queue = platesetterQueue(
      [plate('a', 'later', 2, 5_000), plate('b', 'soon', 3, 1_400), plate('c', 'soon', 3, 1_400), plate('d', 'nobody', 1, null)],
      1_000,
      120,
    );
    expect(queue.map((p) => p.id)).toEqual(['b', 'c', 'a', 'd']);
    // by hand: wedge 120, then 165 each: 1285 and 1450; wanted at 1400
    expect(queue.map((p) => p.readyAt)).toEqual([1_285, 1_450, 1_735, 2_020]);
    expect(queue.map((p) => p.lateS)).toEqual([0, 50, 0, 0]);
  });
  it('of ours is simulated: the same number, the same plate, one in about seventeen bad and found by its wedge or by eye', () => {
    expect(simulatedPlate(5)).toEqual(simulatedPlate(5));
    const plates = Array.from({ length: 2_000 }, (_, i) => simulatedPlate(i * 7919));
    const bad = plates.filter((p) => p.bad !== null);
    expect(bad.length).toBeGreaterThan(70);
    expect(bad.length).toBeLessThan(180);
    for (const p of plates) expect(fitWedge(p.wedge).inside).toBe(p.bad !== 'weak');
  });
});

describe('a form’s card', () => {
  it('goes from planned to recycled by the steps of the trade, and never back to planned', () => {
    expect(nextStates('planned')).toEqual(['imaged', 'recycled']);
    expect(nextStates('imaged')).not.toContain('onPress');
    for (const state of TOOL_STATES) expect(nextStates(state)).not.toContain('planned');
    expect(nextStates('recycled')).toEqual([]);
    expect(KEPT_STATES).not.toContain('spoilt');
  });
  it('passes without a scratch and with its wedge inside', () => {
    expect(passes({ scratches: false, smallestUm: 20, wedge: 'in' })).toBe(true);
    expect(passes({ scratches: true, smallestUm: 20, wedge: 'in' })).toBe(false);
    expect(passes({ scratches: false, smallestUm: null, wedge: 'out' })).toBe(false);
  });
  it('is the same as another of the same kind, side, ink and size', () => {
    const one = { kind: 'plate' as const, side: 'front', ink: 'K', sizeMm: [520, 720] as const };
    expect(isSameForm(one, { ...one })).toBe(true);
    expect(isSameForm(one, { ...one, ink: 'C' })).toBe(false);
    expect(isSameForm(one, { ...one, sizeMm: [520, 721] })).toBe(false);
  });
});
