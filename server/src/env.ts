import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import * as z from 'zod';

const here = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

const Env = z.object({
  PORT: z.coerce.number().int().min(0).max(65_535).default(8080),
  HOST: z.string().default('127.0.0.1'),
  DATABASE_URL: z.string().min(1),
  /** The owner migrates; the app's role may define nothing. Left out: one role does both. */
  OWNER_DATABASE_URL: z.string().optional(),
  WEB_DIR: z.string().default(here('../../web/dist/browser')),
  MIGRATIONS_DIR: z.string().default(here('../migrations')),
  /** The file an empty database is filled from: the plant, and with DEMO=1 the demo's people and store. */
  FIRST_START: z.string().optional(),
  DEMO: z.enum(['0', '1']).default('0'),
  /** The first administrator's password where there is no demo; left out, one is made up and shown once. */
  FIRST_PASSWORD: z.string().optional(),
  /** Proxies in front, as Express reads it: their number, or their addresses (“loopback”, “10.0.0.0/8”). */
  TRUST_PROXY: z.string().optional(),
  /** Processes that answer, all behind one port; 1: the one that starts answers itself. */
  PROCESSES: z.coerce.number().int().min(1).max(64).default(availableParallelism()),
  /** 0: this server answers only; long work is done by others (npm run worker). */
  WORKERS: z.coerce.number().int().min(0).max(1).default(1),
  /** Seconds without a sign of life after which a worker's work is taken over. */
  SILENT_S: z.coerce.number().min(1).max(600).default(20),
  /** Which part of the replies that the database wrote itself is held against the contract; the tests hold every one. */
  CHECK_REPLIES: z.coerce.number().min(0).max(1).default(0.02),
  LOG_LEVEL: z.string().default('info'),
  /** An ISO moment at which the clock stands (pictures, tests). */ CLOCK: z.iso.datetime().optional(),
});
export type Env = z.infer<typeof Env>;
export const readEnv = (): Env => Env.parse(process.env);

/** Epoch seconds, as this server's clock says. */
export function clockOf({ CLOCK }: Env): () => number {
  const fixed = CLOCK === undefined ? null : Date.parse(CLOCK) / 1000;
  return () => fixed ?? Math.floor(Date.now() / 1000);
}
