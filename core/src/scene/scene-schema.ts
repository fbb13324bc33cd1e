import * as z from 'zod';
import { refuseInWords } from '../words/refusals';
import { type Scene, SCENE_ROLES } from './scene';

refuseInWords();

/** Farther than this lies nothing that is drawn: a kilometre of web. */
const MOST_MM = 1e6;
const mm = z.number().min(-MOST_MM).max(MOST_MM);
const size = z.number().min(0).max(MOST_MM);
const of = { role: z.enum(SCENE_ROLES), ref: z.string().max(200).optional(), ink: z.string().max(60).optional() };
const shape = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('rect'), x: mm, y: mm, w: size, h: size, ...of }),
  z.strictObject({ kind: z.literal('line'), x1: mm, y1: mm, x2: mm, y2: mm, ...of }),
  z.strictObject({ kind: z.literal('path'), points: z.array(z.tuple([mm, mm])).max(5_000), closed: z.boolean(), ...of }),
  z.strictObject({ kind: z.literal('circle'), cx: mm, cy: mm, r: size, ...of }),
  z.strictObject({
    ...{ kind: z.literal('text'), x: mm, y: mm, text: z.string().max(400), sizeMm: size },
    ...{ anchor: z.enum(['start', 'middle', 'end']).optional(), turn: z.number().min(-360).max(360).optional(), ...of },
  }),
]);

/** A drawing that comes from outside, to be put on paper. */
export const SceneSchema: z.ZodType<Scene> = z.strictObject({
  title: z.string().max(120),
  says: z.string().max(2_000),
  box: z.strictObject({ x: mm, y: mm, w: size, h: size }),
  toScale: z.boolean(),
  shapes: z.array(shape).max(5_000, 'holds more shapes than a page can show (5,000 at most)'),
});
