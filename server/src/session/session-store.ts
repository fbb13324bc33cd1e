import connectPgSimple from 'connect-pg-simple';
import expressSession from 'express-session';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import { maybeOne } from '../db/rows';
import { SESSION_WITH_PERSON } from './session.queries';

const PRUNE_S = 900;

/** Sessions in the database; one is read with its person as that person is at this moment, so that a role taken away counts at once. */
export class SessionStore extends connectPgSimple(expressSession) {
  constructor(
    private readonly db: Pool,
    log: Logger,
  ) {
    super({
      pool: db,
      tableName: 'sessions',
      pruneSessionInterval: PRUNE_S,
      // A session lasts its twelve hours from sign-in; writing its end anew with every request would be a disk write for each page read.
      disableTouch: true,
      errorLog: (...e: unknown[]) => log.warn({ e }, 'session store'),
    });
  }

  override get(sid: string, done: (error: unknown, session?: expressSession.SessionData | null) => void): void {
    maybeOne(this.db, SESSION_WITH_PERSON, [sid]).then((found) => {
      done(null, found ? { ...found.session, person: found.person } : null);
    }, done);
  }
}
