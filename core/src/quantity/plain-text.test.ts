import { isPlainText, notPlainAt } from './plain-text';

it.each([
  ['letters and signs of every script', 'Lindmoor, 封筒, ✂', true],
  ['a whole emoji', '🎺', true],
  ['half an emoji', '🎺'.slice(0, 1), false],
  ['its other half', '🎺'.slice(1), false],
  ['a NUL', 'a\0b', false],
  ['a line break', 'a\nb', true],
])('%s: %#', (_what, text, plain) => {
  expect(isPlainText(text)).toBe(plain);
});
it('finds where in a document it stands, in values and in keys', () => {
  expect(notPlainAt({ a: [{ note: 'well' }, { note: 'cut \ud83c' }] })).toBe('a.1.note');
  expect(notPlainAt({ a: { 'b\0': 1 } })).toBe('a');
  expect(notPlainAt({ a: [1, null, 'x'] })).toBeNull();
});
