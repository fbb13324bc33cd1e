import { readFileSync } from 'node:fs';
import { relative, sep } from 'node:path';
import { FORMULAS } from './en';
import { CORE, filesIn } from '../source-files.fixture';

/*
 * A reader who sees the id of a formula finds it by walking the folders: it lies in the room (or, for a kind of work's own, the folder within processes/)
 * that its id begins with, and its words stand under the same id.
 */
const camelCase = (folder: string): string => folder.replace(/-(.)/g, (_, letter: string) => letter.toUpperCase());

/** Ids of formulas written down in a file: of a constant, or of a sum with a name of its own. */
const formulasIn = (text: string): string[] =>
  [...text.matchAll(/\bid: '([a-zA-Z]+\.[a-zA-Z]+)'(?:,\s*unit: | \})/g)].map((found) => found[1] as string);

const found = filesIn(CORE)
  .filter((file) => !relative(CORE, file).startsWith('words'))
  .flatMap((file) =>
    formulasIn(readFileSync(file, 'utf8')).map((id) => ({ id, folders: relative(CORE, file).split(sep).slice(0, -1).map(camelCase) })),
  );

test('every formula lies in the room or the kind of work that its id begins with', () => {
  expect(found.length).toBeGreaterThan(150);
  expect(
    found
      .filter(({ id, folders }) => !folders.includes(id.split('.')[0] as string))
      .map(({ id, folders }) => `${folders.join('/')}: ${id}`),
  ).toEqual([]);
});

test('every sentence about a formula is of one that there is', () => {
  const ids = new Set(found.map(({ id }) => id));
  expect(Object.keys(FORMULAS).filter((id) => !ids.has(id))).toEqual([]);
});
