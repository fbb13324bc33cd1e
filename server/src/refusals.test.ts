import * as z from 'zod';
import { cardSpec, LINDMOOR } from '../../core/src/plan/line-1.fixture';
import { JobSpecSchema, PlantSchema } from '@druckerei/core';
import { api, type Endpoint } from '@druckerei/contract';

/* Whatever is wrong with what is sent, it is said in words: every schema of the wire and both documents get something odd at every place. */

const ODD: unknown[] = [undefined, null, '', 'x', 'x'.repeat(5_000), -1, 0, 1.5, 1e15, Number.NaN, true, [], {}, [[]], { kind: 'nothing' }];
/** The validator's own tongue. */
const RAW = /expected|received|invalid|discriminator|unrecognized|too (small|big)|>=|<=|pattern|regex|nan\b|undefined/i;

type Json = Record<string, unknown>;
const isMany = (v: unknown): v is Json => typeof v === 'object' && v !== null;
/** Every place of a document, as the keys that lead there. */
function places(of: unknown, at: string[] = []): string[][] {
  return [at, ...(isMany(of) ? Object.keys(of).flatMap((key) => places(of[key], [...at, key])) : [])];
}
function put(of: unknown, at: string[], value: unknown): unknown {
  const [key, ...rest] = at;
  if (key === undefined) return value;
  if (Array.isArray(of)) return of.map((v, i) => (String(i) === key ? put(v, rest, value) : (v as unknown)));
  const { [key]: inner, ...others } = isMany(of) ? of : {};
  return rest.length === 0 && value === undefined ? others : { ...others, [key]: put(inner, rest, value) };
}
function saidOf(schema: z.ZodType, good: unknown, most = 400): Set<string> {
  const said = new Set<string>();
  const all = places(good);
  const step = Math.max(1, Math.floor(all.length / most));
  all
    .filter((_, i) => i % step === 0)
    .forEach((at) => {
      for (const odd of ODD) {
        const got = schema.safeParse(put(good, at, odd));
        if (!got.success) for (const issue of got.error.issues) said.add(issue.message);
      }
      const more = schema.safeParse(put(good, [...at, 'more'], 1));
      if (!more.success) for (const issue of more.error.issues) said.add(issue.message);
    });
  return said;
}
const raw = (said: Set<string>): string[] => [...said].filter((words) => RAW.test(words));

describe('what is refused', () => {
  it.each(Object.entries(api as Record<string, Endpoint>).filter(([, e]) => e.body ?? e.query ?? e.params))('%s says in words', (_, e) => {
    for (const part of ['params', 'query', 'body'] as const) {
      const schema = e[part];
      if (schema) expect(raw(saidOf(schema, e.example?.[part] ?? {}, 60))).toEqual([]);
    }
  });
  it('is said in words of every place of a job', () => {
    const said = saidOf(JobSpecSchema, cardSpec());
    expect(said.size).toBeGreaterThan(10);
    expect(raw(said)).toEqual([]);
  });
  it('is said in words of every place of a plant', () => {
    const said = saidOf(PlantSchema, LINDMOOR, 50);
    expect(said.size).toBeGreaterThan(10);
    expect(raw(said)).toEqual([]);
  });
  it('is seen by this check where it is not', () => {
    const schema = z.object({ n: z.number({ error: 'Too small: expected number to be >=1' }) });
    expect(raw(saidOf(schema, { n: 1 }))).not.toEqual([]);
  });
});
