import { changesSay } from './changes-say';

it('says what is changed over: inks, the paper, a form of the store', () => {
  expect(
    changesSay([
      { key: 'unit 1', from: 'K', to: 'Y', s: 1_200 },
      { key: 'paper', from: '', to: 'white, 720 × 520 mm', s: 300 },
      { key: 'tool', from: 'a', to: 'b', s: 1_800 },
    ]),
  ).toBe('unit 1 from K to Y, 20 min; set for white, 720 × 520 mm, 5 min; another form put in, 30 min');
});
