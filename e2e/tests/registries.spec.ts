import { readdirSync, readFileSync, statSync } from 'node:fs';
import { resolve } from 'node:path';
import { expect, test } from '../house';
import { FAMILIES } from '@druckerei/core';
import { PROCESS_IDS } from '@druckerei/core/planning';

const ROOT = resolve(import.meta.dirname, '../..');
const SOURCES = ['core/src', 'contract/src', 'server/src', 'web/src/app'];
/** Where a family or process may be called by its name: its own folder, and the fixtures and tests that plan with it. */
const MAY = /\/(processes|families)\/|\.(spec|test|fixture)\.ts$/;

const files = (path: string): string[] =>
  statSync(path).isDirectory() ? readdirSync(path).flatMap((f) => files(`${path}/${f}`)) : /\.(ts|html)$/.test(path) ? [path] : [];
/** Comparisons that would make a branch: x === 'offset', case 'offset', ['offset', …].includes(x), x['offset']. */
const branches = (text: string, id: string): boolean =>
  new RegExp(`\\b(process|family)\\b[^\\n]{0,60}(===|!==)\\s*'${id}'|'${id}'\\s*(===|!==)[^\\n]{0,60}\\b(process|family)\\b`).test(text) ||
  new RegExp(`\\['${id}'[^\\]]*\\]\\.includes\\([^)]*(process|family)`).test(text) ||
  new RegExp(`switch \\([^)]*(process|family)[^)]*\\)[\\s\\S]{0,400}case '${id}'`).test(text);

test('nothing outside the registries asks for a family or a process by its name', () => {
  const ids = [...PROCESS_IDS, ...Object.keys(FAMILIES)];
  expect(ids.length).toBeGreaterThan(15);
  const found = SOURCES.flatMap((s) => files(`${ROOT}/${s}`))
    .filter((f) => !MAY.test(f))
    .flatMap((f) => {
      const text = readFileSync(f, 'utf8');
      return ids.filter((id) => branches(text, id)).map((id) => `${f.slice(ROOT.length)}: ${id}`);
    });
  expect(found).toEqual([]);
});

test('the check for branches sees them', () => {
  expect(branches("if (stone.process === 'offset') x();", 'offset')).toBe(true);
  expect(branches("['foil', 'offset'].includes(s.process)", 'foil')).toBe(true);
  expect(branches("switch (made.family) { case 'label-sheet': break; }", 'label-sheet')).toBe(true);
  expect(branches("wait.why === 'foil'", 'foil')).toBe(false);
});
