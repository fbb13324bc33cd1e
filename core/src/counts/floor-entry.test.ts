import fc from 'fast-check';
import { type FloorEntry, FloorEntrySchema, pileCode, pileScan, readScan } from './floor-entry';

const ID = '3f9a2c11-0000-4000-8000-000000000001';
const OTHER = '3f9a2c11-0000-4000-8000-000000000002';
const good: FloorEntry = {
  id: ID,
  kind: 'good',
  machine: 'folder2',
  job: ID,
  step: 'card.fold',
  pile: OTHER,
  other: null,
  quantity: 100,
  reason: '',
  note: '',
  witness: '',
  at: 1_772_434_800,
  release: 1,
};
const says = (more: object): string[] => {
  const read = FloorEntrySchema.safeParse({ ...good, ...more });
  return read.success ? [] : read.error.issues.map((i) => `${i.path.join('.')} ${i.message}`);
};

test.each([
  ['good pieces on a pile', {}],
  ['waste with a reason', { kind: 'waste', reason: 'setOff' }],
  ['a stop with a reason', { kind: 'stop', reason: 'blanket', quantity: null, pile: null }],
  ['fewer found than reckoned', { kind: 'recount', pile: null, quantity: -3, note: 'counted twice' }],
  [
    'a handover of a machine, without job or step',
    { kind: 'handover', job: null, step: null, pile: null, quantity: null, note: 'pile 4 is hot' },
  ],
  ['a counter-entry', { kind: 'counter', quantity: null, other: OTHER, pile: null, note: 'wrong pile' }],
])('takes %s', (_name, more) => {
  expect(says(more)).toEqual([]);
});

test.each([
  ['a count below 0', { quantity: -1 }, 'quantity must not be below 0'],
  ['no count', { quantity: null }, 'quantity says how many'],
  ['nothing counted', { quantity: 0 }, 'quantity says how many'],
  ['half a piece', { quantity: 1.5 }, 'quantity is a whole number of pieces'],
  ['waste without a reason', { kind: 'waste' }, 'reason is a reason of the list'],
  ['a stop for no reason of the list', { kind: 'stop', reason: 'lunch?', quantity: null }, 'reason is a reason of the list'],
  ['good pieces on no pile', { pile: null }, 'pile names the pile'],
  ['a count of no job', { job: null }, 'job names the job'],
  [
    'a recount of both step and pile',
    { kind: 'recount', quantity: 3, note: 'counted twice' },
    'pile or the step: one of both was counted again',
  ],
  ['a recount that does not say why', { kind: 'recount', pile: null, quantity: 3 }, 'note says in a few words why'],
  ['pieces destroyed that nobody saw', { kind: 'destroyed', note: 'shredded' }, 'witness names who saw it'],
  ['a pile merged into itself', { kind: 'merge', other: OTHER }, 'other is the same pile'],
  ['a note with a count', { kind: 'note', note: 'hello', quantity: 3 }, 'quantity has no place here'],
])('refuses %s', (_name, more, message) => {
  expect(says(more)).toContain(message);
});

describe('the code on a flag', () => {
  it('is short, read back, and forgives signs that look alike', () => {
    const scan = pileScan(2417, ID);
    expect(scan).toBe(`2417.${pileCode(ID)}`);
    expect(readScan(` ${scan.toLowerCase()}\n`)).toEqual({ job: 2417, code: pileCode(ID) });
    expect(readScan('2417.OIL0U1')).toEqual({ job: 2417, code: '0110V1' });
  });
  it('has six signs for any id, and differs where the first thirty bits do', () => {
    fc.assert(
      fc.property(fc.uuid(), fc.uuid(), (a, b) => {
        const bits = (id: string): number => Math.floor(Number.parseInt(id.slice(0, 8), 16) / 4);
        return /^[0-9A-HJKMNP-TV-Z]{6}$/.test(pileCode(a)) && (pileCode(a) === pileCode(b)) === (bits(a) === bits(b));
      }),
    );
  });
  test.each(['', '2417', '2417.ABC', 'http://elsewhere/2417.ABCDEF', '2417.ABCDEF;drop'])('is not read from “%s”', (text) => {
    expect(readScan(text)).toBeNull();
  });
});
