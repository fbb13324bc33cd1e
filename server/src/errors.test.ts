import * as z from 'zod';
import { problemOf, Refused } from './errors';

describe('the one error table', () => {
  test.each([
    ['a refusal says its own words', new Refused(422, 'blocked', 'Findings block the release.'), 422, 'urn:druckerei:blocked'],
    ['too large a body', { type: 'entity.too.large' }, 413, 'urn:druckerei:too-large'],
    ['no JSON', { type: 'entity.parse.failed' }, 400, 'urn:druckerei:not-json'],
    ['a request express refused', { status: 400 }, 400, 'urn:druckerei:bad-request'],
    ['no database', Object.assign(new Error('x'), { code: 'ECONNREFUSED' }), 503, 'urn:druckerei:database-gone'],
    ['a database that is shutting down', Object.assign(new Error('x'), { code: '57P01' }), 503, 'urn:druckerei:database-gone'],
    ['a connection that broke', new Error('Connection terminated unexpectedly'), 503, 'urn:druckerei:database-gone'],
    ['anything else', new Error('secret of the inside'), 500, 'urn:druckerei:internal'],
  ])('%s', (_name, error, status, type) => {
    const problem = problemOf(error);
    expect(problem).toMatchObject({ status, type });
    expect(JSON.stringify(problem)).not.toContain('secret');
  });

  it('names the fields of what Zod refused, at most fifty', () => {
    const schema = z.object({ items: z.array(z.object({ n: z.number() })) });
    const parsed = schema.safeParse({ items: Array.from({ length: 80 }, () => ({ n: 'x' })) });
    const problem = problemOf(parsed.error);
    expect(problem.status).toBe(400);
    expect(problem.fields).toHaveLength(50);
    expect(problem.fields?.[0]?.path).toBe('items.0.n');
  });
});
