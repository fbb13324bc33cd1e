import { readFileSync } from 'node:fs';
import { expect, test } from '../house';

interface Licence {
  name: string;
  version: string;
  tool: boolean;
  declared: string;
  licence: string;
  from: string;
}
const lib = async (): Promise<{ licences(): Licence[]; licencePage(): string; ALLOWED: Set<string>; ALLOWED_IN_TOOLS: Set<string> }> =>
  (await import(new URL('../../scripts/lib/licences.mjs', import.meta.url).href)) as never;

/** Packages without a licence text of their own: their manifest names the licence, looked at by hand. */
const BY_MANIFEST = new Set([
  '@nodable/base-output-builder',
  '@nodable/compact-builder',
  '@nodable/entities',
  '@napi-rs/canvas-linux-x64-gnu',
  '@node-rs/argon2-linux-x64-gnu',
  'brotli',
  'dfa',
  'fontkit',
  'signal-exit',
]);

test('every package that runs with the program has a permissive licence, read from its own licence text', async () => {
  const { licences, ALLOWED } = await lib();
  const all = licences().filter((l) => !l.tool);
  expect(all.length).toBeGreaterThan(150);
  expect(all.filter((l) => !ALLOWED.has(l.licence)).map((l) => `${l.name}: ${l.licence}`)).toEqual([]);
  expect([...new Set(all.filter((l) => l.from === 'package.json').map((l) => l.name))].filter((n) => !BY_MANIFEST.has(n))).toEqual([]);
});

test('tools for building and testing have licences that allow it', async () => {
  const { licences, ALLOWED_IN_TOOLS } = await lib();
  expect(
    licences()
      .filter((l) => l.tool && !ALLOWED_IN_TOOLS.has(l.licence))
      .map((l) => `${l.name}: ${l.licence}`),
  ).toEqual([]);
});

test('the page of licences is the one the program writes', async () => {
  const { licencePage } = await lib();
  // Optional binaries differ from machine to machine: they are compared by what is installed here.
  const written = readFileSync(`${import.meta.dirname}/../../docs/licences.md`, 'utf8');
  const lines = (text: string): string[] => text.split('\n').filter((l) => l.startsWith('|') && !/linux|darwin|win32/.test(l));
  expect(lines(written)).toEqual(lines(licencePage()));
});

test('the lock file names no registry', () => {
  const lock = JSON.parse(readFileSync(`${import.meta.dirname}/../../package-lock.json`, 'utf8')) as {
    packages: Record<string, { resolved?: string }>;
  };
  expect(Object.values(lock.packages).filter((p) => p.resolved?.startsWith('http'))).toEqual([]);
});
