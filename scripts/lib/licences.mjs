// Licences of everything that is installed, read from the licence files themselves: what a package says of itself in its manifest is not believed alone.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { ROOT } from './run.mjs';

/** Marks in the text of each licence we allow; tried in this order. */
const TEXTS = [
  ['Apache-2.0', /Apache License[\s,]*Version 2\.0/i],
  ['MPL-2.0', /Mozilla Public License,? (Version|v\.) 2\.0/i],
  ['BlueOak-1.0.0', /Blue Oak Model License/i],
  ['BSL-1.0', /Boost Software License/i],
  ['OFL-1.1', /SIL OPEN FONT LICENSE/i],
  ['CC0-1.0', /CC0 1\.0 Universal|Creative Commons Legal Code\s+CC0/i],
  ['CC-BY-4.0', /Creative Commons Attribution 4\.0/i],
  ['Python-2.0', /PYTHON SOFTWARE FOUNDATION LICENSE/i],
  ['MIT', /Permission is hereby granted, free of charge|\bMIT License\b/i],
  ['ISC', /Permission to use, copy, modify, and(\/or)? distribute this\s+software\s+for\s+any\s+purpose/i],
  ['BSD', /Redistribution and use in source and binary forms/i],
  ['Zlib', /This software is provided 'as-is'/i],
  ['Unlicense', /This is free and unencumbered software/i],
];
export const ALLOWED = new Set([
  'MIT',
  'ISC',
  'BSD',
  'Apache-2.0',
  'BSL-1.0',
  'BlueOak-1.0.0',
  'Zlib',
  'Python-2.0',
  'CC0-1.0',
  'OFL-1.1',
  'Unlicense',
  '0BSD',
  'MIT-0',
]);
/** Only in what builds and tests. */
export const ALLOWED_IN_TOOLS = new Set([...ALLOWED, 'MPL-2.0', 'CC-BY-4.0', 'CC-BY-3.0']);

const licenceFile = (dir) =>
  readdirSync(dir)
    .filter((f) => /^(licen[cs]e|copying|copyright)/i.test(f) || /^mit-license/i.test(f))
    .sort()[0];

/** What a package's files say. `from`: the licence file, the readme, or only the manifest. */
function licenceOf(dir, declared) {
  const file = licenceFile(dir);
  const text = file ? readFileSync(`${dir}/${file}`, 'utf8') : '';
  const found = TEXTS.find(([, mark]) => mark.test(text))?.[0];
  if (found) return { licence: found, from: file };
  const readme = readdirSync(dir).find((f) => /^readme/i.test(f));
  const said = readme ? TEXTS.find(([, mark]) => mark.test(readFileSync(`${dir}/${readme}`, 'utf8')))?.[0] : undefined;
  if (said) return { licence: said, from: readme };
  const named = /BSD/i.test(declared) && declared !== '0BSD' ? 'BSD' : declared;
  return { licence: named || 'none', from: 'package.json' };
}

/** Every package of the lock file that is installed here, with what it is for. */
export function licences() {
  const lock = JSON.parse(readFileSync(`${ROOT}/package-lock.json`, 'utf8'));
  return Object.entries(lock.packages)
    .filter(([path, p]) => path.includes('node_modules/') && !p.link && existsSync(`${ROOT}/${path}/package.json`))
    .map(([path, p]) => {
      const manifest = JSON.parse(readFileSync(`${ROOT}/${path}/package.json`, 'utf8'));
      const declared = typeof manifest.license === 'string' ? manifest.license : (manifest.license?.type ?? '');
      return {
        name: manifest.name ?? path.split('node_modules/').at(-1),
        version: p.version,
        tool: p.dev === true || p.devOptional === true,
        declared,
        ...licenceOf(`${ROOT}/${path}`, declared),
      };
    });
}

/** The page of docs: what runs with the program, a line each. */
export function licencePage() {
  const rows = licences()
    .filter((l) => !l.tool)
    .map((l) => `| ${l.name} | ${l.version} | ${l.licence} | ${l.from} |`);
  return [
    '# Licences of what runs with Druckerei',
    '',
    'Written by `npm run licences` from the licence files in the installed packages; a test keeps it true. Tools for building and testing are checked too and not listed.',
    '',
    '| package | version | licence | read from |',
    '| --- | --- | --- | --- |',
    ...[...new Set(rows)].sort(),
    '',
  ].join('\n');
}
