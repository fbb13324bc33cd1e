import { createHash } from 'node:crypto';
import { cpSync, existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { must, ROOT } from './run.mjs';
import { ensureFolder } from './packages.mjs';
import { say } from './say.mjs';

const SOURCES = [
  'core/src',
  'contract/src',
  'server/src',
  'server/build.mjs',
  'web/src',
  'web/angular.json',
  'web/public',
  'package-lock.json',
];

function files(path) {
  if (!existsSync(path)) return [];
  return statSync(path).isDirectory()
    ? readdirSync(path)
        .sort()
        .flatMap((f) => files(`${path}/${f}`))
    : [path];
}

/** What draws the pages of a PDF in the browser, beside the program: Angular takes no files from outside its folder. */
export function ensurePdfFiles() {
  for (const part of ['build/pdf.worker.min.mjs', 'wasm', 'standard_fonts', 'cmaps'])
    cpSync(`${ROOT}/node_modules/pdfjs-dist/${part}`, `${ROOT}/web/public/pdfjs/${part.replace('build/', '')}`, { recursive: true });
}

/** Builds web and server when a source changed since the last build. */
export function ensureBuilt() {
  ensurePdfFiles();
  const hash = createHash('sha256');
  for (const file of SOURCES.flatMap((s) => files(`${ROOT}/${s}`))) hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  const now = hash.digest('hex');
  const stamp = `${ROOT}/server/dist/built-from`;
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now && existsSync(`${ROOT}/web/dist/browser/index.html`)) return;
  ensureFolder(`${ROOT}/server`);
  say('building (half a minute to a minute)');
  must('npm', ['run', 'build', '-w', '@druckerei/web'], { what: 'building the web client' });
  must('node', ['build.mjs'], { cwd: `${ROOT}/server`, what: 'building the server' });
  writeFileSync(stamp, now);
}
