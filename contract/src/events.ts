import * as z from 'zod';
import type { Endpoint } from './endpoint';

/** What a change tells: which thing, and its version; whoever shows it reads it again. */
export const Changed = z.object({
  table: z.enum(['jobs', 'customers', 'plants', 'stock', 'tasks', 'floor', 'tools', 'kitchen', 'zones', 'register', 'board']),
  id: z.string(),
  version: z.number().int(),
  by: z.string(),
});
export type Changed = z.infer<typeof Changed>;

export const events = {
  'events.stream': {
    method: 'get',
    path: '/api/events',
    who: 'signed-in',
    says: 'Server-sent events: `changed` with table, id and version.',
    reply: 'events',
  },
} as const satisfies Record<string, Endpoint>;
