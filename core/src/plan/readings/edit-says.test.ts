import { editAt } from '../../product/edit';
import { cardSpec, LINDMOOR } from '../line-1.fixture';
import { editSays } from './edit-says';

const spec = cardSpec(10_000);

test.each([
  ['quantity', ['items', 'i1', 'versions', 'only', 'quantity'], 12_000, { place: 'quantity', was: '10\u2009000', now: '12\u2009000' }],
  ['over allowed', ['items', 'i1', 'overs', 'overPpm'], 25_000, { place: 'over allowed', now: '2.5 %' }],
  ['a wish by its label', ['products', 'card', 'wish', 'bleedMm'], 5, { place: 'Bleed', now: '5' }],
  [
    'a machine by its name',
    ['choices', 'machine', 'card.card.print'],
    'press3',
    { was: 'nothing', now: LINDMOOR.machines['press3']?.name },
  ],
  ['a list', ['products', 'card', 'wish', 'front'], ['K'], { was: 'K; C; M; Y', now: 'K' }],
  ['a flag', ['products', 'card', 'wish', 'sealed'], false, { now: 'no' }],
  ['the title', ['name'], 'Another', { place: 'title', now: 'Another' }],
  ['a gate', ['gates', 'g1'], { kind: 'fileProof', version: 'v2' }, { place: 'gate', was: 'nothing', now: 'kind file proof, version v2' }],
  ['set by hand', ['overrides', 'card.card.print.front.run'], { value: 2_000 }, { now: 'value 2\u2009000' }],
])('says %s', (_name, at, now, said) => {
  expect(editSays(editAt(spec, at, now), spec, LINDMOOR)).toMatchObject(said);
});

it('names the item where a job has several', () => {
  const two = { ...spec, items: { ...spec.items, i2: spec.items['i1']! } };
  expect(editSays(editAt(two, ['items', 'i2', 'versions', 'only', 'quantity'], 5), two, LINDMOOR).place).toBe('quantity, i2');
});
