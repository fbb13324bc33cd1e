import type { plants } from '@druckerei/contract';
import { PlantSchema } from '@druckerei/core';
import { notFound } from '../errors';
import type { Handlers } from '../implement';
import { cutShelf, plantInForce } from './shelf';
import { PLANT_BY_HASH } from './plants.queries';

export const plantsHandlers: Handlers<typeof plants> = {
  'plants.current': async (_asked, ctx) => {
    const { hash, plant } = await plantInForce(ctx.db);
    return { hash, shelf: await cutShelf(ctx.db, { plant, spec: null, now: ctx.now(), palletLimit: undefined }) };
  },
  'plants.read': async ({ params }, ctx) => {
    const row = (await ctx.db.query<{ plant: unknown }>(PLANT_BY_HASH, [params.hash])).rows[0];
    if (!row) throw notFound('This plant');
    return PlantSchema.parse(row.plant);
  },
};
