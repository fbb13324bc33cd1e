import * as z from 'zod';

/** Problem details (RFC 9457) with the fields that are wrong. */
export const Problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string().optional(),
  requestId: z.string().optional(),
  /** Path of the field and a sentence a planner understands. */
  fields: z.array(z.object({ path: z.string(), says: z.string() })).optional(),
  /** On 409: the version now in force and the edits made since. */
  stale: z.object({ version: z.number().int(), by: z.string(), edits: z.array(z.unknown()) }).optional(),
});
export type Problem = z.infer<typeof Problem>;
