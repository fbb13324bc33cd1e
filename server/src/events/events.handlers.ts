import type { events } from '@druckerei/contract';
import type { Handlers } from '../implement';

export const eventsHandlers: Handlers<typeof events> = { 'events.stream': (_asked, ctx) => Promise.resolve(ctx.hub.stream()) };
