import * as z from 'zod';

/** What a search found: a board beside the accepted one, until that moves on. */
export const BoardFound = z.object({
  base: z.number().int().min(0),
  moves: z.number().int(),
  /** Money of the accepted board and of the one found; no board comes below the least. */
  before: z.number(),
  after: z.number(),
  least: z.number(),
  /** Bars that begin at another time or on another machine. */
  moved: z.number().int(),
  /** Jobs whose end is another, the dearest first. */
  jobs: z.array(z.object({ job: z.string(), byS: z.number() })),
  bars: z.array(z.object({ work: z.string(), machine: z.string(), start: z.number().int() })),
});
export type BoardFound = z.infer<typeof BoardFound>;
