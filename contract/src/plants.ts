import { z } from 'zod';
import { PlantSchema, ShelfSchema } from '@druckerei/core';
import type { Endpoint } from './endpoint';

const hash = z.string().regex(/^[0-9a-f]{64}$/, 'is a name of 64 hexadecimal digits');

export const plants = {
  'plants.current': {
    method: 'get',
    path: '/api/plants/current',
    who: 'signed-in',
    says: 'The name of the plant in force, and a general shelf to try a new order with.',
    reply: z.object({ hash, shelf: ShelfSchema }),
  },
  'plants.read': {
    method: 'get',
    path: '/api/plants/:hash',
    who: 'signed-in',
    says: 'A plant by its name; immutable.',
    params: z.strictObject({ hash }),
    reply: PlantSchema,
    example: { params: { hash: '0'.repeat(64) } },
  },
} as const satisfies Record<string, Endpoint>;
