import type { Pool } from 'pg';
import type { Logger } from 'pino';
import type { SignedIn } from '@druckerei/contract';
import type { EventHub } from './events/event-hub';
import type { Seal } from './floor/sign-on';
import type { Threads } from './tasks/threads';

/** What every handler may use. Handlers see neither request nor response, but for the session's own. */
export interface Ctx {
  db: Pool;
  log: Logger;
  requestId: string;
  /** Epoch seconds; fixed in tests and pictures. */
  now: () => number;
  hub: EventHub;
  threads: Threads;
  /** Vouches for who signed on at a terminal. */
  seal: Seal;
  user: (SignedIn & { id: string }) | null;
  session: SessionDoor;
  /** Whoever asked has gone: work for the answer may stop. */
  gone: AbortSignal;
}

/** What the handlers of sign-in need of the session. */
export interface SessionDoor {
  address: string;
  id: string;
  begin(userId: string): Promise<void>;
  end(): Promise<void>;
}

/** The person signed in; the gate has made sure there is one. */
export function signedIn(ctx: Ctx): SignedIn & { id: string } {
  if (!ctx.user) throw new Error('the gate let a request through without a person');
  return ctx.user;
}
