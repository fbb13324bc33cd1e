import * as z from 'zod';
import { type Endpoint, ROLES } from './endpoint';
import { password } from './session';

export const Person = z.object({
  id: z.uuid(),
  name: z.string(),
  fullName: z.string(),
  initials: z.string(),
  roles: z.array(z.enum(ROLES)),
  active: z.boolean(),
  /** Whether a PIN is set for terminals. */
  pin: z.boolean(),
});
export type Person = z.infer<typeof Person>;

const fields = {
  fullName: z.string().trim().min(1, 'is empty').max(120),
  initials: z.string().trim().min(1, 'is empty').max(4, 'has at most four letters'),
  roles: z.array(z.enum(ROLES)).min(1, 'needs at least one role').max(ROLES.length),
};
const pin = z.string().regex(/^\d{4,8}$/, 'is four to eight digits');
export const NewPerson = z.strictObject({
  id: z.uuid(),
  name: z
    .string()
    .trim()
    .toLowerCase()
    .regex(/^[\p{L}\p{N}._-]{1,60}$/u, 'is one word of letters and digits'),
  ...fields,
  password,
  pin: pin.optional(),
});

const EXAMPLE = '00000000-0000-4000-8000-000000000000';
/** What happened to accounts: sign-ins, refusals, changes of passwords and rights. */
export const AccountEvent = z.object({
  id: z.string(),
  what: z.string(),
  /** The name that was given, or the person that was changed. */
  name: z.string(),
  /** Who did it, where that is somebody else. */
  by: z.string(),
  address: z.string(),
  /** Roles after a change. */
  roles: z.array(z.string()),
  at: z.number(),
});
export type AccountEvent = z.infer<typeof AccountEvent>;
export const people = {
  'people.list': {
    method: 'get',
    path: '/api/people',
    who: ['admin'],
    says: 'Everybody who may sign in, and who no longer may.',
    reply: z.array(Person),
  },
  'people.record': {
    method: 'get',
    path: '/api/people/record',
    who: ['admin'],
    says: 'The newest sign-ins, refusals, and changes of passwords and rights.',
    reply: z.array(AccountEvent),
  },
  'people.create': {
    method: 'post',
    path: '/api/people',
    who: ['admin'],
    says: 'Enters a person; the same id twice is the same person.',
    body: NewPerson,
    reply: Person,
    example: {
      body: { id: EXAMPLE, name: 'example', fullName: 'Example Person', initials: 'EP', roles: ['store'], password: 'ten-letters-long' },
    },
  },
  'people.change': {
    method: 'put',
    path: '/api/people/:id',
    who: ['admin'],
    says: 'Changes name, roles, password, PIN or whether a person may sign in. A new password or leaving ends the sessions of that person.',
    params: z.strictObject({ id: z.uuid() }),
    body: z.strictObject({ ...fields, active: z.boolean(), password: password.optional(), pin: pin.optional() }),
    reply: Person,
    example: { params: { id: EXAMPLE }, body: { fullName: 'Example Person', initials: 'EP', roles: ['store'], active: true } },
  },
} as const satisfies Record<string, Endpoint>;
