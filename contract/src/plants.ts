import * as z from 'zod';
import { PlantSchema, ShelfSchema } from '@druckerei/core';
import type { Endpoint } from './endpoint';
import { level } from './orders';

const hash = z.string().regex(/^[0-9a-f]{64}$/, 'is a name of 64 hexadecimal digits');
const reason = z.string().trim().min(3, 'says in a few words why').max(300);
const NONE = '0'.repeat(64);

export const FindingSaid = z.object({
  code: z.string(),
  at: z.string(),
  level,
  args: z.record(z.string(), z.union([z.number(), z.string()])),
});

/** What another plant would do to one open job: totals before and after, findings that come or go. */
export const MovedJob = z.object({
  job: z.uuid(),
  number: z.number().int(),
  title: z.string(),
  version: z.number().int(),
  totals: z.array(z.object({ key: z.string(), unit: z.string(), before: z.number(), after: z.number() })),
  come: z.array(FindingSaid),
  gone: z.array(FindingSaid),
});
export type MovedJob = z.infer<typeof MovedJob>;
export const PlantChange = z.object({ plant: hash, before: hash, reason: z.string(), by: z.string(), at: z.number() });
export type PlantChange = z.infer<typeof PlantChange>;

export const plants = {
  'plants.current': {
    method: 'get',
    path: '/api/plants/current',
    who: 'signed-in',
    says: 'The name of the plant in force, and a general shelf to try a new order with.',
    reply: z.object({ hash, shelf: ShelfSchema }),
  },
  'plants.history': {
    method: 'get',
    path: '/api/plants/history',
    who: ['admin', 'planner'],
    says: 'Changes of the settings, the newest first: who, when, why.',
    reply: z.array(PlantChange),
  },
  'plants.read': {
    method: 'get',
    path: '/api/plants/:hash',
    who: 'signed-in',
    says: 'A plant by its name; immutable.',
    params: z.strictObject({ hash }),
    reply: PlantSchema,
    example: { params: { hash: NONE } },
  },
  'plants.try': {
    method: 'post',
    path: '/api/plants/try',
    who: ['admin'],
    says: 'Plans some of the open jobs, after the number named, for settings not yet in force, and tells what moves.',
    body: z.strictObject({ plant: PlantSchema, after: z.number().int().min(0) }),
    reply: z.object({
      jobs: z.array(MovedJob),
      /** How many were planned here, and in all; where the next call goes on, null at the end. */
      planned: z.number().int(),
      of: z.number().int(),
      next: z.number().int().nullable(),
    }),
    example: { body: { plant: {}, after: 0 } },
  },
  'plants.accept': {
    method: 'post',
    path: '/api/plants',
    who: ['admin'],
    says: 'Puts settings in force as a new version of the plant; 409 when others changed them since.',
    body: z.strictObject({ before: hash, plant: PlantSchema, reason }),
    reply: z.object({ hash }),
    example: { body: { before: NONE, plant: {}, reason: 'because' } },
  },
} as const satisfies Record<string, Endpoint>;
