import { z } from 'zod';
import { EditSchema, JobSpecSchema, ShelfSchema } from '@druckerei/core';
import type { Endpoint } from './endpoint';
import { JOB_STATES, Summary } from './orders';

const params = z.strictObject({ id: z.uuid() });
const EXAMPLE = { id: '00000000-0000-4000-8000-000000000000' };

export const Release = z.object({ nr: z.number().int(), at: z.number(), by: z.string() });
export const Job = z.object({
  id: z.uuid(),
  number: z.number().int(),
  customer: z.string(),
  state: z.enum(JOB_STATES),
  version: z.number().int(),
  spec: JobSpecSchema,
  plant: z.string(),
  shelf: ShelfSchema,
  releases: z.array(Release),
});
export type Job = z.infer<typeof Job>;

export const jobs = {
  'jobs.read': {
    method: 'get',
    path: '/api/jobs/:id',
    who: 'signed-in',
    says: 'A job: its specification, the plant it is planned for, and its shelf.',
    params,
    reply: Job,
    example: { params: EXAMPLE },
  },
  'jobs.edit': {
    method: 'post',
    path: '/api/jobs/:id/edits',
    who: ['planner'],
    says: 'Saves edits made on a version; 409 with what others changed since when they touch the same places. The same key twice is the same save.',
    params,
    body: z.strictObject({ version: z.number().int().min(1), key: z.uuid(), edits: z.array(EditSchema).min(1).max(500) }),
    reply: z.object({ version: z.number().int(), summary: Summary, othersEdits: z.array(EditSchema) }),
    example: { params: EXAMPLE, body: { version: 1, key: EXAMPLE.id, edits: [{ at: ['name'], now: 'x' }] } },
  },
  'jobs.replant': {
    method: 'post',
    path: '/api/jobs/:id/plant',
    who: ['planner', 'admin'],
    says: 'Plans a draft for the settings now in force; a new version of the job. Nothing where it is planned for them already.',
    params,
    body: z.strictObject({ version: z.number().int().min(1) }),
    reply: z.object({ version: z.number().int(), summary: Summary, plant: z.string() }),
    example: { params: EXAMPLE, body: { version: 1 } },
  },
  'jobs.release': {
    method: 'post',
    path: '/api/jobs/:id/release',
    who: ['planner'],
    says: 'Releases the whole job as one snapshot; refused while a finding blocks it. Undecided findings are decided with a reason.',
    params,
    body: z.strictObject({
      version: z.number().int().min(1),
      decisions: z.record(z.string().max(200), z.string().trim().min(3, 'says in a few words why').max(300)),
    }),
    reply: Release,
    example: { params: EXAMPLE, body: { version: 1, decisions: {} } },
  },
  'jobs.ticket': {
    method: 'get',
    path: '/api/jobs/:id/ticket.pdf',
    who: 'signed-in',
    says: 'The job ticket from the snapshot; before release the plan of now, marked DRAFT on every page.',
    params,
    reply: 'file',
    mime: 'application/pdf',
    example: { params: EXAMPLE },
  },
  'jobs.picture': {
    method: 'get',
    path: '/api/jobs/:id/picture.svg',
    who: 'signed-in',
    says: 'A small picture of the product as it is in a version of the job; kept by the browser.',
    params,
    query: z.strictObject({ version: z.coerce.number().int().min(1) }),
    reply: 'file',
    mime: 'image/svg+xml',
    example: { params: EXAMPLE, query: { version: '1' } },
  },
} as const satisfies Record<string, Endpoint>;
