import type * as z from 'zod';
import { canonicalJson } from '../quantity/hash';
import type { JobSpec } from './job-spec';

/** The unit of typing, undo, merging, revision and remedies. `now` undefined takes the entry away (back to the default). */
export interface Edit {
  at: string[];
  was?: unknown;
  now?: unknown;
}

/** An edit built from a path that the compiler checks: set(spec, s => s.items['i1'].overs.overPpm, 30_000). */
export function set<V>(spec: JobSpec, pick: (s: JobSpec) => V, now: NoInfer<V>): Edit {
  const at: string[] = [];
  const spy: unknown = new Proxy({}, { get: (_target, key) => (at.push(String(key)), spy) });
  pick(spy as JobSpec);
  return editAt(spec, at, now);
}

/**
 * An edit from a path as text; what was there before is read from the document (a specification, a plant).
 * @example editAt({ items: { i1: { quantity: 10 } } }, ['items', 'i1', 'quantity'], 20) // { at: ['items', 'i1', 'quantity'], was: 10, now: 20 }
 */
export function editAt(document: object, at: readonly string[], now: unknown): Edit {
  const was = at.reduce<unknown>(
    (o, key) => (o !== null && typeof o === 'object' && Object.hasOwn(o, key) ? (o as Record<string, unknown>)[key] : undefined),
    document,
  );
  return { at: [...at], ...(was !== undefined && { was }), ...(now !== undefined && { now }) };
}

/**
 * The edit that takes another back.
 * @example inverse({ at: ['name'], was: 'card', now: 'cards' }) // { at: ['name'], was: 'cards', now: 'card' }
 */
export const inverse = ({ at, was, now }: Edit): Edit => ({
  at,
  ...(now !== undefined && { was: now }),
  ...(was !== undefined && { now: was }),
});

/**
 * The edits that make one document into another: object by object, so that they merge with others' edits as finely as typing would.
 * A list or a bare value is replaced whole.
 *
 * @example editsBetween({ a: 1, b: { c: 2 } }, { a: 1, b: { c: 3 } }) // [{ at: ['b', 'c'], was: 2, now: 3 }]
 */
export function editsBetween(before: object, after: object, at: readonly string[] = []): Edit[] {
  const [was, now] = [before as Record<string, unknown>, after as Record<string, unknown>];
  return [...new Set([...Object.keys(was), ...Object.keys(now)])].flatMap((key): Edit[] => {
    const [a, b] = [was[key], now[key]];
    if (canonicalJson(a) === canonicalJson(b)) return [];
    if (isEntries(a) && isEntries(b)) return editsBetween(a, b, [...at, key]);
    return [{ at: [...at, key], ...(a !== undefined && { was: a }), ...(b !== undefined && { now: b }) }];
  });
}
const isEntries = (value: unknown): value is object => value !== null && typeof value === 'object' && !Array.isArray(value);

export type Applied<T> = { ok: true; made: T } | { ok: false; issues: { path: string; says: string }[] };

/** Applies edits to a copy and parses it again; a path that leads through nothing grows objects, one into a bare value is refused. */
export function apply<T extends object>(document: T, edits: readonly Edit[], schema: z.ZodType<T>): Applied<T> {
  const copy: unknown = copyOf(document);
  for (const edit of edits) {
    const refused = put(copy, edit);
    if (refused) return { ok: false, issues: [{ path: edit.at.join('.'), says: refused }] };
  }
  const parsed = schema.safeParse(copy);
  if (parsed.success) return { ok: true, made: parsed.data };
  return { ok: false, issues: parsed.error.issues.map((i) => ({ path: i.path.join('.'), says: i.message })) };
}

/** A document is JSON: its copy is too. */
const copyOf = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype']);

function put(root: unknown, { at, now }: Edit): string | null {
  const last = at.at(-1);
  if (last === undefined || at.some((key) => FORBIDDEN.has(key))) return 'is not a place in a job';
  let here = root as Record<string, unknown>;
  for (const key of at.slice(0, -1)) {
    if (!Object.hasOwn(here, key)) here[key] = {};
    const next = here[key];
    if (next === null || typeof next !== 'object') return `${key} holds a value, not entries`;
    here = next as Record<string, unknown>;
  }
  if (now === undefined) Reflect.deleteProperty(here, last);
  else here[last] = copyOf(now);
  return null;
}

/** Two editors' edits: what can go in together, and places both changed to different values. A path above or below another counts as the same place. */
export function mergeEdits(mine: readonly Edit[], theirs: readonly Edit[]): { merged: Edit[]; both: { mine: Edit; theirs: Edit }[] } {
  const both: { mine: Edit; theirs: Edit }[] = [];
  const merged = mine.filter((edit) => {
    const other = theirs.find((t) => touches(edit.at, t.at));
    if (!other) return true;
    if (canonicalJson(other.now) === canonicalJson(edit.now) && other.at.length === edit.at.length) return false;
    both.push({ mine: edit, theirs: other });
    return false;
  });
  return { merged, both };
}

const touches = (a: readonly string[], b: readonly string[]): boolean => a.slice(0, b.length).every((key, i) => key === b[i]);
