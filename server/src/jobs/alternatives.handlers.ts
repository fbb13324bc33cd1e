import type { Alternative, jobs } from '@druckerei/contract';
import { applyEdits, editsBetween, hashOf, type Id, type Item, type JobSpec } from '@druckerei/core';
import { type Ctx, signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { many, maybeOne } from '../db/rows';
import { invalid, notFound, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import type { Handlers } from '../implement';
import { findJob, homeOf, type JobFound, lockJob, requireOpen, requireVersion, saveVersion } from './find-job';
import { ADD_EVENT, ADD_ITEM, ADD_JOB, ADD_SPEC, ALTERNATIVES, DROP_ITEM, NEXT_ALT, SET_ALTERNATIVE } from './jobs.queries';
import { planFor } from './plan-for';

type Mine = 'jobs.alternatives' | 'jobs.duplicate' | 'jobs.choose' | 'jobs.join';

const listOf = async (db: Db, home: string): Promise<Alternative[]> => await many(db, ALTERNATIVES, [home]);

export const alternativesHandlers: Pick<Handlers<typeof jobs>, Mine> = {
  'jobs.alternatives': async ({ params }, ctx) => listOf(ctx.db, homeOf(await findJob(ctx.db, params.id))),

  'jobs.duplicate': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const from = await findJob(db, params.id);
      const home = await lockJob(db, homeOf(from));
      const there = (await listOf(db, home.id)).find((a) => a.job === body.id);
      if (there) return there; // clicked twice
      const applied = applyEdits(from.spec, body.edits);
      if (!applied.ok) throw invalid(applied.issues);
      return addAlternative(db, ctx, home, { id: body.id, name: body.name, spec: applied.made, plant: from });
    }),

  'jobs.choose': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const chosen = await lockJob(db, params.id);
      if (chosen.alternativeOf === null) throw new Refused(409, 'chosen', 'This is the plan that is in force already.');
      const home = await lockJob(db, chosen.alternativeOf);
      requireOpen(home);
      requireVersion(chosen, body.version);
      const lines = new Set(Object.values(chosen.spec.items).map((i) => i.orderLine));
      if (Object.values(home.spec.items).some((i) => !lines.has(i.orderLine)))
        throw new Refused(
          409,
          'alternative',
          'This alternative was made before another order was joined: duplicate the job again and change that.',
        );
      // The plan of before stays on record under its own name.
      await addAlternative(db, ctx, home, {
        id: crypto.randomUUID(),
        name: `as planned until “${chosen.altName}”`,
        spec: home.spec,
        plant: home,
      });
      const { version } = await saveVersion(db, ctx, home, {
        spec: chosen.spec,
        edits: editsBetween(home.spec, chosen.spec),
        what: 'alternative.chosen',
        detail: { name: chosen.altName, reason: body.reason },
        plant: { hash: chosen.plant, plant: chosen.plantDocument },
      });
      return { job: home.id, version };
    }),

  'jobs.join': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      if (params.id === body.other) throw invalid([{ path: 'other', says: 'is this job itself' }]);
      // Always locked in the same order, so that two joins the other way round do not wait for each other.
      const [a, b] = [params.id, body.other].sort();
      const locked = [await lockJob(db, a ?? ''), await lockJob(db, b ?? '')];
      const [job, other] = [locked.find((j) => j.id === params.id), locked.find((j) => j.id === body.other)];
      if (!job || !other) throw notFound('This job');
      requireVersion(job, body.version);
      for (const one of [job, other]) {
        if (one.alternativeOf !== null) throw new Refused(409, 'alternative', 'An alternative cannot be joined: choose it first.');
        if (one.state !== 'draft')
          throw new Refused(409, 'released', `Job ${one.number} has been released, in part or whole: it stays as it is.`);
      }
      const { spec, moved } = joined(job.spec, other.spec);
      for (const [was, now] of Object.entries(moved)) {
        const line = other.spec.items[was]?.orderLine ?? null;
        await db.query(DROP_ITEM, [other.id, was]);
        await db.query(ADD_ITEM, [job.id, now, line]);
      }
      const alt = (await maybeOne(db, NEXT_ALT, [job.id]))?.alt ?? 1;
      await db.query(SET_ALTERNATIVE, [other.id, job.id, alt, `job ${other.number} before it was joined`]);
      const { version } = await saveVersion(db, ctx, job, {
        spec,
        edits: editsBetween(job.spec, spec),
        what: 'job.joined',
        detail: { other: other.number },
      });
      return { version };
    }),
};

