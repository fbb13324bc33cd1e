import { LINDMOOR } from '../plan/line-1.fixture';
import type { Stock } from '../plant/plant';
import { trimToSize } from './trim-to-size';

const card = Object.values(LINDMOOR.stocks).find((s) => s.form === 'sheet') as Stock;
const sheet = (widthMm: number, lengthMm: number, grain?: 'long' | 'short'): Stock => {
  const { grain: _none, ...plain } = card;
  return { ...plain, widthMm, lengthMm, ...(grain && { grain }) };
};

test.each([
  // name, wanted, small, large, out of one, large sheets, where from
  [
    'half of it, grain along the same side',
    1_001,
    sheet(450, 640, 'long'),
    sheet(640, 900, 'short'),
    2,
    501,
    'by hand: 900 / 450 = 2, the 640 side is kept',
  ],
  ['four out of the double size', 1_000, sheet(450, 640), sheet(900, 1280), 4, 250, 'by hand: 2 × 2'],
  ['turned where nothing is said of the grain', 10, sheet(300, 400), sheet(400, 600), 2, 5, 'by hand: 600 / 300 = 2'],
])('%s', (_name, wanted, small, large, fromOne, sheets, _source) => {
  expect(trimToSize(wanted, small, large)).toMatchObject({ fromOne, sheets });
});

it('keeps the grain: a sheet that would only fit turned is not cut', () => {
  // 640 × 450 with the grain along 640, out of 500 × 700 with the grain along 500: it lies 640 along 500, which is too short
  expect(trimToSize(1, sheet(450, 640, 'long'), sheet(500, 700, 'short'))).toBeNull();
  expect(trimToSize(1, sheet(450, 640, 'long'), sheet(500, 700, 'long'))).toMatchObject({ fromOne: 1 });
});

it('is nothing for another grade, a roll or a smaller sheet', () => {
  expect(trimToSize(1, sheet(450, 640), { ...sheet(900, 1280), grade: 'another' })).toBeNull();
  expect(trimToSize(1, sheet(450, 640), { ...sheet(900, 1280), form: 'roll' })).toBeNull();
  expect(trimToSize(1, sheet(450, 640), sheet(400, 600))).toBeNull();
});

it('tells what falls away', () => {
  expect(trimToSize(4, sheet(450, 640), sheet(900, 1280))?.wasteShare).toBeCloseTo(0, 9);
  expect(trimToSize(1, sheet(450, 640), sheet(500, 700))?.wasteShare).toBeCloseTo(1 - (450 * 640) / (500 * 700), 9);
});
