import * as z from 'zod';
import { EditSchema } from '@druckerei/core';
import type { Endpoint } from './endpoint';
import { BoardFound } from './board-found';
import { ZonesDone } from './zones';

const ID = '00000000-0000-4000-8000-000000000000';
const params = z.strictObject({ id: z.uuid() });
const hash = z.string().regex(/^[0-9a-f]{64}$/, 'is a name of 64 hexadecimal digits');

/** What the any-layout search found; its edit makes it a choice. */
export const FoundLayout = z.object({
  part: z.string(),
  now: z.number(),
  found: z.number(),
  bound: z.number(),
  cuttable: z.boolean(),
  iterations: z.number(),
  edits: z.array(EditSchema),
});
/** A row of a file that cannot become an order, and why. */
export const BadRow = z.object({ line: z.number().int(), issues: z.array(z.object({ column: z.string(), says: z.string() })) });
export type BadRow = z.infer<typeof BadRow>;
export const Imported = z.object({
  made: z.number().int(),
  /** Rows of this file that were orders already. */
  there: z.number().int().default(0),
  customers: z.number().int(),
  bad: z.array(BadRow),
  first: z.number().int().nullable(),
});

export const TASK_STATES = ['waiting', 'running', 'done', 'failed', 'cancelled'] as const;
export const Task = z.object({
  id: z.uuid(),
  kind: z.enum(['layout', 'import', 'zones', 'board']),
  state: z.enum(TASK_STATES),
  done: z.number(),
  of: z.number().nullable(),
  /** Best of a search so far: copies of a layout, money of a board. */
  progress: z.object({ best: z.number(), bound: z.number() }).nullable(),
  result: z.union([FoundLayout, Imported, ZonesDone, BoardFound]).nullable(),
  says: z.string(),
  attempt: z.number().int(),
});
export type Task = z.infer<typeof Task>;

/** What an import would make, before anything is made: the file itself stays in the database under its name. */
export const ImportPreview = z.object({
  rows: z.number().int(),
  good: z.number().int(),
  customersNew: z.array(z.string()),
  first: z.array(
    z.object({
      line: z.number().int(),
      customer: z.string(),
      title: z.string(),
      pieces: z.string(),
      quantity: z.number(),
      due: z.string(),
    }),
  ),
  bad: z.array(BadRow),
  badRows: z.number().int(),
  columnsIgnored: z.array(z.string()),
});
export type ImportPreview = z.infer<typeof ImportPreview>;

export const tasks = {
  'tasks.layout': {
    method: 'post',
    path: '/api/tasks/layout',
    who: ['planner'],
    says: 'Asks for a search of the layout with the most copies of a part; the same id twice is one search.',
    body: z.strictObject({ id: z.uuid(), job: z.uuid(), version: z.number().int().min(1), part: z.string().max(120) }),
    reply: Task,
    example: { body: { id: ID, job: ID, version: 1, part: 'card.card' } },
  },
  'tasks.import': {
    method: 'post',
    path: '/api/tasks/import',
    who: ['planner'],
    says: 'Makes orders of every good row of a file that was sent before; the same id twice is one import.',
    body: z.strictObject({ id: z.uuid(), file: hash }),
    reply: Task,
    example: { body: { id: ID, file: '0'.repeat(64) } },
  },
  'tasks.read': {
    method: 'get',
    path: '/api/tasks/:id',
    who: 'signed-in',
    says: 'How far a long work is, and what came out.',
    params,
    reply: Task,
    example: { params: { id: ID } },
  },
  'tasks.cancel': {
    method: 'post',
    path: '/api/tasks/:id/cancel',
    who: ['planner'],
    says: 'Stops a long work. Only who asked for it, or an administrator, may.',
    params,
    reply: Task,
    example: { params: { id: ID } },
  },
  'imports.send': {
    method: 'post',
    path: '/api/imports',
    who: ['planner'],
    says: 'Sends a CSV of orders and tells what it would make and which rows are bad; nothing is made yet.',
    upload: 20_000_000,
    reply: z.object({ file: hash, preview: ImportPreview }),
  },
} as const satisfies Record<string, Endpoint>;
