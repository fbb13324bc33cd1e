import { EventEmitter } from 'node:events';
import pg from 'pg';
import type { Logger } from 'pino';
import { Changed } from '@druckerei/contract';
import type { EventsReply } from '../replies';

export const CHANNEL = 'druckerei_changed';
const HEARTBEAT_MS = 15_000;
const RETRY_MS = 1_000;
const HEALTH_MS = 2_000;
/** News that follow each other closely are told together: a hundred open browsers are a hundred writes each time. */
const TOGETHER_MS = 200;

/** One LISTEN connection per process, outside the pool; every open browser stream hangs on it. Reconnects by itself; clients then read again by version. */
export class EventHub {
  private readonly emitter = new EventEmitter().setMaxListeners(0);
  private readonly ends = new Set<() => void>();
  private client: pg.Client | null = null;
  private stopped = false;
  private waiting = '';
  private pause: NodeJS.Timeout | null = null;

  constructor(
    private readonly url: string,
    private readonly log: Logger,
    private readonly heartbeatMs = HEARTBEAT_MS,
  ) {}

  async start(): Promise<void> {
    if (this.stopped) return;
    const client = new pg.Client({ connectionString: this.url });
    client.on('error', (err) => this.log.warn({ err: err.message }, 'event connection lost'));
    client.on('end', () => {
      if (!this.stopped) setTimeout(() => void this.start().catch(() => undefined), RETRY_MS).unref();
    });
    client.on('notification', ({ payload }) => {
      const parsed = Changed.safeParse(saidIn(payload));
      if (parsed.success) this.tell('changed', parsed.data);
      else this.log.warn({ payload: payload?.slice(0, 200) }, 'news nobody of ours sent');
    });
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
      this.client = client;
      this.tell('again', null);
    } catch (err) {
      await client.end().catch(() => undefined);
      if (!this.client) this.log.warn({ err: (err as Error).message }, 'no event connection yet');
    }
  }

  /** The first after a pause at once, what comes close behind it together. */
  private tell(event: 'changed' | 'again', data: Changed | null): void {
    this.waiting += `event: ${event}\ndata: ${JSON.stringify(data)}\n\n`;
    if (this.pause === null) this.send();
  }
  private send(): void {
    const text = this.waiting;
    this.waiting = '';
    this.pause = text === '' ? null : setTimeout(() => this.send(), TOGETHER_MS).unref();
    if (text !== '') this.emitter.emit('news', text);
  }

  /** Whether the database answers, asked on the connection of the news: pages that hold the pool do not make the house look dead. */
  async isWell(): Promise<boolean> {
    const late = new Promise<never>((_, reject) => setTimeout(() => reject(new Error('no answer')), HEALTH_MS).unref());
    const asked = this.client?.query('select 1') ?? Promise.reject(new Error('no connection'));
    return Promise.race([asked, late]).then(
      () => true,
      () => false,
    );
  }

  /** A stream for one browser, as long as it may stay (asked with every heartbeat: the session, the person). A null change means: something may have been missed, read again. */
  stream(mayStay: () => Promise<boolean> = () => Promise.resolve(true)): EventsReply {
    return {
      open: (write, end) => {
        write('retry: 1000\n\n');
        const beat = setInterval(() => {
          write(': \n\n');
          // A database that is away ends nobody's session.
          mayStay().then(
            (stays) => {
              if (!stays) end();
            },
            () => undefined,
          );
        }, this.heartbeatMs);
        const close = (): void => {
          clearInterval(beat);
          this.emitter.off('news', write);
          this.ends.delete(close);
        };
        this.emitter.on('news', write);
        this.ends.add(close);
        return close;
      },
    };
  }

  async stop(): Promise<void> {
    this.stopped = true;
    for (const end of [...this.ends]) end();
    await this.client?.end().catch(() => undefined);
  }
}

/** Anybody who reaches the database may send on the channel: what is no JSON says nothing. */
function saidIn(payload: string | undefined): unknown {
  try {
    return JSON.parse(payload ?? '');
  } catch {
    return null;
  }
}

/** Tells all servers that a thing changed; part of the transaction that changes it. */
export const notifyChanged = async (db: Pick<pg.Pool, 'query'>, changed: Changed): Promise<void> =>
  void (await db.query('select pg_notify($1, $2)', [CHANNEL, JSON.stringify(changed)]));
