import type { events } from '@druckerei/contract';
import { one } from '../db/rows';
import type { Handlers } from '../implement';
import { STILL_IN } from '../session/session.queries';

export const eventsHandlers: Handlers<typeof events> = {
  'events.stream': (_asked, ctx) => {
    const { db, hub } = ctx;
    const { id } = ctx.session;
    return Promise.resolve(hub.stream(async () => (await one(db, STILL_IN, [id])).still));
  },
};
