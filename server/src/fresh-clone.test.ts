import { readdirSync, readFileSync } from 'node:fs';
import { dirname, resolve } from 'node:path';

const SCRIPTS = resolve(import.meta.dirname, '../../scripts');

/** What a program of ours imports before its first line runs, and what that imports. */
function importsOf(file: string, seen: Set<string>): string[] {
  if (seen.has(file)) return [];
  seen.add(file);
  const named = [...readFileSync(file, 'utf8').matchAll(/^(?:(?:import|export)\b[^\n]*? from|\} from|import) '([^']+)';/gmu)].map(
    (m) => m[1] ?? '',
  );
  return named.flatMap((name) => (name.startsWith('.') ? importsOf(resolve(dirname(file), name), seen) : [name]));
}

describe('a fresh clone', () => {
  const programs = readdirSync(SCRIPTS)
    .filter((f) => f.endsWith('.mjs'))
    .filter((f) => /\bensurePackages\(/u.test(readFileSync(resolve(SCRIPTS, f), 'utf8')));
  it('starts and tests by programs that install first', () => {
    expect(programs).toEqual(expect.arrayContaining(['start.mjs', 'test.mjs', 'bench.mjs']));
  });
  it.each(programs)('runs %s before any package is there', (program) => {
    const seen = new Set<string>();
    expect(importsOf(resolve(SCRIPTS, program), seen).filter((name) => !name.startsWith('node:'))).toEqual([]);
    expect(seen.size).toBeGreaterThan(3);
  });
});
