import * as z from 'zod';
import type { Endpoint } from './endpoint';
import { Problem } from './problem';

const json = (schema: z.ZodType, io: 'input' | 'output'): object => ({
  'application/json': { schema: z.toJSONSchema(schema, { io, unrepresentable: 'any' }) },
});

/** OpenAPI 3.1 by walking the table; `x-who` names the roles. */
export function openApi(table: Record<string, Endpoint>): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const [operationId, e] of Object.entries(table)) {
    const path = e.path.replace(/:(\w+)/g, '{$1}');
    const named = (of: z.ZodObject | undefined, where: 'path' | 'query'): object[] =>
      Object.entries(of?.shape ?? {}).map(([name, schema]) => ({
        name,
        in: where,
        required: where === 'path' || !(schema as z.ZodType).safeParse(undefined).success,
        schema: z.toJSONSchema(schema as z.ZodType, { io: 'input', unrepresentable: 'any' }),
      }));
    const reply =
      e.reply === 'file'
        ? { [e.mime ?? 'application/octet-stream']: {} }
        : e.reply === 'events'
          ? { 'text/event-stream': {} }
          : json(e.reply, 'output');
    paths[path] = {
      ...paths[path],
      [e.method]: {
        operationId,
        summary: e.says,
        'x-who': e.who,
        parameters: [...named(e.params, 'path'), ...named(e.query, 'query')],
        ...(e.upload !== undefined && { requestBody: { required: true, content: { 'application/octet-stream': {} } } }),
        ...(e.body && { requestBody: { required: true, content: json(e.body, 'input') } }),
        responses: {
          200: { description: 'As asked.', content: reply },
          default: { description: 'A problem (RFC 9457).', content: { 'application/problem+json': { schema: z.toJSONSchema(Problem) } } },
        },
      },
    };
  }
  return { openapi: '3.1.0', info: { title: 'Druckerei', version: '1' }, paths };
}
