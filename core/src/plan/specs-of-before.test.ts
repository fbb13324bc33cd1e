import before from './before/specifications.json';
import { JobSpecSchema } from './door';
import { LINDMOOR, SHELF } from './line-1.fixture';
import { plan } from './plan';

/* One specification of each product line as every former program wrote it: a job that lies in a works' database must open. */
const written = Object.entries(before).flatMap(([when, lines]) => Object.entries(lines).map(([line, spec]) => [when, line, spec] as const));

it.each(written)('%s, %s: is read and planned', (_when, _line, spec) => {
  const read = JobSpecSchema.safeParse(spec);
  expect(read.error?.issues ?? []).toEqual([]);
  if (read.success) expect(Object.keys(plan(read.data, LINDMOOR, SHELF).steps).length).toBeGreaterThan(2);
});
