import * as z from 'zod';
import { type Endpoint, ROLES } from './endpoint';

/** Characters a password has at least. */
export const LEAST_PASSWORD = 10;
export const password = z.string().min(LEAST_PASSWORD, 'has at least ten characters').max(200);

export const SignIn = z.strictObject({
  name: z.string().trim().min(1, 'is empty').max(60),
  password: z.string().min(1, 'is empty').max(200),
});
export const UNIT_SYSTEMS = ['metric', 'imperial'] as const;
/** Somebody who may sign in. */
export const SignedIn = z.object({
  name: z.string(),
  fullName: z.string(),
  initials: z.string(),
  roles: z.array(z.enum(ROLES)),
  units: z.enum(UNIT_SYSTEMS),
  /** Somebody else set the password: an own one comes before anything else. */
  mustChange: z.boolean(),
});
export type SignedIn = z.infer<typeof SignedIn>;
/** Who is signed in, and the time zone of the works: every moment on every screen is told in it, wherever the screen stands. */
export const Me = SignedIn.extend({ timeZone: z.string() });
export type Me = z.infer<typeof Me>;

export const session = {
  'session.signIn': {
    method: 'post',
    path: '/api/session',
    who: 'anyone',
    says: 'Signs in; sets the session cookie.',
    body: SignIn,
    reply: Me,
    example: { body: { name: 'nobody', password: 'wrong' } },
  },
  'session.me': { method: 'get', path: '/api/session', who: 'signed-in', says: 'Who is signed in.', reply: Me },
  'session.units': {
    method: 'put',
    path: '/api/session/units',
    who: 'signed-in',
    says: 'How this person reads sizes, masses and calipers, on every screen from now on.',
    body: z.strictObject({ units: z.enum(UNIT_SYSTEMS) }),
    reply: Me,
    example: { body: { units: 'metric' } },
  },
  'session.password': {
    method: 'put',
    path: '/api/session/password',
    who: 'signed-in',
    says: 'An own password instead of the one that is known; ends every other session of this person.',
    body: z.strictObject({ old: z.string().min(1, 'is empty').max(200), password }),
    reply: Me,
    example: { body: { old: 'wrong', password: 'a-river-of-paper-7' } },
  },
  'session.signOut': {
    method: 'delete',
    path: '/api/session',
    who: 'signed-in',
    says: 'Signs out; the session is gone.',
    reply: z.object({}),
  },
} as const satisfies Record<string, Endpoint>;
