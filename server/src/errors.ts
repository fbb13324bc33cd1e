import type { ErrorRequestHandler } from 'express';
import type { Problem } from '@druckerei/contract';
import * as z from 'zod';

/** An answer that is not success, with its status. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly detail: string,
    readonly more: Partial<Problem> = {},
  ) {
    super(detail);
  }
}
/** Fields of a form that need another look, each with its sentence. */
export const invalid = (fields: { path: string; says: string }[]): Refused =>
  new Refused(400, 'invalid', 'Some fields need another look.', { fields });
export const notFound = (what: string): Refused => new Refused(404, 'not-found', `${what} is not here.`);

const TITLES: Record<number, string> = {
  400: 'Not understood',
  401: 'Not signed in',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed meanwhile',
  413: 'Too large',
  422: 'Cannot be released',
  429: 'Too many attempts',
  500: 'Something went wrong here',
  503: 'Not now',
};

/** Values the database does not take: a number past its column, a sign it cannot keep. */
const OUT_OF_RANGE = new Set(['22003', '22021', '22P02', '22P05', '22008']);

/** Ended by the limits of statements and locks. */
const TOOK_TOO_LONG = new Set(['57014', '55P03', '25P03']);
/** Codes of PostgreSQL and the network that mean: not now, try again. */
const GONE = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', '57P01', '57P02', '57P03', '08000', '08001', '08003', '08006']);
const isGone = (e: { code?: string; message?: string }): boolean =>
  GONE.has(e.code ?? '') || /Connection terminated|timeout exceeded when trying to connect/.test(e.message ?? '');

/** The one table from error to answer (RFC 9457). Nothing of the inside leaks; the log has it under the request's id. */
export const errorTable: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) return next(error);
  const problem = problemOf(error);
  const requestId = req.id;
  if (problem.status >= 500) req.log.error({ err: error }, 'request failed');
  res
    .status(problem.status)
    .type('application/problem+json')
    .send(JSON.stringify({ ...problem, requestId }));
};

export function problemOf(error: unknown): Problem {
  const of = (status: number, code: string, more: Partial<Problem> = {}): Problem => ({
    type: `urn:druckerei:${code}`,
    title: TITLES[status] ?? 'Problem',
    status,
    ...more,
  });
  if (error instanceof Refused) return of(error.status, error.code, { detail: error.detail, ...error.more });
  if (error instanceof z.ZodError)
    return of(400, 'invalid', {
      detail: 'Some fields need another look.',
      fields: error.issues.slice(0, 50).map((i) => ({ path: i.path.join('.'), says: i.message })),
    });
  const known = error as { code?: string; message?: string; status?: number; type?: string; limit?: number };
  if (known.type === 'entity.too.large')
    return of(413, 'too-large', { detail: `More than ${Math.floor((known.limit ?? 1e6) / 1e6)} MB was sent.` });
  if (known.type === 'entity.parse.failed') return of(400, 'not-json', { detail: 'What was sent is not JSON.' });
  if (typeof known.status === 'number' && known.status >= 400 && known.status < 500)
    return of(known.status, 'bad-request', { detail: 'The request could not be read.' });
  if (OUT_OF_RANGE.has(known.code ?? ''))
    return of(400, 'invalid', {
      detail: 'A value is larger, or of another kind, than can be kept. Check numbers and dates, and send it again.',
    });
  if (TOOK_TOO_LONG.has(known.code ?? ''))
    return of(503, 'busy', { detail: 'It took too long, somebody else works on the same. Try again in a moment; what you typed is kept.' });
  if (isGone(known))
    return of(503, 'database-gone', { detail: 'The database does not answer. What you typed is kept; it is saved when it is back.' });
  return of(500, 'internal', { detail: 'The fault is logged under the id of this request.' });
}
