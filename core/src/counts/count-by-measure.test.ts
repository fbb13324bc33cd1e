import fc from 'fast-check';
import { countByHeight, countByWeight, isGoodEnough, MEASURE_SPREAD, simulatedScaleKg } from './count-by-measure';

describe('counting by weight and by height', () => {
  it('gives pieces with how far they may be off, by hand', () => {
    // 12 kg of 12 g are 1,000; 1 % of them is 10, and 5 g of the scale half a piece: 11.
    expect(countByWeight({ kg: 12.5, tareKg: 0.5, pieceKg: 0.012, spreadPpm: 10_000, scaleKg: 0.005 })).toEqual({ pieces: 1_000, pm: 11 });
    // 400 mm of 0.4 mm are 1,000; 1 % is 10, and 1 mm of the rule 2.5: 13.
    expect(countByHeight({ heightMm: 400, pieceUm: 400, spreadPpm: 10_000, ruleMm: 1 })).toEqual({ pieces: 1_000, pm: 13 });
  });
  it('agrees with the trade: a pile of 1.2 m of 0.4 mm board is 3,000 sheets', () => {
    expect(countByHeight({ heightMm: 1_200, pieceUm: 400, spreadPpm: 50_000, ruleMm: 1 }).pieces).toBe(3_000); // common practice, no source
  });
  it('says to count by hand where it may be off by more than is at stake', () => {
    const count = countByHeight({ heightMm: 400, pieceUm: 400, spreadPpm: MEASURE_SPREAD.catalogueCaliperPpm, ruleMm: 1 });
    expect([isGoodEnough(count, 60), isGoodEnough(count, 10)]).toEqual([true, false]);
  });
  it('holds the truth within its ± whatever lies within the spreads', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 50_000 }), fc.double({ min: -0.01, max: 0.01, noNaN: true }), (pieces, off) => {
        const kg = pieces * 0.012 * (1 + off);
        const count = countByWeight({ kg, tareKg: 0, pieceKg: 0.012, spreadPpm: 10_200, scaleKg: 0.005 });
        return Math.abs(count.pieces - pieces) <= count.pm + 1;
      }),
    );
  });
  it('refuses a piece that weighs nothing or has no thickness', () => {
    expect(() => countByWeight({ kg: 1, tareKg: 0, pieceKg: 0, spreadPpm: 0, scaleKg: 0 })).toThrow('pieceKg');
    expect(() => countByHeight({ heightMm: 1, pieceUm: 0, spreadPpm: 0, ruleMm: 0 })).toThrow('pieceUm');
  });
  it('has a simulated scale that is off a little, the same for the same seed', () => {
    const kg = simulatedScaleKg(1_000, 0.012, 7);
    expect(kg).toBe(simulatedScaleKg(1_000, 0.012, 7));
    expect(Math.abs(kg - 12)).toBeLessThanOrEqual(0.125);
    expect(Math.round(kg / 0.005)).toBeCloseTo(kg / 0.005, 6);
  });
});
