import { readdirSync, readFileSync, statSync } from 'node:fs';
import { SCREENS, say } from '@druckerei/core';

const files = (dir: string): string[] =>
  readdirSync(dir).flatMap((f) => {
    const path = `${dir}/${f}`;
    return statSync(path).isDirectory() ? files(path) : [path];
  });
/** What puts words together for screens and files alike. */
const CORE_WORDS = `${__dirname}/../../../core/src/words`;
const sources = [...files(__dirname), ...readdirSync(CORE_WORDS).map((f) => `${CORE_WORDS}/${f}`)]
  .filter((f) => /\.(ts|html)$/.test(f) && !f.endsWith('.spec.ts'))
  .map((f) => readFileSync(f, 'utf8'))
  .join('\n');

describe('the catalogue of the screens', () => {
  it('holds nothing that no screen says', () => {
    expect(Object.keys(SCREENS).filter((key) => !sources.includes(`'${key}'`))).toEqual([]);
  });
  it('is filled in by as many values as it has places for', () => {
    const wrong = Object.entries(SCREENS).filter(([key, text]) => {
      const places = new Set(text.match(/\{\d\}/g) ?? []).size;
      const call = new RegExp(`say\\('${key.replaceAll('.', '\\.')}'\\s*(,|\\))`).exec(sources);
      return call !== null && (call[1] === ',') !== places > 0;
    });
    expect(wrong.map(([key]) => key)).toEqual([]);
  });
  it.each([
    ['nothing', say('jobPage.undo'), 'Undo'],
    ['a number and a text', say('jobPage.theirsYours', 'name', 1, 'x'), 'name: theirs 1, yours x.'],
    ['what is missing, as nothing', say('jobPage.changedTheSamePlaceMeanwhile', undefined), ' changed the same place meanwhile.'],
  ])('fills in %s', (_name, said, shown) => {
    expect(said).toBe(shown);
  });
});
