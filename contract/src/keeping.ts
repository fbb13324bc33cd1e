import { z } from 'zod';
import type { Endpoint } from './endpoint';

/** A backup that was made, or one that failed and why. */
export const Backup = z.object({ at: z.number(), file: z.string(), bytes: z.number().nullable(), says: z.string() });
export type Backup = z.infer<typeof Backup>;

export const keeping = {
  'keeping.backups': {
    method: 'get',
    path: '/api/backups',
    who: ['admin'],
    says: 'The newest backups, made or failed.',
    reply: z.array(Backup),
  },
} as const satisfies Record<string, Endpoint>;
