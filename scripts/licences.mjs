// npm run licences: writes docs/licences.md from the licence files of what is installed.
import { writeFileSync } from 'node:fs';
import { licencePage } from './lib/licences.mjs';
import { ROOT } from './lib/run.mjs';

writeFileSync(`${ROOT}/docs/licences.md`, licencePage());
