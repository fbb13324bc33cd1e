import { randomBytes, randomInt, randomUUID } from 'node:crypto';
import { hash } from '@node-rs/argon2';
import type { Pool } from 'pg';
import {
  hashOf,
  INVENTED_BASES,
  inventedRecipes,
  mixed,
  type Plant,
  PlantSchema,
  printedLab,
  TOOL_KINDS,
  usualPaper,
} from '@druckerei/core';
import { ROLES } from '@druckerei/contract';
import * as z from 'zod';
import { type Db, inTransaction } from './pool';
import { many, one, rows } from './rows';
import { ADD_PERSON } from '../people/people.queries';
import { ADD_BASE, ADD_RECIPE } from '../kitchen/kitchen.queries';

/** What the first start puts in: people who may sign in, the plant, what lies in the store. Orders come through the API like anybody's. */
export const FirstStart = z.strictObject({
  people: z
    .array(
      z.strictObject({
        name: z.string(),
        fullName: z.string(),
        initials: z.string(),
        password: z.string().min(8),
        pin: z
          .string()
          .regex(/^\d{4,8}$/)
          .optional(),
        roles: z.array(z.enum(ROLES)).min(1),
      }),
    )
    .min(1),
  plant: PlantSchema,
  lots: z.array(
    z.strictObject({
      id: z.string(),
      stock: z.string(),
      quantity: z.number().int(),
      owner: z.enum(['works', 'customer']),
      caliperUm: z.number().nullable(),
      kg: z.number().positive().optional(),
      diameterMm: z.number().positive().optional(),
      coreMm: z.number().positive().optional(),
      place: z.string(),
    }),
  ),
  tools: z.array(
    z.strictObject({
      id: z.string(),
      kind: z.enum(TOOL_KINDS),
      spec: z.string(),
      lifeLeft: z.number().int(),
      state: z.enum(['stored', 'out', 'customer']),
      place: z.string(),
    }),
  ),
});
const SESSION_SECRET = rows(z.object({ value: z.string() }), `select value from secrets where name = 'session'`);
const ONE_START = `select pg_advisory_xact_lock(7340212)`;
export const FIRST_ADMIN = { name: 'admin', fullName: 'First administrator' };
const MARKS = rows(z.object({ name: z.string() }), `select name from marks`);
const ADD_MARK = `insert into marks (name) values ($1) on conflict (name) do nothing`;
const HOW_MANY_USERS = rows(z.object({ n: z.number() }), `select count(*)::int as n from users`);
/** House recipes the first start makes up. */
const HOUSE_RECIPES = 220;
export type FirstStart = z.infer<typeof FirstStart>;

/** The key that signs session cookies: made once, the same for every server process on this database. */
export async function sessionSecret(db: Pool): Promise<string> {
  await db.query(`insert into secrets (name, value) values ('session', $1) on conflict (name) do nothing`, [
    randomBytes(32).toString('hex'),
  ]);
  return (await one(db, SESSION_SECRET)).value;
}

/** What a start found or made: the demo's orders are still to be entered, or a first administrator was made whose password is shown this once. */
export interface Started {
  demo: 'toLoad' | 'loaded' | null;
  firstAdmin: { name: string; password: string } | null;
}

/**
 * Fills an empty database, and leaves an already filled one alone. With the demo: its people, plant and store; nothing of it where it was not asked for. Without:
 * the plant as a sample to be changed in the settings, and one administrator, who must set an own password at the first sign-in.
 */
export async function firstStart(db: Pool, from: FirstStart, ask: { demo: boolean; password: string | undefined }): Promise<Started> {
  const firstAdmin = await inTransaction(db, async (tx) => {
    await tx.query(ONE_START); // two processes on one empty database: the second finds it filled
    if ((await one(tx, HOW_MANY_USERS)).n > 0) return null;
    await addPlant(tx, from.plant);
    await addBases(tx);
    if (ask.demo) await addDemo(tx, from);
    else return addFirstAdmin(tx, ask.password ?? sayablePassword());
    return null;
  });
  const marks = new Set((await many(db, MARKS)).map((m) => m.name));
  return { demo: marks.has('demoLoaded') ? 'loaded' : marks.has('demo') ? 'toLoad' : null, firstAdmin };
}

/** The demo's orders are all entered: no later start looks for them again. */
export const demoIsLoaded = async (db: Db): Promise<void> => void (await db.query(ADD_MARK, ['demoLoaded']));

const SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789';
/** A password that can be read out: five groups of four signs without look-alikes, about a hundred bits. */
const sayablePassword = (): string =>
  Array.from({ length: 5 }, () => Array.from({ length: 4 }, () => SIGNS[randomInt(SIGNS.length)]).join('')).join('-');

async function addFirstAdmin(db: Db, password: string): Promise<NonNullable<Started['firstAdmin']>> {
  const { name, fullName } = FIRST_ADMIN;
  await db.query(ADD_PERSON, [randomUUID(), name, fullName, 'A', ['admin', 'planner'], await hash(password), null]);
  return { name, password };
}

async function addPlant(db: Db, plant: Plant): Promise<void> {
  const name = hashOf(plant);
  await db.query('insert into plants (hash, plant) values ($1, $2) on conflict (hash) do nothing', [name, JSON.stringify(plant)]);
  await db.query('insert into plant_in_force (hash) values ($1) on conflict (one) do nothing', [name]);
}

/** People who may sign in with published passwords, and what lies in the store of the invented works. */
async function addDemo(db: Db, from: FirstStart): Promise<void> {
  await db.query(ADD_MARK, ['demo']);
  for (const p of from.people) {
    await db.query(
      'insert into users (id, name, full_name, initials, password_hash, roles, pin_hash) values ($1, $2, $3, $4, $5, $6, $7)',
      [
        randomUUID(),
        p.name.toLowerCase(),
        p.fullName,
        p.initials,
        await hash(p.password),
        p.roles,
        p.pin === undefined ? null : await hash(p.pin),
      ],
    );
  }
  for (const l of from.lots)
    await db.query(
      'insert into lots (id, stock, quantity, owner, caliper_um, place, kg, diameter_mm, core_mm) values ($1, $2, $3, $4, $5, $6, $7, $8, $9)',
      [l.id, l.stock, l.quantity, l.owner, l.caliperUm, l.place, l.kg ?? null, l.diameterMm ?? null, l.coreMm ?? null],
    );
  for (const t of from.tools)
    await db.query('insert into tools (id, kind, spec, life, state, place) values ($1, $2, $3, $4, $5, $6)', [
      t.id,
      t.kind,
      t.spec,
      t.lifeLeft,
      t.state,
      t.place,
    ]);
}

/** Bases and house recipes of the ink kitchen, invented: a start to be measured anew. */
async function addBases(db: Db): Promise<void> {
  for (const base of INVENTED_BASES) await db.query(ADD_BASE, [base.id, JSON.stringify(base)]);
  const white = usualPaper('gloss');
  for (const { id, ...recipe } of inventedRecipes(HOUSE_RECIPES, 7)) {
    const of = recipe.parts.flatMap((p) => INVENTED_BASES.find((b) => b.id === p.base) ?? []);
    const film = {
      ...mixed(
        of,
        recipe.parts.map((p) => p.parts),
      ),
      gsm: recipe.filmGsm,
    };
    await db.query(ADD_RECIPE, [id, JSON.stringify(recipe), printedLab(film, white), null]);
  }
}
