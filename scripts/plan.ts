// npm run plan -- job.json [--plant plant.json] [--shelf shelf.json]: the plan as JSON, no database. Exit 1 with the fields that are wrong.
import { existsSync, readFileSync } from 'node:fs';
import { EMPTY_SHELF, JobSpecSchema, PlantSchema, ShelfSchema } from '@druckerei/core';
import { plan } from '@druckerei/core/planning';
import type { z } from 'zod';

const args = process.argv.slice(2);
const option = (name: string): string | undefined => {
  const i = args.indexOf(name);
  return i >= 0 ? args[i + 1] : undefined;
};
const job = args.find((a, i) => !a.startsWith('--') && !(args[i - 1] ?? '').startsWith('--'));

function fail(says: string): never {
  process.stderr.write(`plan: ${says}\n`);
  process.exit(1);
}

function read<T>(path: string, schema: z.ZodType<T>): T {
  if (!existsSync(path)) fail(`there is no file ${path}.`);
  let document: unknown;
  try {
    document = JSON.parse(readFileSync(path, 'utf8'));
  } catch (error) {
    fail(`${path} is not JSON: ${error instanceof Error ? error.message : ''}`);
  }
  const parsed = schema.safeParse(document);
  if (parsed.success) return parsed.data;
  return fail(`${path}:\n${parsed.error.issues.map((i) => `  ${i.path.join('.') || '(document)'} ${i.message}`).join('\n')}`);
}

if (job === undefined) fail('usage: npm run plan -- job.json [--plant plant.json] [--shelf shelf.json]');
const plant = read(option('--plant') ?? new URL('../demo/plant.json', import.meta.url).pathname, PlantSchema);
const shelfPath = option('--shelf');
const shelf = shelfPath === undefined ? { ...EMPTY_SHELF, asOf: 0 } : read(shelfPath, ShelfSchema);
process.stdout.write(`${JSON.stringify(plan(read(job, JobSpecSchema), plant, shelf), null, 1)}\n`);
