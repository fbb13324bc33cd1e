import { pileBalance } from './balance';
import { entrySums } from './entry-sums';

const entry = { step: 'card.cut', pile: 'A', other: 'B', reason: 'set off by hand', quantity: 40 };

it('stands on both piles where one is split or merged, and on the step else; only waste keeps why', () => {
  expect(entrySums({ ...entry, kind: 'split' })).toEqual([
    { step: null, pile: 'A', kind: 'split', reason: 'out', quantity: 40 },
    { step: null, pile: 'B', kind: 'split', reason: 'in', quantity: 40 },
  ]);
  expect(entrySums({ ...entry, kind: 'waste' })).toEqual([
    { step: 'card.cut', pile: 'A', kind: 'waste', reason: 'set off by hand', quantity: 40 },
  ]);
  expect(entrySums({ ...entry, kind: 'good' })[0]?.reason).toBe('');
});
it('adds nothing where nothing is counted, and takes off what is taken back', () => {
  expect(entrySums({ ...entry, kind: 'note' })).toEqual([]);
  expect(entrySums({ ...entry, kind: 'good' }, -1)[0]?.quantity).toBe(-40);
});
it('leaves a pile as much as was laid on it, less what was split off, by hand 100 − 40 + 5', () => {
  const sums = [
    ...entrySums({ ...entry, kind: 'good', quantity: 100 }),
    ...entrySums({ ...entry, kind: 'split' }),
    ...entrySums({ ...entry, kind: 'back', quantity: 5 }),
  ];
  expect(pileBalance('A', sums).inHand).toBe(65);
  expect(pileBalance('B', sums).inHand).toBe(40);
});
