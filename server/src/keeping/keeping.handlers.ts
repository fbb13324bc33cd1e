import type { keeping } from '@druckerei/contract';
import { many, one } from '../db/rows';
import type { Handlers } from '../implement';
import { setBackS } from './clock';
import { BACKUPS, BEGAN_AND_LAST } from './keeping.queries';

export const keepingHandlers: Handlers<typeof keeping> = {
  'keeping.read': async (_asked, ctx) => {
    const { beganAt, lastAt } = await one(ctx.db, BEGAN_AND_LAST);
    return { backups: await many(ctx.db, BACKUPS), beganAt, clockBackS: setBackS(lastAt, ctx.now()) };
  },
};
