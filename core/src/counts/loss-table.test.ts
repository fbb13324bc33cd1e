import fc from 'fast-check';
import { goodByTable, lostByTable, type LossPoint } from '../flow/loss-table';
import type { Net } from '../flow/net';
import { solveBackward } from '../flow/solve-backward';
import { solveForward } from '../flow/solve-forward';
import type { Plant, Spoilage } from '../plant/plant';
import { PlantSchema } from '../plant/plant-schema';
import { Ledger } from '../quantity/ledger';
import { cardSpec, LINDMOOR, SHELF } from '../plan/line-1.fixture';
import { plan } from '../plan/plan';

/** An invented table: 1,000 good ones lose 200, 5,000 lose 300, 20,000 lose 700. */
const TABLE: LossPoint[] = [
  [1_000, 200],
  [5_000, 300],
  [20_000, 700],
];
/** Tables whose good + lost rise from line to line, as the door asks. */
const anyTable: fc.Arbitrary<LossPoint[]> = fc
  .array(fc.tuple(fc.integer({ min: 1, max: 5_000 }), fc.integer({ min: -2_000, max: 2_000 })), { minLength: 1, maxLength: 6 })
  .map((steps) => {
    const points: LossPoint[] = [];
    for (const [more, change] of steps) {
      const [good, lost] = points.at(-1) ?? [0, 150];
      points.push([good + more, Math.max(lost + Math.max(change, -more), 0)]);
    }
    return points;
  });

describe('a table of losses', () => {
  test.each([
    ['nothing wanted', 0, 0],
    ['below the first line: what setting up costs', 10, 200],
    ['on a line', 5_000, 300],
    ['half way between two lines', 3_000, 250],
    ['a part of the way, rounded up', 1_010, 201],
    ['above the last line: its share', 40_000, 1_400],
  ])('%s', (_name, good, lost) => {
    expect(lostByTable(TABLE, good)).toBe(lost);
  });
  it('never lets more good copies need fewer sheets', () => {
    fc.assert(
      fc.property(anyTable, fc.integer({ min: 1, max: 60_000 }), fc.integer({ min: 0, max: 3_000 }), (points, good, more) => {
        return good + more + lostByTable(points, good + more) >= good + lostByTable(points, good);
      }),
    );
  });
  it('gives forward the good ones it asked backward', () => {
    fc.assert(
      fc.property(anyTable, fc.integer({ min: 1, max: 60_000 }), fc.integer({ min: 0, max: 20 }), (points, good, samples) => {
        const run = good + samples + lostByTable(points, good);
        const out = goodByTable(points, run, samples);
        return out >= good && out + samples + lostByTable(points, out) <= run;
      }),
    );
  });
});

describe('a net that loses by a table', () => {
  const net: Net = {
    flows: { paper: { unit: 'sheet', part: 'p', item: 'i', perGood: 1 }, out: { unit: 'sheet', part: 'p', item: 'i', perGood: 1 } },
    steps: {
      print: {
        process: 'any',
        stone: 'print',
        takes: [{ flow: 'paper', per: 1 }],
        gives: [{ flow: 'out', per: 1 }],
        loss: { setupCycles: 0, runningPpm: 0, samples: 10, table: TABLE },
        whole: true,
        machine: 'm',
        needs: [],
        waits: [],
        cautions: [],
      },
    },
    wanted: { out: { order: { value: 3_000, unit: 'piece', from: 'typed', at: 'order' } } },
  };
  it('runs good ones, samples and what the table says', () => {
    const ledger = new Ledger();
    solveBackward(net, ledger);
    expect(ledger.value('print.run')).toBe(3_000 + 10 + 250);
    expect(ledger.value('print.lost.table')).toBe(250);
    expect(ledger.value('print.good')).toBe(3_000);
    expect(ledger.has('print.lost.setup')).toBe(false);
  });
  it('comes out enough going forward', () => {
    const good = (paper: number): number => {
      const ledger = new Ledger();
      solveForward(net, solveBackward(net, ledger), {}, ledger, { paper });
      return ledger.value('print.realGood');
    };
    expect([good(3_260), good(3_259)]).toEqual([3_000, 2_999]);
  });
});

describe('the plant’s school of losses', () => {
  const kept = (school: Spoilage['school'], lines: LossPoint[] = TABLE): Plant => ({
    ...LINDMOOR,
    spoilage: {
      offset: {
        school,
        tables: [
          { upToInks: 2, lines: [[1_000, 90]] },
          { upToInks: 8, lines },
        ],
      },
    },
  });
  const value = (plant: Plant, id: string): number => plan(cardSpec(5_000), plant, SHELF).figures[`card.card.${id}`]?.value ?? NaN;

  it('is setup and running loss where nothing is said', () => {
    expect(value(LINDMOOR, 'print.front.run')).toBe(1_337);
    expect(value(LINDMOOR, 'print.front.runOther')).toBeNaN();
  });
  it('goes by the table where the plant says so, by the number of inks, and shows the other school beside it', () => {
    const plant = kept('table');
    // Back, one ink: 936 good and 10 samples lose 90 by the first table. Front, four inks: 1,036 good lose 200.9, so 201.
    expect(value(plant, 'print.back.run')).toBe(936 + 10 + 90);
    expect(value(plant, 'print.front.run')).toBe(1_036 + 10 + 201);
    expect(value(plant, 'print.front.runOther')).toBe(1_293); // 1,036 good by setup 225, samples 10 and 2 %
  });
  it('shows what the table would say while the other school is in force', () => {
    expect(value(kept('setupRunning'), 'print.front.run')).toBe(1_337);
    expect(value(kept('setupRunning'), 'print.front.runOther')).toBe(1_079 + 10 + 202);
  });
  it('takes the last table for more inks than any names', () => {
    const spec = cardSpec(5_000);
    (spec.products['card'] as { wish: { front: string[] } }).wish.front = ['K', 'C', 'M', 'Y', 'white'];
    const plant: Plant = { ...LINDMOOR, spoilage: { offset: { school: 'table', tables: [{ upToInks: 1, lines: [[1_000, 77]] }] } } };
    const p = plan(spec, plant, SHELF);
    expect(p.figures['card.card.print.front.lost.table']?.value).toBeGreaterThanOrEqual(77);
  });
  it('counts its waste with the other kinds', () => {
    const p = plan(cardSpec(5_000), kept('table'), SHELF);
    expect(p.figures['waste.table.pieces']?.value).toBe((90 + 201) * 6);
  });
  it('is refused where more copies would need fewer sheets', () => {
    const falling = {
      ...kept('table', [
        [1_000, 600],
        [1_100, 100],
      ]),
    };
    const parsed = PlantSchema.safeParse(falling);
    expect(parsed.success).toBe(false);
    expect(parsed.error?.issues[0]?.message).toContain('must rise');
    expect(PlantSchema.safeParse(kept('table')).success).toBe(true);
  });
});
