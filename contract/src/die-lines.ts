import * as z from 'zod';
import { LINE_KINDS } from '@druckerei/core';
import type { Endpoint } from './endpoint';

const point = z.tuple([z.number().min(-1e5).max(1e5), z.number().min(-1e5).max(1e5)]);
const kind = z.enum(LINE_KINDS).exclude(['leave']);
const layers = z
  .array(
    z.strictObject({
      kind,
      paths: z.array(z.strictObject({ points: z.array(point.readonly()).min(2).max(4_000), closed: z.boolean() })).max(20_000),
    }),
  )
  .max(10);

/** A die file is at most so large. */
export const MOST_DIE_FILE_BYTES = 2_000_000;

/** Lines of a die file, layer by layer, in the unit of the file. */
export const DieFileRead = z.object({
  format: z.enum(['dxf', 'svg']),
  /** Null: the file does not say. */
  unitMm: z.number().positive().nullable(),
  layers: z.array(z.object({ name: z.string(), paths: z.array(z.array(point.readonly())) })),
  /** Things that were not read, by what they are, and how many. */
  unread: z.record(z.string(), z.number().int().positive()),
});
export type DieFileRead = z.infer<typeof DieFileRead>;

/** A triangle, for the description of the interface. */
const TRIANGLE: { name: string; layers: z.infer<typeof layers> } = {
  name: 'triangle',
  layers: [
    {
      kind: 'cut',
      paths: [
        {
          points: [
            [0, 0],
            [100, 0],
            [100, 60],
          ],
          closed: true,
        },
      ],
    },
  ],
};
const lines = z.strictObject({ name: z.string().trim().min(1).max(80), layers });

/** Die lines out to whoever makes the die, and in from whoever drew it. */
export const dieLines = {
  'dieLines.dxf': {
    method: 'post',
    path: '/api/die-lines.dxf',
    who: 'signed-in',
    says: 'Lines of a die as DXF in millimetres, a layer a kind of line.',
    body: lines,
    reply: 'file',
    mime: 'image/vnd.dxf',
    example: { body: TRIANGLE },
  },
  'dieLines.csv': {
    method: 'post',
    path: '/api/die-lines.csv',
    who: 'signed-in',
    says: 'Rules of a die as CSV, a line a straight rule: kind, ends and length in millimetres.',
    body: lines,
    reply: 'file',
    mime: 'text/csv',
    example: { body: TRIANGLE },
  },
  'dieLines.read': {
    method: 'post',
    path: '/api/die-lines',
    who: ['planner', 'admin'],
    says: 'Reads the lines of a DXF or SVG file, layer by layer; curves come as short straight lines.',
    upload: MOST_DIE_FILE_BYTES,
    reply: DieFileRead,
    example: {},
  },
} as const satisfies Record<string, Endpoint>;
