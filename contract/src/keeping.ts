import * as z from 'zod';
import type { Endpoint } from './endpoint';

/** A backup that was made, or one that failed and why. */
export const Backup = z.object({ at: z.number(), file: z.string(), bytes: z.number().nullable(), says: z.string() });
export type Backup = z.infer<typeof Backup>;

/** What an administrator looks after: backups, when the house began, and how far the clock stands before what was last written down (0: it was not set back). */
export const Keeping = z.object({ backups: z.array(Backup), beganAt: z.number(), clockBackS: z.number().min(0) });
export type Keeping = z.infer<typeof Keeping>;

export const keeping = {
  'keeping.read': {
    method: 'get',
    path: '/api/keeping',
    who: ['admin'],
    says: 'The newest backups, made or failed, and whether the clock was set back.',
    reply: Keeping,
  },
} as const satisfies Record<string, Endpoint>;
