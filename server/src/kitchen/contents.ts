import { type BaseInk, mixed } from '@druckerei/core';
import type { Db } from '../db/pool';
import { many, maybeOne } from '../db/rows';
import { BASES, PAIL_BY_ID, WEIGHINGS_OF } from './kitchen.queries';

/** What is in a batch, in base inks: left-overs that went into it are taken apart. */
export interface Contents {
  base: string;
  kg: number;
}
/** A left-over of a left-over of a left-over: deeper than this nobody mixes, and a circle ends. */
const DEEPEST = 6;

export const readBases = async (db: Db): Promise<BaseInk[]> => (await many(db, BASES)).map((r) => r.base);

export async function contentsOf(db: Db, batch: string, depth = 0): Promise<Contents[]> {
  const rows = await many(db, WEIGHINGS_OF, [batch]);
  const sums = new Map<string, number>();
  for (const { base, pailId, kg } of rows) {
    const pail = pailId === null ? undefined : await maybeOne(db, PAIL_BY_ID, [pailId]);
    const inner = pail && depth < DEEPEST ? await contentsOf(db, pail.batch, depth + 1) : [];
    const all = inner.reduce((n, c) => n + c.kg, 0);
    if (all > 0) for (const c of inner) sums.set(c.base, (sums.get(c.base) ?? 0) + (kg * c.kg) / all);
    else sums.set(base, (sums.get(base) ?? 0) + kg);
  }
  return [...sums].map(([base, kg]) => ({ base, kg }));
}

/** The mixture in a batch as the model sees it, with the bases it is made of; null where a base is not known any more. */
export function mixtureOf(contents: readonly Contents[], bases: readonly BaseInk[]): { k: number[]; s: number[]; of: BaseInk[] } | null {
  const of = contents.flatMap((c) => bases.find((b) => b.id === c.base) ?? []);
  if (of.length === 0 || of.length !== contents.length) return null;
  return {
    ...mixed(
      of,
      contents.map((c) => c.kg),
    ),
    of,
  };
}