async function addAlternative(
  db: Db,
  ctx: Ctx,
  home: JobFound,
  { id, name, spec, plant }: { id: string; name: string; spec: JobSpec; plant: Pick<JobFound, 'plant' | 'plantDocument'> },
): Promise<Alternative> {
  const by = signedIn(ctx);
  const alt = (await maybeOne(db, NEXT_ALT, [home.id]))?.alt ?? 1;
  const { summary, picture } = await planFor(db, home.id, spec, plant.plantDocument, ctx.now(), home);
  await db.query(ADD_JOB, [id, home.number, spec.name, JSON.stringify(summary), picture, home.id, alt, name]);
  await db.query(ADD_SPEC, [id, 1, JSON.stringify(spec), plant.plant, '[]', by.id, crypto.randomUUID()]);
  await db.query(ADD_EVENT, [by.id, 'alternative.made', home.id, JSON.stringify({ name, alternative: id })]);
  await notifyChanged(db, { table: 'jobs', id: home.id, version: home.version, by: by.name });
  return { job: id, alt, name, state: 'draft', version: 1, summary };
}

/**
 * Two specifications as one: items and products of the other come in under free names; a product that both have, wish for wish and called alike, is made once
 * for both. Alike in all but name they are two pictures on one kind of paper: they may share a sheet, never a plate.
 * Decisions and overrides of the other hang on figures of its own and stay behind; its choices come along.
 */
function joined(into: JobSpec, other: JobSpec): { spec: JobSpec; moved: Record<Id<'item'>, Id<'item'>> } {
  const free = (taken: Record<string, unknown>, wish: string): string => {
    for (let n = 2; ; n++) if (!Object.hasOwn(taken, `${wish}${n}`)) return `${wish}${n}`;
  };
  const calledAlike = into.name.trim().toLowerCase() === other.name.trim().toLowerCase();
  const products = { ...into.products };
  const renamed: Record<string, string> = {};
  for (const [id, product] of Object.entries(other.products)) {
    const same = calledAlike ? Object.entries(into.products).find(([, p]) => hashOf(p) === hashOf(product)) : undefined;
    const now = same?.[0] ?? (Object.hasOwn(products, id) ? free(products, id) : id);
    renamed[id] = now;
    if (!same)
      products[now] =
        product.kind === 'set' ? { ...product, of: product.of.map((o) => ({ ...o, product: renamed[o.product] ?? o.product })) } : product;
  }
  const items: Record<string, Item> = { ...into.items };
  const moved: Record<string, string> = {};
  for (const [id, item] of Object.entries(other.items)) {
    const now = Object.hasOwn(items, id) ? free(items, 'i') : id;
    items[now] = { ...item, product: renamed[item.product] ?? item.product };
    moved[id] = now;
  }
  const gangs = Object.keys(other.choices.gangs ?? {});
  for (const gang of gangs) renamed[gang] = Object.hasOwn(into.choices.gangs ?? {}, gang) ? free(into.choices.gangs ?? {}, gang) : gang;
  // Ids of parts and stones begin with their product's, or with their gang's.
  const mine = (id: string): string => {
    const [product = '', ...rest] = id.split('.');
    return [renamed[product] ?? product, ...rest].join('.');
  };
  const rekeyed = <T>(from: Record<string, T>, to: Record<string, T>): Record<string, T> => ({
    ...Object.fromEntries(Object.entries(from).map(([id, value]) => [mine(id), value])),
    ...to,
  });
  const gangsOf = (from: NonNullable<JobSpec['choices']['gangs']>): NonNullable<JobSpec['choices']['gangs']> =>
    Object.fromEntries(
      Object.entries(from).map(([id, { parts, forms, keep }]) => [
        id,
        {
          parts: parts.map(mine),
          ...(forms && { forms: forms.map((f) => ({ ...f, copies: rekeyed(f.copies, {}) })) }),
          ...(keep && {
            keep: {
              ...keep,
              ...(keep.on && { on: rekeyed(keep.on, {}) }),
              ...(keep.apart && { apart: keep.apart.map(([a, b]): [string, string] => [mine(a), mine(b)]) }),
            },
          }),
        },
      ]),
    );
  const [theirs, ours] = [other.choices, into.choices];
  return {
    moved,
    spec: {
      ...into,
      name: into.name,
      items,
      products,
      choices: {
        ...ours,
        machine: rekeyed(theirs.machine, ours.machine),
        stock: rekeyed(theirs.stock, ours.stock),
        workStyle: rekeyed(theirs.workStyle, ours.workStyle),
        layout: rekeyed(theirs.layout, ours.layout),
        settings: rekeyed(theirs.settings, ours.settings),
        supply: rekeyed(theirs.supply, ours.supply),
        ...(theirs.process && { process: rekeyed(theirs.process, ours.process ?? {}) }),
        ...(theirs.versions && { versions: rekeyed(theirs.versions, ours.versions ?? {}) }),
        ...(theirs.gangs && { gangs: rekeyed(gangsOf(theirs.gangs), ours.gangs ?? {}) }),
      },
    },
  };
}
