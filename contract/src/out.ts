import * as z from 'zod';
import { JobSpecSchema, SceneSchema } from '@druckerei/core';
import type { Endpoint } from './endpoint';

const ID = '3f9a2c11-0000-4000-8000-000000000001';
const params = z.strictObject({ id: z.uuid() });

/** What a job file of the open standard says, read back. */
export const JobXmlRead = z.object({
  spec: JobSpecSchema,
  /** Whether the file carries this program's own specification; else it was put together from the standard's elements. */
  own: z.boolean(),
  /** Where the standard's elements say something else than the specification in the file. */
  differences: z.array(z.object({ place: z.string(), file: z.string(), ours: z.string() })),
});
export type JobXmlRead = z.infer<typeof JobXmlRead>;

/** A job file is at most so large. */
export const MOST_XML_BYTES = 1_000_000;

/** What goes out in open formats, and what of it comes back in. */
export const out = {
  'out.drawing': {
    method: 'post',
    path: '/api/drawings.pdf',
    who: 'signed-in',
    says: 'A drawing as PDF at true size: a page as large as what is drawn, with a bar of 100 mm to check the printer by.',
    body: SceneSchema,
    reply: 'file',
    mime: 'application/pdf',
    example: {
      body: {
        ...{ title: 'sheet', says: 'A sheet.', box: { x: 0, y: 0, w: 100, h: 70 }, toScale: true },
        shapes: [{ kind: 'rect', role: 'sheet', x: 0, y: 0, w: 100, h: 70 }],
      },
    },
  },
  'out.calendar': {
    method: 'get',
    path: '/api/calendar.ics',
    who: 'signed-in',
    says: 'Deliveries promised, ready dates, answers due and goods on their way as iCalendar.',
    reply: 'file',
    mime: 'text/calendar',
    example: {},
  },
  'out.deliveryNote': {
    method: 'get',
    path: '/api/jobs/:id/delivery-note.pdf',
    who: 'signed-in',
    says: 'The delivery note of one delivery of the job: what goes where, in how many cartons and pallets.',
    params,
    query: z.strictObject({ item: z.string().max(120), nr: z.coerce.number().int().min(1).max(100) }),
    reply: 'file',
    mime: 'application/pdf',
    example: { params: { id: ID }, query: { item: 'i1', nr: '1' } },
  },
  'out.lots': {
    method: 'get',
    path: '/api/jobs/:id/lots.pdf',
    who: 'signed-in',
    says: 'A declaration of the lots that went into the job: paper, and the bases of its inks.',
    params,
    reply: 'file',
    mime: 'application/pdf',
    example: { params: { id: ID } },
  },
  'out.jobXml': {
    method: 'get',
    path: '/api/jobs/:id/job.xml',
    who: 'signed-in',
    says: 'The job in the trade’s open job definition standard (experimental: its elements are written from memory).',
    params,
    reply: 'file',
    mime: 'application/xml',
    example: { params: { id: ID } },
  },
  'out.readJobXml': {
    method: 'post',
    path: '/api/job-xml',
    who: ['planner', 'admin'],
    says: 'Reads such a file back: the specification, and where its elements say something else.',
    upload: MOST_XML_BYTES,
    reply: JobXmlRead,
    example: {},
  },
} as const satisfies Record<string, Endpoint>;
