import { LABELS } from './en';
import { KINDS } from './en/kinds';

/* The catalogue is one: a word that two kinds of work say differently would be said wrongly by one of them. */

it('no label of a kind of work is said otherwise by another, or by the catalogue', () => {
  const said = KINDS.flatMap((words) => Object.entries(words.labels ?? {}));
  expect(said.length).toBeGreaterThan(200);
  expect(said.filter(([key, words]) => LABELS[key] !== words).map(([key, words]) => `${key}: ${words}, not ${LABELS[key] ?? ''}`)).toEqual(
    [],
  );
});
