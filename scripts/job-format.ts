// npm run job-format: writes docs/job-format.md from the Zod schema and the example files, so that the page cannot drift from the program.
import { readFileSync, writeFileSync } from 'node:fs';
import { JobSpecSchema, PlantSchema, pulledOf, EMPTY_SHELF } from '@druckerei/core';
import { plan } from '@druckerei/core/planning';
import * as z from 'zod';

const root = new URL('../', import.meta.url);
const text = (path: string): string => readFileSync(new URL(path, root), 'utf8');
const plant = PlantSchema.parse(JSON.parse(text('demo/plant.json')));
/** An example file with what it pulls from the store. */
const example = (file: string, line: string): string => {
  const { pulled, pulledUnit } = pulledOf(plan(JobSpecSchema.parse(JSON.parse(text(file))), plant, EMPTY_SHELF));
  return `## Example: ${line} (${pulled} ${pulledUnit === 'sheet' ? 'sheets' : 'metres'})

\`\`\`json
${text(file).trim()}
\`\`\``;
};
writeFileSync(
  new URL('docs/job-format.md', root),
  `# The job file

A job specification is one JSON document: all that a person edits, and only what was typed. \`npm run plan -- docs/examples/line-1.json\` plans it without a
database and prints the plan as JSON; \`--plant\` and \`--shelf\` name other files (default: the Lindmoor plant and an empty shelf). A wrong field ends the
command with exit code 1 and its path.

This page is written by \`npm run job-format\` from the schema the program itself uses.

${example('docs/examples/line-1.json', 'line 1, folded card with foil')}

${example('docs/examples/line-2.json', 'line 2, labels from the roll')}

## JSON Schema

\`\`\`json
${JSON.stringify(z.toJSONSchema(JobSpecSchema, { io: 'input', unrepresentable: 'any' }), null, 1)}
\`\`\`
`,
);
