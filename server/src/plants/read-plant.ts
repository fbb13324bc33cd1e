import { type Plant, plantOfBefore, PlantSchema } from '@druckerei/core';
import type { Db } from '../db/pool';
import { maybeOne, stored } from '../db/rows';
import { notFound } from '../errors';
import { PLANT_BY_HASH, PLANT_IN_FORCE } from './plants.queries';

const KEPT = 20;
const read = new Map<string, Plant>();

/** A plant by its name. Immutable: the last few stay in memory, and a plan finds the same document by identity. */
export async function readPlant(db: Db, hash: string): Promise<Plant> {
  const known = read.get(hash);
  if (known) return known;
  const row = await maybeOne(db, PLANT_BY_HASH, [hash]);
  if (!row) throw notFound('This plant');
  const plant = stored(PlantSchema, plantOfBefore(row.plant), `the plant ${hash}`);
  if (read.size >= KEPT) read.delete(read.keys().next().value ?? '');
  read.set(hash, plant);
  return plant;
}

/** The plant in force, with its name. */
export async function plantInForce(db: Db): Promise<{ hash: string; plant: Plant }> {
  const hash = (await maybeOne(db, PLANT_IN_FORCE))?.hash;
  if (hash === undefined) throw notFound('A plant');
  return { hash, plant: await readPlant(db, hash) };
}
