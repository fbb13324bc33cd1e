import { explainPull } from './explain-pull';
import { practicePress, type PracticePress, pullSheets, setUnits } from './practice-press';
import type { Setting } from './corrections';
import { usualMarks } from './reading';

const SHEET: [number, number] = [720, 520];
/** A press without noise, whose cyan lies where it is put. */
const pressWith = (more: Partial<PracticePress['inks'][number]>): PracticePress => ({
  ...practicePress(1, 'shifts', usualMarks(SHEET), SHEET, ['C']),
  noiseMm: 0,
  inks: [{ ink: 'C', shiftX: 0, shiftY: 0, slantX: 0, slantY: 0, stretchX: 0, stretchY: 0, fan: 0, ...more }],
});
const told = (press: PracticePress, ...set: [Setting['by'], number][]) => {
  const settings = { C: set.map(([by, mm]): Setting => ({ by, mm, steps: Math.round(mm * 100) })) };
  const before = pullSheets(press);
  return explainPull(before, pullSheets(setUnits(before.press, settings)), settings);
};

it.each([
  ['nearer', -0.15, 0.05],
  ['nearer', -0.2, 0],
  ['past', -0.3, -0.1],
  ['past', -0.5, -0.3],
  ['farther', 0.1, 0.3],
] as const)('tells a correction that went %s: %f mm set', (verdict, set, after) => {
  const [lateral, ...others] = told(pressWith({ shiftX: 0.2 }), ['lateral', set]);
  expect(lateral).toMatchObject({ ink: 'C', by: 'lateral', set, verdict });
  expect(lateral?.before).toBeCloseTo(0.2, 9);
  expect(lateral?.after).toBeCloseTo(after, 9);
  expect(others).toEqual([]);
});

it('tells what was off and left, and is silent of what is in register', () => {
  expect(told(pressWith({ shiftX: 0.2, shiftY: -0.15 }), ['lateral', -0.2]).map((w) => [w.by, w.verdict])).toEqual([
    ['lateral', 'nearer'],
    ['round', 'left'],
  ]);
  expect(told(pressWith({}))).toEqual([]);
});

it('tells a cocked cylinder over the width of the sheet', () => {
  // 0.3 mm a metre are 0.216 mm over 720.
  const [cock] = told(pressWith({ slantY: 0.3 }), ['cock', -0.2]);
  expect(cock?.before).toBeCloseTo(0.216, 9);
  expect(cock).toMatchObject({ by: 'cock', verdict: 'nearer' });
});
