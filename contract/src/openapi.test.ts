import { api } from './api';
import type { Endpoint } from './endpoint';
import { openApi } from './openapi';

const table = Object.entries(api as Record<string, Endpoint>);
it('has one endpoint a method and path', () => {
  const keys = table.map(([, e]) => `${e.method} ${e.path}`);
  expect(new Set(keys).size).toBe(keys.length);
});
it.each(table.filter(([, e]) => e.params !== undefined || e.body !== undefined))(
  '%s carries an example its own schemas take, or that fails only for its document',
  (name, e) => {
    expect(e.example).toBeDefined();
    if (e.params) expect(e.params.safeParse(e.example?.params).success).toBe(true);
    if (e.body && !['orders.create', 'board.promise', 'plants.try', 'plants.accept'].includes(name))
      expect(e.body.safeParse(e.example?.body).success).toBe(true);
  },
);
it('names who may call each', () => {
  const doc = openApi(api) as { paths: Record<string, Record<string, { 'x-who': unknown }>> };
  expect(doc.paths['/api/jobs/{id}/edits']?.['post']?.['x-who']).toEqual(['planner']);
});
