import type { RequestHandler } from 'express';
import type { Endpoint } from '@druckerei/contract';
import { Refused } from '../errors';
import type { Ctx } from '../context';

declare module 'express-session' {
  interface SessionData {
    userId: string;
    /** Whose it is, as read with it; never written. */
    person: Ctx['user'];
  }
}
declare module 'express-serve-static-core' {
  interface Request {
    user?: NonNullable<Ctx['user']>;
  }
}

/** What somebody may do whose password another person set: see who that is, set an own one, leave. */
const OWN = ['/api/session', '/api/session/password'];

/** Who may pass. */
export const gate =
  (who: Endpoint['who']): RequestHandler =>
  (req, _res, next) => {
    const user = req.session.person;
    if (user) req.user = user;
    if (who === 'anyone') return next();
    if (!user) throw new Refused(401, 'not-signed-in', 'Sign in to go on; what you typed is kept.');
    if (user.mustChange && !OWN.includes(req.path))
      throw new Refused(403, 'must-change', 'Set a password of your own first: somebody else knows this one.');
    if (who !== 'signed-in' && !user.roles.some((r) => who.includes(r)))
      throw new Refused(403, 'not-allowed', `This is for ${who.join(', ')}.`);
    next();
  };

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);
/** Refuses writes that another site sends with our cookie: Sec-Fetch-Site where the browser says it, else Origin, else no cookie at all. */
export const sameOrigin: RequestHandler = (req, _res, next) => {
  if (SAFE.has(req.method)) return next();
  const site = req.get('sec-fetch-site');
  const origin = req.get('origin');
  const ok =
    site !== undefined
      ? site === 'same-origin' || site === 'none'
      : origin !== undefined
        ? origin === `${req.protocol}://${req.get('host') ?? ''}`
        : req.headers.cookie === undefined;
  if (!ok) throw new Refused(403, 'cross-site', 'A request from another site was refused.');
  next();
};
